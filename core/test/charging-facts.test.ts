/** What a reading of the charging side makes impossible, and what it does not accuse. */
import { describe, expect, it } from '@jest/globals';
import { judge } from '@tetrad/core';
import type { FaultName, Judgement, Observation, Reading } from '@tetrad/core';
import { caseOf, charging, drop, read, rest, saw } from './cases';

const said = (readings: readonly Reading[], observations: readonly Observation[] = []): Judgement =>
  judge(caseOf(readings, { symptoms: ['charge-lamp'], observations }));
const probable = ({ faults }: Judgement, fault: FaultName): number =>
  faults.find((entry) => entry.fault === fault)!.probability;
const output = (amps: number): Reading =>
  read('alternator-current', amps, { rpm: 2000, loads: 'on', systemVolts: 12.6 });

describe('what was seen wrongly', () => {
  it('a belt is not missing where the alternator charges', () => {
    const alone = said([rest(12.6)], [saw('belt', 'missing')]);
    expect(probable(alone, 'belt-slip')).toBeGreaterThan(0.9);
    expect(probable(said([rest(12.6), charging(14.2)], [saw('belt', 'missing')]), 'belt-slip')).toBeLessThan(0.2);
  });

  it('a belt is not missing where the volts rise well above rest, whatever is lost on the way', () => {
    const seen = (volts: number): number =>
      probable(said([rest(12.6), charging(volts)], [saw('belt', 'missing')]), 'belt-slip');
    expect(seen(13.2)).toBeLessThan(0.5);
    expect(seen(12.5)).toBeGreaterThan(0.9);
  });

  it('a link is not blown where the stud has the battery’s volts', () => {
    const stud = (volts: number): number =>
      probable(
        said([rest(12.6), read('alternator-stud-voltage', volts)], [saw('fusible-link', 'blown')]),
        'charge-cable-positive',
      );
    expect(stud(0.1)).toBeGreaterThan(0.95);
    expect(stud(12.55)).toBeLessThan(0.2);
  });

  it('a belt that looks worn is not replaced before low output was read', () => {
    const loose = [saw('belt', 'loose')];
    expect(said([rest(12.6)], loose).decision.action).toBe('test-next');
    expect(said([rest(12.6)], loose).next.map(({ test }) => test)).toContain('charging-voltage');
    expect(said([rest(12.6), charging(14.2), charging(14, 'on'), output(105)], loose).decision.part).not.toBe('belt');
  });
});

describe('what does not accuse the alternator', () => {
  it('low volts with the loads on, while a dead cell pulls them down', () => {
    const low = [charging(13.9), charging(11.9, 'on')];
    expect(probable(said([rest(12.6), ...low]), 'alternator-weak')).toBeGreaterThan(
      1.5 * probable(said([rest(10.6), ...low]), 'alternator-weak'),
    );
  });

  it('an alternator that gives what it is rated for is not weak, nor dead', () => {
    const low = [rest(12.6), charging(13.9), charging(12.6, 'on')];
    const gives = said([...low, output(104)]);
    expect(probable(gives, 'alternator-weak')).toBeLessThan(0.2 * probable(said(low), 'alternator-weak'));
    expect(probable(gives, 'alternator-dead')).toBeLessThan(0.01);
  });

  it('a terminal that has what a weak battery has', () => {
    const grade = (resting: number): string =>
      said([rest(resting), read('excitation-voltage', 10.3, { terminal: 'supply' })]).readings.at(-1)!.grade;
    expect([grade(12.6), grade(10.65)]).toEqual(['outside', 'within']);
  });
});

describe('volts lost behind the alternator', () => {
  const lossy = [rest(12.6), charging(13.3), charging(12.1, 'on'), drop('drop-charge-positive', 0.08, 70)];
  const amps = read('alternator-current', 70, { rpm: 2000, loads: 'on', systemVolts: 12.1 });
  const lost = drop('drop-charge-ground', 2.1, 70);

  it('amps that arrive behind them are what was asked for, not what the alternator can give', () => {
    expect(said([...lossy, amps]).readings.at(-1)!.grade).toBe('outside');
    const after = said([...lossy, lost, amps]);
    expect(after.readings.at(-1)).toMatchObject({ grade: 'noted', code: 'holds-at-alternator' });
    expect(after.readings.at(-1)!.because).toContain('2.18 V are lost on the way');
    expect(probable(after, 'alternator-weak')).toBeLessThan(0.1);
    expect(after.decision.fault).toBe('charge-cable-ground');
  });

  it('a loss that is smaller than what is missing excuses nothing', () => {
    const weak = [rest(12.6), charging(12.7), charging(12.0, 'on'), drop('drop-charge-positive', 0.5, 40)];
    const few = read('alternator-current', 40, { rpm: 2000, loads: 'on', systemVolts: 12.0 });
    const after = said([...weak, drop('drop-charge-ground', 0.05, 40), few]);
    expect(after.readings.at(-1)!.grade).toBe('outside');
    expect(probable(after, 'alternator-weak')).toBeGreaterThan(0.2);
  });

  it('a field at full shows all that there is, whatever is lost', () => {
    const full = read('alternator-current', 40, { rpm: 2000, loads: 'on', systemVolts: 12.1, fieldPercent: 100 });
    expect(said([...lossy, lost, full]).readings.at(-1)!.grade).toBe('outside');
  });
});

describe('current into the battery', () => {
  const grade = (amps: number, minutesAfterStart?: number, system = {}): string =>
    judge(
      caseOf(
        [rest(12.6), read('battery-current', amps, minutesAfterStart === undefined ? {} : { minutesAfterStart })],
        {
          system: { ...caseOf([]).system, ...system },
        },
      ),
    ).readings.at(-1)!.grade;

  it('refills what the start took in the first minutes: only noted', () => {
    expect([grade(30, 0.5), grade(30), grade(30, 3)]).toEqual(['noted', 'noted', 'outside']);
  });

  it('is shared by batteries in parallel', () => {
    const pack = { battery: { chemistry: 'flooded', count: 2, arrangement: 'parallel' } };
    expect([grade(16, 10), grade(16, 10, pack)]).toEqual(['outside', 'within']);
  });
});

it('low volts that are read twice are no slip', () => {
  const once = probable(said([rest(12.62), charging(12.2)]), 'alternator-dead');
  const twice = said([rest(12.62), charging(12.2), charging(12.22)]);
  expect(probable(twice, 'none')).toBeLessThan(0.5 * probable(said([rest(12.62), charging(12.2)]), 'none'));
  expect(probable(twice, 'alternator-dead')).toBeGreaterThanOrEqual(once);
});
