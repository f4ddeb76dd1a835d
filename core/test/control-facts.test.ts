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
    const command = field(2);
    expect(saysOf(judged(rest(12.6), command), command.id)).toEqual([]);
    expect(saysOf(judged(rest(12.6), charging(12.3), command), command.id)).not.toEqual([]);
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

  it('entered as the draw, with an instrument that is quick enough, goes to the inrush by itself', () => {
    const peak = (method: 'fast-peak' | 'scope' | 'min-max'): Reading => read('starter-draw', 450, { method });
    const none = probable(judged(rest(12.6)), 'starter-control');
    expect(probable(judged(rest(12.6), peak('scope')), 'starter-control')).toBe(
      probable(judged(rest(12.6), inrush(450)), 'starter-control'),
    );
    expect(probable(judged(rest(12.6), peak('fast-peak')), 'starter-control')).toBeLessThan(none);
    // a recorder holds a part of it only: it says neither how much flows nor that it began
    expect(probable(judged(rest(12.6), peak('min-max')), 'starter-control')).toBe(none);
    for (const method of ['fast-peak', 'scope', 'min-max'] as const)
      expect(probable(judged(rest(12.6), peak(method)), 'starter-dragging')).toBeCloseTo(
        probable(judged(rest(12.6)), 'starter-dragging'),
      );
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

describe('readings of one moment', () => {
  const at = (reading: Reading, minute: number): Reading => ({
    ...reading,
    id: `${reading.id}-${minute}`,
    at: `2026-03-02T09:${String(minute).padStart(2, '0')}:00Z`,
  });
  const gradeOf = ({ readings }: Judgement, test: string, subject: readonly Reading[]): string =>
    readings.find(({ id }) => subject.some((one) => one.id === id && one.test === test))!.grade;
  const control = read('starter-control-voltage', 8.4);

  it.each([
    ['before it', [at(crank(9), 10), at(control, 11), at(crank(11.6), 30)]],
    ['after it', [at(crank(11.6), 1), at(control, 30), at(crank(9), 31)]],
  ])('a control voltage is held against the crank %s, not against a later or earlier one', (_, readings) => {
    expect(gradeOf(judged(rest(12.6), ...readings), 'starter-control-voltage', readings)).toBe('within');
  });

  it('the volts at the motor are held against the same crank', () => {
    const motor = read('starter-motor-voltage', 8.9);
    const readings = [at(crank(11.6), 1), at(crank(9.2), 30), at(motor, 31)];
    const { readings: graded } = judged(rest(12.6), ...readings);
    expect(graded.at(-1)).toMatchObject({ grade: 'within' });
    expect(graded.at(-1)!.because).toContain('9.20 V');
  });

  it('and is too low beside the other', () => {
    const readings = [at(crank(9), 10), at(control, 30), at(crank(11.6), 31)];
    expect(gradeOf(judged(rest(12.6), ...readings), 'starter-control-voltage', readings)).toBe('outside');
  });

  it('a crank of one battery alone is no crank of the control voltage', () => {
    const alone = read('cranking-voltage', 11.6, { method: 'watched', isolated: 1 });
    const readings = [at(crank(9), 10), at(alone, 12), at(control, 12)];
    expect(gradeOf(judged(rest(12.6), ...readings), 'starter-control-voltage', readings)).toBe('within');
  });

  it('a field command is held against the volts under the same loads', () => {
    const charged = [charging(14.2, 'off'), charging(12.4, 'on')];
    const [light, loaded] = [field(96, 'off'), field(5, 'on')];
    expect(saysOf(judged(rest(12.6), ...charged, light), light.id)).toContain('no-reserve');
    const control = (...more: Reading[]): number =>
      probable(judged(rest(12.6), ...charged.toReversed(), ...more), 'charge-control');
    expect(control(loaded)).toBeGreaterThan(control());
  });
});
