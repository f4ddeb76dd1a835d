/** What is claimed and on what grounds: nothing found, a label believed, a fault named. */
import { SimulatedVisit, judge } from '@tetrad/core';
import type { Case, Reading } from '@tetrad/core';
import {
  cannot,
  SOUND_LOOKS,
  SOUND_SYSTEM,
  caseOf,
  charging,
  crank,
  fourNotes,
  read,
  rest,
  ripple,
  saw,
  soundReadings,
} from './cases';

describe('nothing found is a claim too', () => {
  it('without a complaint the whole baseline is read first; every missing piece of it is asked for', () => {
    const whole = soundReadings();
    expect(judge(caseOf(whole, { observations: SOUND_LOOKS })).decision.action).toBe('none-found');
    whole.forEach((missing, i) => {
      const said = judge(
        caseOf(
          whole.filter((_, k) => k !== i),
          { observations: SOUND_LOOKS },
        ),
      );
      expect(said.decision.action).toBe('test-next');
      expect(said.next.map(({ test }) => test)).toContain(missing.test);
    });
  });

  it.each([
    ['slow-crank', ['starter-draw', 'drop-starter-positive', 'drop-starter-ground', 'conductance']],
    ['dim-at-idle', ['alternator-current', 'drop-charge-positive', 'drop-charge-ground', 'belt', 'drop-body-ground']],
    ['goes-flat', ['parasitic-draw', 'hold-charge', 'conductance']],
    ['radio-whine', ['ripple-waveform']],
    ['battery-smell', ['specific-gravity']],
  ] as const)('“%s” is not sound before %j', (symptom, tests) => {
    const visit = new SimulatedVisit({ faults: ['none'], seed: 12 });
    visit.doAll({ chargeFirst: false });
    const system = { ...visit.case.system, battery: { ...visit.case.system.battery, serviceable: true } };
    const readings = [
      ...visit.case.readings,
      read('hold-charge', 12.6, { hours: 12, startVolts: 12.65 }),
      read('specific-gravity', [1.26, 1.26, 1.26, 1.26, 1.26, 1.26]),
    ];
    for (const test of tests) {
      const subject: Case = {
        ...visit.case,
        system,
        complaint: { symptoms: [symptom] },
        readings: readings.filter(
          (reading) =>
            reading.test !== test &&
            !(test === 'conductance' && ['load-test', 'internal-resistance'].includes(reading.test)) &&
            !(test === 'hold-charge' && reading.test === 'load-test'),
        ),
        observations: visit.case.observations!.filter(({ about }) => about !== test),
      };
      expect(judge(subject).decision.action).not.toBe('none-found');
    }
  });

  it('what could not be done is said to be missing, never taken as passed', () => {
    const missing = cannot('drop-charge-ground', 'no-access');
    const readings = [...soundReadings().filter(({ test }) => test !== 'drop-charge-ground'), missing];
    const said = judge(caseOf(readings, { observations: SOUND_LOOKS }));
    expect(said.decision.because).toContain(
      'Not tested, because it was not possible: drop, alternator case to battery −',
    );
  });

  it('a part already replaced elsewhere asks for everything: a new part may be bad, or was never the fault', () => {
    const subject = caseOf([...fourNotes(), read('ripple-waveform', 0.1, { humpsMissing: 0 })], {
      symptoms: ['radio-whine'],
    });
    expect(judge(subject).decision.action).toBe('none-found');
    const replaced = { ...subject, complaint: { ...subject.complaint, partsAlreadyReplaced: ['alternator'] } };
    expect(judge(replaced).decision.action).toBe('test-next');
  });
});

describe('a slip with the label', () => {
  const labelled = (value: number, standard: 'SAE' | 'DIN', confirmed?: true): Case['system'] => ({
    ...SOUND_SYSTEM,
    battery: { ...SOUND_SYSTEM.battery, capacityAh: 53, rating: { value, standard, ...(confirmed && { confirmed }) } },
  });
  const readings = [
    rest(12.65),
    read('conductance', 430),
    crank(10.4),
    read('starter-draw', 130),
    charging(14.2),
    ripple(0.04),
  ];

  it('460 A “DIN” on 53 Ah is more than such a battery has: no figure leans on it, and another look is asked for', () => {
    const said = judge(
      caseOf([...readings, read('load-test', 9.0, { amps: 400, seconds: 15, chargedBefore: true })], {
        system: labelled(460, 'DIN'),
        symptoms: ['slow-crank'],
      }),
    );
    expect(said.readings[1]).toMatchObject({ grade: 'noted', code: 'label-too-strong' });
    expect(said.decision.action).not.toBe('replace');
    expect(said.cautions.join(' ')).toContain('Look at the label again');
  });

  it('once somebody has looked, the label is believed', () => {
    const said = judge(caseOf(readings, { system: labelled(460, 'DIN', true) }));
    expect(said.readings[1]!.grade).not.toBe('noted');
  });

  it('a plausible label is not doubted', () => {
    expect(
      judge(caseOf(readings, { system: labelled(460, 'SAE') })).cautionCodes.map(({ code }) => code),
    ).not.toContain('label-too-strong');
  });
});

test('a jammed drive and a locked engine are told apart only by the belt and the plugs', () => {
  const locked = caseOf(
    [
      rest(12.65),
      read('conductance', 550),
      crank(6.2),
      read('starter-draw', 720),
      read('cranking-speed', 0),
      read('starter-control-voltage', 6),
      read('drop-starter-positive', 0.4, { amps: 720 }),
      read('drop-starter-ground', 0.2, { amps: 720 }),
    ],
    { symptoms: ['no-crank-single-click'], observations: [saw('crank-by-hand', 'locked')] },
  );
  const said = judge(locked);
  expect(['engine-drag', 'accessory-seized', 'starter-dragging']).toContain(said.faults[0]!.fault);
  expect(said.decision.action).toBe('test-next');
  expect(said.next.map(({ test }) => test)).toContain('belt-removed-crank');
});

test('a battery that fades from start to start is suspected, one that holds is not', () => {
  const starts = (last: number) => [
    rest(12.65),
    read('cranking-voltage', 10.4, { method: 'watched', attempt: 1 }),
    read('cranking-voltage', last, { method: 'watched', attempt: 3 }),
    read('starter-draw', 140),
  ];
  const worn = (readings: readonly Reading[]) =>
    judge(caseOf(readings, { symptoms: ['slow-crank'] })).faults.find((entry) => entry.fault === 'battery-worn')!;
  expect(worn(starts(9.7)).probability).toBeGreaterThan(worn(starts(10.35)).probability + 0.2);
  expect(worn(starts(9.7)).evidence.map(({ code }) => code)).toContain('fades');
});

test('a cranking voltage that passes its floor raises at most a suspicion', () => {
  const readings = [
    read('resting-voltage', 12.64, { surfaceChargeRemoved: true }),
    read('cranking-voltage', 10.9, { method: 'min-max' }),
    read('starter-draw', 112),
  ];
  const system = {
    ...SOUND_SYSTEM,
    battery: { ...SOUND_SYSTEM.battery, rating: { value: 550, standard: 'SAE' as const } },
  };
  const p = judge(caseOf(readings, { system })).faults.find((entry) => entry.fault === 'battery-worn')!.probability;
  expect(p).toBeLessThan(0.5);
});
