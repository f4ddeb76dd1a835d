/** What must hold whatever is read: properties over simulated and random cases. */
import fc from 'fast-check';
import {
  FAULTS,
  FAULT_NAMES,
  PATHS,
  SimulatedVisit,
  TESTING_SPREAD,
  TESTS,
  TUNING_SPREAD,
  isPathTest,
  judge,
  simulateCase,
} from '@tetrad/core';
import type { Case, FaultName, JudgedPart, Reading } from '@tetrad/core';
import {
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

const SEED = 20_261_128;
const seed = fc.integer({ min: 0, max: 100_000 });
const fault = fc.constantFrom<FaultName>(...FAULT_NAMES);
const drawn = fc
  .tuple(fault, seed, fc.constantFrom(TUNING_SPREAD, TESTING_SPREAD), fc.constantFrom(0, 0.1))
  .map(([name, at, spread, mistakes]) => simulateCase({ faults: [name], seed: at, spread, mistakes }));
/** Some of the readings of a drawn case. */
const partial = fc.tuple(drawn, fc.integer({ min: 0, max: 2 ** 30 })).map(([subject, mask]): Case => ({
  ...subject,
  readings: subject.readings.filter((_, i) => ((mask >> (i % 30)) & 1) === 1),
}));

const newestOf = (subject: Case, test: string): Reading | undefined =>
  subject.readings.findLast((reading) => reading.test === test);

test('a valid reading straight across a fault, outside its limit, is never followed by “nothing found” or “keep”', () => {
  fc.assert(
    fc.property(fc.oneof(drawn, partial), (subject) => {
      const said = judge(subject);
      subject.readings.forEach((reading, i) => {
        const { direct } = TESTS[reading.test];
        if (said.readings[i]!.grade !== 'outside' || !direct || newestOf(subject, reading.test) !== reading) return;
        expect(said.decision.action).not.toBe('none-found');
        const parts = [...new Set(direct.map((name) => FAULTS[name].part(subject.system)))];
        const [part] = parts;
        if (parts.length === 1 && part && Object.hasOwn(said.parts, part))
          expect(said.parts[part as JudgedPart].verdict).not.toBe('keep');
      });
    }),
    { numRuns: 1500, seed: SEED },
  );
});

test('beside a reading that lies outside its limit, nothing is found only where it is named', () => {
  fc.assert(
    fc.property(fc.oneof(drawn, partial), (subject) => {
      const said = judge(subject);
      if (said.decision.action !== 'none-found') return;
      const outside = subject.readings.filter(
        (reading, i) => said.readings[i]!.grade === 'outside' && newestOf(subject, reading.test) === reading,
      );
      if (outside.length === 0) return;
      expect(outside.filter(({ test }) => TESTS[test].direct)).toEqual([]);
      expect(said.decision.because).not.toContain('lies within its limits');
    }),
    { numRuns: 1500, seed: SEED },
  );
  // a starter that turns the engine too slowly is no sound vehicle, though it draws no more than it should
  const slow = caseOf([...soundReadings(), read('cranking-speed', 110)], {
    system: SOUND_SYSTEM,
    observations: SOUND_LOOKS,
  });
  expect(judge(slow).decision.action).not.toBe('none-found');
});

test('where no fault leads, the decision and the step that is asked for say the same', () => {
  let told = 0;
  fc.assert(
    fc.property(partial, (subject) => {
      const { decision, next } = judge(subject);
      const [first] = next;
      if (decision.action !== 'test-next' || decision.fault !== null || !first) return;
      told += 1;
      if (decision.code === 'outside-unexplained')
        expect(first.test).toBe((decision.with as { reading: Reading }).reading.test);
      else expect(decision.because).toBe(first.because);
    }),
    { numRuns: 1500, seed: SEED },
  );
  expect(told).toBeGreaterThan(100);
});

test('the order of readings does not matter', () => {
  fc.assert(
    fc.property(partial, fc.integer({ min: 1, max: 997 }), (subject, stride) => {
      // attempts and charges do matter: a test that was read twice keeps its order
      const once = subject.readings.filter(
        ({ test, conditions }, i) =>
          subject.readings.findIndex(
            (other) => other.test === test && other.conditions?.loads === conditions?.loads,
          ) === i,
      );
      const shuffled = once
        .map((reading, i) => ({ reading, key: (i * 7919 + stride * 104729) % 997 }))
        .sort((a, b) => a.key - b.key)
        .map(({ reading }) => reading);
      const [one, other] = [judge({ ...subject, readings: once }), judge({ ...subject, readings: shuffled })];
      expect(other.decision.action).toBe(one.decision.action);
      expect(other.decision.fault).toBe(one.decision.fault);
      for (const { fault: name, probability } of one.faults)
        expect(other.faults.find((entry) => entry.fault === name)!.probability).toBeCloseTo(probability, 1);
    }),
    { numRuns: 300, seed: SEED },
  );
});

test('the same evidence once more, in the same direction, never lowers a fault', () => {
  const bad = fc.constantFrom(
    ['drop-starter-ground', 1.4, 'cable-starter-ground'] as const,
    ['drop-positive-post', 0.8, 'connection-positive-post'] as const,
    ['ripple-ac', 0.9, 'alternator-diode'] as const,
    ['parasitic-draw', 0.6, 'parasitic-drain'] as const,
  );
  fc.assert(
    fc.property(bad, fc.double({ min: 1, max: 1.6, noNaN: true }), ([test, value, name], factor) => {
      const conditions = isPathTest(test) ? { amps: 140 } : test === 'parasitic-draw' ? { minutesAsleep: 40 } : {};
      const base = [...fourNotes().slice(0, 3), read(test, value, conditions)];
      const p = (readings: readonly Reading[]) =>
        judge(caseOf(readings)).faults.find((entry) => entry.fault === name)!.probability;
      expect(p([...base, read(test, value * factor, conditions)])).toBeGreaterThanOrEqual(p(base) - 1e-3);
    }),
    { numRuns: 80, seed: SEED },
  );
});

test('a worse drop never makes its path less suspected', () => {
  const path = fc.constantFrom(
    'drop-positive-post',
    'drop-starter-ground',
    'drop-charge-positive',
    'drop-body-ground' as const,
  );
  fc.assert(
    fc.property(
      path,
      fc.double({ min: 0.02, max: 2, noNaN: true }),
      fc.double({ min: 1, max: 3, noNaN: true }),
      (test, volts, factor) => {
        const amps = PATHS[test as 'drop-body-ground'].loadedBy === ('charging' as string) ? 88 : 138;
        const { fault: name } = { fault: TESTS[test as 'drop-body-ground'].direct![0]! };
        const p = (value: number) =>
          judge(caseOf([...fourNotes(), read(test as 'drop-body-ground', value, { amps })])).faults.find(
            (entry) => entry.fault === name,
          )!.probability;
        expect(p(volts * factor)).toBeGreaterThanOrEqual(p(volts) - 1e-3);
      },
    ),
    { numRuns: 150, seed: SEED },
  );
});

test('no probability is none, and nothing in an answer is no figure', () => {
  fc.assert(
    fc.property(partial, (subject) => {
      const said = judge(subject);
      for (const { probability } of said.faults) {
        expect(Number.isFinite(probability)).toBe(true);
        expect(probability).toBeGreaterThanOrEqual(0);
        expect(probability).toBeLessThanOrEqual(1);
      }
      const bare = JSON.stringify(said, (_key, value: unknown) =>
        typeof value === 'number' && !Number.isFinite(value) ? 'no figure' : value,
      );
      expect(bare).not.toContain('no figure');
    }),
    { numRuns: 200, seed: SEED },
  );
});

test('following next never asks for what was answered, and asks three times at most', () => {
  fc.assert(
    fc.property(fault, seed, (name, at) => {
      const visit = new SimulatedVisit({ faults: [name], seed: at });
      visit.do('resting-voltage');
      const asked = new Map<string, number>();
      for (let i = 0; i < 45; i++) {
        const said = judge(visit.case);
        const [step] = said.next;
        if (!step || (said.decision.action === 'charge-first' && asked.has('charge'))) return;
        const key = `${step.test} ${String(step.conditions['loads'] ?? '')}`;
        const answered = visit.case.readings.filter(
          ({ test, conditions, value }, k) =>
            test === step.test &&
            conditions?.loads === step.conditions['loads'] &&
            value !== null &&
            said.readings[k]!.grade !== 'void',
        );
        // only what lies outside unexplained is read again, with the reason that says so
        if (answered.length > 0) expect(step.code).toBe('read-again');
        asked.set(key, (asked.get(key) ?? 0) + 1);
        expect(asked.get(key)).toBeLessThanOrEqual(3);
        visit.do(step.test, step.conditions);
      }
      throw new Error('no decision after 45 steps');
    }),
    { numRuns: 120, seed: SEED },
  );
});

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
    const cannot = { ...read('drop-charge-ground', null), notPossible: 'no-access' as const };
    const readings = [...soundReadings().filter(({ test }) => test !== 'drop-charge-ground'), cannot];
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
