/** What practitioners know, one fact a row: these readings point there. */
import { judge } from '@tetrad/core';
import type { FaultName, Judgement, Observation, Reading } from '@tetrad/core';
import { SOUND_SYSTEM, cannot, caseOf, charging, crank, read, rest, ripple } from './cases';

const saw = (about: string, finding: string): Observation => ({ about, finding }) as Observation;
const draw = (amps: number): Reading => read('starter-draw', amps);
const rpm = (value: number): Reading => read('cranking-speed', value);
const drop = (test: Reading['test'], volts: number, amps = 140): Reading => read(test, volts, { amps });
const GOOD_BATTERY = [rest(12.65), read('conductance', 555)];
const RUNS = [charging(14.2), ripple(0.04)];
const GOOD_PATHS = [drop('drop-starter-positive', 0.18), drop('drop-starter-ground', 0.06)];

interface Fact {
  readonly fact: string;
  readonly symptoms: readonly string[];
  readonly readings: readonly Reading[];
  readonly observations?: readonly Observation[];
  readonly fault: FaultName;
}

const FACTS: readonly Fact[] = [
  {
    fact: 'low volts, usual amps, slow: the battery',
    symptoms: ['slow-crank'],
    readings: [rest(12.62), crank(8.3), draw(135), rpm(120), read('conductance', 260), ...RUNS],
    fault: 'battery-worn',
  },
  {
    fact: 'low volts, high amps, turns by hand, belt off changes nothing: the starter drags',
    symptoms: ['slow-crank'],
    readings: [...GOOD_BATTERY, crank(9.2), draw(390), rpm(100), ...GOOD_PATHS, ...RUNS],
    observations: [saw('crank-by-hand', 'turns'), saw('belt-removed-crank', 'unchanged')],
    fault: 'starter-dragging',
  },
  {
    fact: 'low volts, high amps, tight by hand, belt off changes nothing: the engine',
    symptoms: ['slow-crank'],
    readings: [...GOOD_BATTERY, crank(9.2), draw(390), rpm(90), ...RUNS],
    observations: [saw('crank-by-hand', 'tight'), saw('belt-removed-crank', 'unchanged')],
    fault: 'engine-drag',
  },
  {
    fact: 'high amps that fall with the belt off: a seized accessory',
    symptoms: ['slow-crank'],
    readings: [...GOOD_BATTERY, crank(9.2), draw(390), ...RUNS],
    observations: [saw('crank-by-hand', 'tight'), saw('belt-removed-crank', 'freed')],
    fault: 'accessory-seized',
  },
  {
    fact: 'good volts, few amps, slow, a deep ground drop: the ground',
    symptoms: ['slow-crank'],
    readings: [
      ...GOOD_BATTERY,
      crank(11.5),
      draw(85),
      rpm(95),
      drop('drop-starter-positive', 0.15, 85),
      drop('drop-starter-ground', 2.6, 85),
      drop('drop-negative-post', 0.02, 85),
      ...RUNS,
    ],
    fault: 'cable-starter-ground',
  },
  {
    fact: 'the whole negative drop is at the post: the post, not the cable',
    symptoms: ['slow-crank'],
    readings: [
      ...GOOD_BATTERY,
      crank(11.5),
      draw(85),
      drop('drop-starter-ground', 2.6, 85),
      drop('drop-negative-post', 2.55, 85),
      ...RUNS,
    ],
    fault: 'connection-negative-post',
  },
  {
    fact: 'the whole positive drop is at the solenoid: its contacts',
    symptoms: ['slow-crank'],
    readings: [
      ...GOOD_BATTERY,
      crank(11.4),
      draw(90),
      drop('drop-starter-positive', 2.4, 90),
      drop('drop-solenoid', 2.2, 90),
      drop('drop-positive-post', 0.02, 90),
      ...RUNS,
    ],
    fault: 'solenoid-contacts',
  },
  {
    fact: 'what posts and contacts leave of the positive drop is the cable',
    symptoms: ['slow-crank'],
    readings: [
      ...GOOD_BATTERY,
      crank(11.4),
      draw(90),
      drop('drop-starter-positive', 2.4, 90),
      drop('drop-solenoid', 0.1, 90),
      drop('drop-positive-post', 0.02, 90),
      ...RUNS,
    ],
    fault: 'cable-starter-positive',
  },
  {
    fact: 'good volts, usual amps, both drops good, still slow: the starter is worn',
    symptoms: ['slow-crank'],
    readings: [
      ...GOOD_BATTERY,
      crank(11.3),
      draw(105),
      rpm(95),
      ...GOOD_PATHS,
      read('starter-control-voltage', 11),
      ...RUNS,
    ],
    observations: [saw('crank-by-hand', 'turns')],
    fault: 'starter-worn',
  },
  {
    fact: 'silent, no amps, no volts at the solenoid’s control: the control circuit',
    symptoms: ['no-crank-silent'],
    readings: [
      ...GOOD_BATTERY,
      draw(0),
      read('starter-control-voltage', 0.3),
      cannot('charging-voltage', 'did-not-crank'),
    ],
    fault: 'starter-control',
  },
  {
    fact: 'no amps, control good, the whole battery across the ground path: it is open',
    symptoms: ['no-crank-silent'],
    readings: [
      ...GOOD_BATTERY,
      draw(0),
      read('starter-control-voltage', 12.3),
      drop('drop-starter-ground', 12.5, 0),
      drop('drop-negative-post', 0.0, 0),
    ],
    fault: 'cable-starter-ground',
  },
  {
    fact: 'it whirrs, draws little, the engine stands: the drive',
    symptoms: ['spins-without-cranking'],
    readings: [...GOOD_BATTERY, crank(12.1), draw(60), rpm(0)],
    fault: 'starter-drive',
  },
  {
    fact: '10.5 V after a charge: a dead cell',
    symptoms: ['no-crank-rapid-clicks'],
    readings: [
      rest(10.4),
      read('resting-voltage', 10.6, { surfaceChargeRemoved: true, minutesSinceCharge: 60 }),
      read('conductance', 190),
    ],
    fault: 'battery-dead-cell',
  },
  {
    fact: 'one cell 0.080 under the others: that cell',
    symptoms: ['slow-crank'],
    readings: [rest(12.5), read('specific-gravity', [1.26, 1.262, 1.258, 1.18, 1.261, 1.26])],
    fault: 'battery-dead-cell',
  },
  {
    fact: 'no more than the battery at idle, excitation and stud good: a dead alternator',
    symptoms: ['charge-lamp'],
    readings: [
      rest(12.65),
      crank(10.6),
      charging(12.3),
      charging(11.9, 'on'),
      ripple(0.005),
      read('alternator-stud-voltage', 12.6),
      read('excitation-voltage', 12.4),
    ],
    observations: [saw('belt', 'good')],
    fault: 'alternator-dead',
  },
  {
    fact: 'the same without excitation: the alternator is not told to charge',
    symptoms: ['charge-lamp'],
    readings: [
      rest(12.65),
      crank(10.6),
      charging(12.3),
      read('alternator-stud-voltage', 12.6),
      read('excitation-voltage', 0.4, { terminal: 'supply' }),
    ],
    observations: [saw('belt', 'good'), saw('charge-lamp', 'dead')],
    fault: 'charge-control',
  },
  {
    fact: 'the same with nothing at the stud: the fusible link',
    symptoms: ['charge-lamp'],
    readings: [
      rest(12.65),
      crank(10.6),
      charging(12.3),
      read('alternator-stud-voltage', 0.1),
      read('excitation-voltage', 12.4),
    ],
    observations: [saw('belt', 'good')],
    fault: 'charge-cable-positive',
  },
  {
    fact: 'holds unloaded, falls under load, gives half its rating, belt good: weak',
    symptoms: ['dim-at-idle'],
    readings: [
      rest(12.65),
      crank(10.6),
      charging(14.1),
      charging(12.7, 'on'),
      ripple(0.05),
      read('alternator-current', 55, { systemVolts: 12.6, fieldPercent: 100 }),
      drop('drop-charge-positive', 0.1, 55),
      drop('drop-charge-ground', 0.03, 55),
    ],
    observations: [saw('belt', 'good')],
    fault: 'alternator-weak',
  },
  {
    fact: 'the same with a glazed, squealing belt: the belt',
    symptoms: ['dim-at-idle', 'belt-squeal'],
    readings: [rest(12.65), crank(10.6), charging(14.0), charging(12.7, 'on'), ripple(0.05)],
    observations: [saw('belt', 'glazed')],
    fault: 'belt-slip',
  },
  {
    fact: 'a hump missing in six: a diode, even where the AC figure is small',
    symptoms: ['radio-whine'],
    readings: [
      rest(12.65),
      crank(10.6),
      charging(13.9),
      ripple(0.16),
      read('ripple-waveform', 0.5, { humpsMissing: 1 }),
    ],
    fault: 'alternator-diode',
  },
  {
    fact: 'conducts both ways: a shorted diode',
    symptoms: ['goes-flat'],
    readings: [rest(12.65), crank(10.6), charging(13.8), ripple(0.45), read('diode-reverse', 0.2)],
    fault: 'alternator-diode',
  },
  {
    fact: '15.6 V: the regulator',
    symptoms: ['bright-lamps'],
    readings: [rest(12.7), crank(10.7), charging(15.6), ripple(0.04)],
    fault: 'regulator-high',
  },
  {
    fact: '0.42 A with all asleep: a drain',
    symptoms: ['goes-flat'],
    readings: [rest(12.6), crank(10.5), ...RUNS, read('parasitic-draw', 0.42, { minutesAsleep: 40 })],
    fault: 'parasitic-drain',
  },
  {
    fact: 'a volt lost between B+ and the battery: the charging cable',
    symptoms: ['dim-at-idle'],
    readings: [
      rest(12.65),
      crank(10.6),
      charging(13.3),
      drop('drop-charge-positive', 1.1, 85),
      drop('drop-charge-ground', 0.03, 85),
    ],
    observations: [saw('belt', 'good')],
    fault: 'charge-cable-positive',
  },
];

