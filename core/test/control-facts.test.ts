/** What the regulator's command and the first rush of current say, by themselves and beside other readings. */
import { judge } from '@tetrad/core';
import type { FaultName, Judgement, Reading } from '@tetrad/core';
import { SOUND_SYSTEM, caseOf, charging, crank, read, rest } from './cases';

const judged = (...readings: Reading[]): Judgement => judge(caseOf(readings));
const probable = ({ faults }: Judgement, name: FaultName): number =>
  faults.find(({ fault }) => fault === name)!.probability;
const field = (percent: number, loads: 'on' | 'off' = 'off'): Reading => read('field-duty', percent, { loads });
const saysOf = ({ faults }: Judgement, id: string): string[] =>
  faults.flatMap(({ evidence }) => evidence.filter(({ reading }) => reading === id).map(({ code }) => code!));

describe('the field command', () => {
  it('near full while nothing comes clears the control: the alternator does not answer', () => {
    const without = judged(rest(12.5), charging(12.3));
    const full = judged(rest(12.5), charging(12.3), field(98));
    expect(probable(full, 'charge-control')).toBeLessThan(probable(without, 'charge-control'));
  });

  it('that is not given while nothing comes points at the control, the less of it the more', () => {
    const [none, some, full] = [2, 50, 98].map((percent) =>
      probable(judged(rest(12.5), charging(12.3), field(percent)), 'charge-control'),
    );
    expect(none).toBeGreaterThan(some!);
    expect(some).toBeGreaterThan(full!);
  });

  it('near full at a light load means no reserve; far from full with loads on means some', () => {
    const weak = (...more: Reading[]): number =>
      probable(judged(rest(12.6), charging(13.9), ...more), 'alternator-weak');
    expect(weak(field(96))).toBeGreaterThan(weak());
    expect(weak(field(45, 'on'))).toBeLessThan(weak());
  });

  it('says nothing where nobody read what comes of it', () => {
    const alone = judged(rest(12.6), field(98));
    expect(saysOf(alone, field(98).id)).toEqual([]);
  });

  it('of 24 V is held against the volts of 24 V', () => {
    const system = { ...SOUND_SYSTEM, nominalVolts: 24 as const };
    const subject = caseOf([rest(25.2), charging(27.9), field(2)], { system });
    expect(probable(judge(subject), 'charge-control')).toBeLessThan(0.2); // 27.9 V is charging well
  });
});

describe('the inrush', () => {
  const inrush = (amps: number): Reading => read('inrush-current', amps, { method: 'scope' });
  const draw = (amps: number): Reading => read('starter-draw', amps);

  it('that flows clears the control circuit, whatever follows', () => {
    const none = probable(judged(rest(12.6)), 'starter-control');
    expect(probable(judged(rest(12.6), inrush(450)), 'starter-control')).toBeLessThan(none);
  });

  it('that does not flow clears nothing', () => {
    const none = probable(judged(rest(12.6)), 'starter-control');
    expect(probable(judged(rest(12.6), inrush(2)), 'starter-control')).toBeGreaterThanOrEqual(none);
  });

  it('that never falls says that nothing began to turn; one that falls to the usual draw does not', () => {
    const group: readonly FaultName[] = ['starter-dragging', 'engine-drag', 'accessory-seized'];
    const sum = (given: Judgement): number => group.reduce((all, fault) => all + probable(given, fault), 0);
    const stalled = sum(judged(rest(12.6), crank(8.9), draw(560), inrush(600)));
    const turning = sum(judged(rest(12.6), crank(8.9), draw(560), inrush(1400)));
    const usual = sum(judged(rest(12.6), crank(10.8), draw(140), inrush(500)));
    expect(stalled).toBeGreaterThan(turning);
    expect(turning).toBeGreaterThan(usual);
  });

  it('taken by a meter that watches is void: the peak is over before it looks', () => {
    const watched = { ...inrush(300), conditions: { method: 'watched' as const } };
    expect(judged(rest(12.6), watched).readings.find(({ id }) => id === watched.id)!.grade).toBe('void');
  });
});