const systemOf = { ...SOUND_SYSTEM, alternator: { ratedAmps: 110, regulation: 'fixed' as const } };
const judged = ({ symptoms, readings, observations = [] }: Fact): Judgement =>
  judge(caseOf(readings, { system: systemOf, symptoms, observations }));

describe('facts of the trade', () => {
  it.each(FACTS.map((row) => [row.fact, row] as const))('%s', (_fact, row) => {
    const said = judged(row);
    expect(said.faults[0]).toMatchObject({ fault: row.fault });
    expect(said.faults[0]!.probability).toBeGreaterThan(0.5);
    expect(said.faults[0]!.evidence[0]?.says).toMatch(/\w/);
  });

  it('a starter or an alternator is called in none of them before its excuses are tested', () => {
    for (const row of FACTS) {
      const said = judged(row);
      for (const part of ['starter', 'alternator'] as const)
        if (said.parts[part].verdict === 'replace') expect(said.parts[part].missing).toEqual([]);
    }
  });

  it('a proven bad ground takes the slow crank upon itself: the starter is no longer suspected for it', () => {
    const bad = judged(FACTS.find(({ fault }) => fault === 'cable-starter-ground')!);
    expect(bad.faults.find(({ fault }) => fault === 'starter-worn')!.probability).toBeLessThan(0.35);
    expect(bad.parts.starter.verdict).not.toBe('replace');
    expect(bad.parts.connections).toMatchObject({
      verdict: 'not-proven', // joint or strap: the drop from the block tells
      missing: ['drop-engine-ground'],
      where: expect.arrayContaining(['drop-starter-ground']),
    });
  });

  it('two faults at once are both seen: a worn battery and a bad ground', () => {
    const said = judge(
      caseOf(
        [
          rest(12.62),
          read('conductance', 250),
          crank(9.0),
          draw(88),
          drop('drop-starter-ground', 2.2, 88),
          drop('drop-negative-post', 0.02, 88),
        ],
        { symptoms: ['slow-crank'] },
      ),
    );
    for (const fault of ['battery-worn', 'cable-starter-ground'])
      expect(said.faults.find((entry) => entry.fault === fault)!.probability).toBeGreaterThan(0.5);
  });

  it('age is a prior only: an old battery that measures well is kept', () => {
    const system = { ...SOUND_SYSTEM, battery: { ...SOUND_SYSTEM.battery, installed: '2015-01-01' } };
    const readings = [...GOOD_BATTERY, crank(10.6), ...RUNS].map((reading) => ({
      ...reading,
      at: '2026-03-02T09:00:00Z',
    }));
    expect(judge(caseOf(readings, { system })).parts.battery.verdict).toBe('keep');
  });
});
