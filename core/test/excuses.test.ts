/** Proof before condemning: each excuse has a mechanism, stands in the way until it is tested, and goes when it is. */
import {
  EXCUSES,
  FAULTS,
  FAULT_NAMES,
  SimulatedVisit,
  isObservationName,
  isTestName,
  judge,
  simulateCase,
  survey,
} from '@tetrad/core';
import type { Case, FaultName, Observation, Reading } from '@tetrad/core';
import { weighPass } from '../src/judge/weigh-pass';
import { LABEL_CONFIRMED, caseOf, charging, crank, drop, read, rest, ripple, saw } from './cases';

const CALLED = FAULT_NAMES.filter((fault) => FAULTS[fault].excuses.length > 0);

describe('the table of excuses', () => {
  it('gives every fault that may be called at least one, and none to what is no fault of a part', () => {
    expect(FAULT_NAMES.filter((fault) => !CALLED.includes(fault))).toEqual(['battery-discharged', 'none']);
  });

  it('tells for every excuse of every fault by which mechanism it gives the same readings', () => {
    for (const fault of CALLED)
      for (const { excuse, how } of FAULTS[fault].excuses) {
        expect(how).toMatch(/^[A-Z].{20,}\.$/);
        expect(EXCUSES[excuse].steps.length).toBeGreaterThan(0);
      }
  });

  it('a battery that overcharges is not excused by being flat: flat pulls volts down, never up', () => {
    expect(FAULTS['regulator-high'].excuses.map(({ excuse }) => excuse)).not.toContain('battery-flat');
  });
});

/** A whole visit of a vehicle with one plain fault, and the same without the steps of one excuse. */
const visitOf = (fault: FaultName): Case => {
  for (let seed = 4_000; ; seed++) {
    const subject = simulateCase({ faults: [fault], severity: 0.5, seed });
    const { decision } = judge(subject);
    if (decision.fault === fault && decision.action !== 'test-next') return subject;
    if (seed > 4_100) throw new Error(`no visit of a hundred calls ${fault}`);
  }
};
const without = (subject: Case, steps: readonly string[]): Case => ({
  ...subject,
  readings: subject.readings.filter(({ test }) => !steps.includes(test)),
  observations: (subject.observations ?? []).filter(({ about }) => !steps.includes(about)),
});

/** Excuses that a missing step leaves open by itself: the others are excluded by several ways at once. */
const ALONE: readonly (readonly [FaultName, keyof typeof EXCUSES])[] = [
  ['starter-worn', 'battery-not-proven'],
  ['starter-worn', 'draw-not-known'],
  ['starter-worn', 'positive-side'],
  ['starter-worn', 'ground-side'],
  ['starter-worn', 'not-told-to-crank'],
  ['starter-dragging', 'accessory-holds-it'],
  ['starter-control', 'control-not-measured'],
  ['starter-drive', 'draw-not-known'],
  ['engine-drag', 'not-turned-by-hand'],
  ['accessory-seized', 'belt-not-off'],
  ['alternator-dead', 'belt-slips'],
  ['alternator-dead', 'not-told-to-charge'],
  ['alternator-dead', 'strap-broken'],
  ['alternator-weak', 'belt-slips'],
  ['alternator-weak', 'alternator-ground'],
  ['regulator-high', 'sense-wire'],
  ['regulator-high', 'alternator-ground'],
  ['belt-slip', 'belt-not-seen'],
  ['charge-control', 'excitation-not-measured'],
  ['parasitic-drain', 'drain-not-measured'],
  ['connection-positive-post', 'positive-post-not-measured'],
  ['connection-negative-post', 'negative-post-not-measured'],
  ['cable-starter-positive', 'positive-cable-not-measured'],
  ['charge-cable-ground', 'alternator-ground-not-measured'],
  ['ground-body', 'body-ground-not-measured'],
  ['solenoid-contacts', 'contacts-not-measured'],
];

describe('an excuse that nobody tested', () => {
  it.each(ALONE)('%s is not called while “%s” is open, and is with it', (fault, excuse) => {
    const subject = visitOf(fault);
    expect(judge(subject).decision).toMatchObject({ fault });
    const { decision } = judge(without(subject, EXCUSES[excuse].steps));
    const isCalled = decision.fault === fault && (decision.action === 'replace' || decision.action === 'repair');
    expect(isCalled).toBe(false);
  });

  it('is told by its step, which is a test, an observation, a charge or a look at the label', () => {
    for (const { steps } of Object.values(EXCUSES))
      for (const step of steps)
        expect(isTestName(step) || isObservationName(step) || step === 'charge' || step === 'label').toBe(true);
  });
});

describe('proof that needs no charge', () => {
  const flat = [rest(12.1), charging(14.2), ripple(0.04)];
  const battery = (readings: Parameters<typeof caseOf>[0]) => judge(caseOf(readings, { symptoms: ['slow-crank'] }));

  it('volts lost while it stood disconnected', () => {
    const said = battery([...flat.slice(1), rest(10.5), read('hold-charge', 10.4, { hours: 11, startVolts: 12.6 })]);
    expect(said.decision).toMatchObject({ action: 'replace', part: 'battery', fault: 'battery-dead-cell' });
  });

  it('a spread of gravity', () => {
    const cells = read('specific-gravity', [1.2, 1.21, 1.09, 1.2, 1.205, 1.2], { electrolyteCelsius: 27 });
    expect(battery([...flat, cells]).decision).toMatchObject({ action: 'replace', fault: 'battery-dead-cell' });
  });

  it('a ruined health figure by two ways', () => {
    const ruined = [...flat, read('conductance', 150), read('internal-resistance', 0.024)];
    // the label both lean on is looked at, and no charge is owed
    const said = battery(ruined);
    expect([said.decision.action, said.next[0]?.test]).toEqual(['test-next', 'label']);
    const confirmed = judge(caseOf(ruined, { symptoms: ['slow-crank'], system: LABEL_CONFIRMED }));
    expect(confirmed.decision).toMatchObject({ action: 'replace', part: 'battery' });
  });

  it('but a failed load test on a flat battery is no proof, and leaves no “keep” behind', () => {
    const said = battery([rest(12.44), read('load-test', 8.6, { amps: 280, seconds: 15 }), charging(14.2)]);
    expect(said.readings[1]!.grade).toBe('void');
    expect(said.parts.battery.verdict).not.toBe('keep');
    expect(said.decision.action).toBe('charge-first');
  });
});

describe('overcharging', () => {
  const readings = [
    rest(12.7),
    charging(15.7),
    charging(15.6, 'on'),
    read('excitation-voltage', 12.5),
    drop('drop-charge-ground', 0.03, 88),
    ripple(0.04),
  ];
  it('is called with the paths good, whatever the charge', () => {
    expect(judge(caseOf(readings, { symptoms: ['bright-lamps'] })).decision).toMatchObject({
      action: 'replace',
      part: 'alternator',
      fault: 'regulator-high',
    });
  });
  it('is excused by the alternator’s ground: the regulator sees too little and drives harder', () => {
    const bad = readings.map((reading) =>
      reading.test === 'drop-charge-ground' ? { ...reading, value: 1.4 } : reading,
    );
    const { decision, next } = judge(caseOf(bad, { symptoms: ['bright-lamps'] }));
    expect(decision.action).toBe('test-next');
    // the current that the drop is read by comes first
    expect(next.map(({ test: name }) => name)).toEqual(expect.arrayContaining(['starter-draw']));
    const read_ = judge(caseOf([...bad, read('starter-draw', 140)], { symptoms: ['bright-lamps'] })).next;
    // a crank tells whether the part of this ground that the starter shares is the bad one
    expect(['drop-starter-ground', 'drop-engine-ground', 'drop-negative-post']).toContain(read_[0]!.test);
  });
});

test('a starter is not condemned without one valid reading of its current', () => {
  const readings = [
    rest(12.65),
    read('conductance', 560),
    crank(10.9),
    read('starter-draw', 199, { clampCeilingAmps: 200 }),
    read('cranking-speed', 90),
    drop('drop-starter-positive', 0.2),
    drop('drop-starter-ground', 0.07),
    read('starter-control-voltage', 10.6),
  ];
  const said = judge(
    caseOf(readings, {
      symptoms: ['slow-crank'],
      observations: [saw('crank-by-hand', 'turns'), saw('belt-removed-crank', 'unchanged')],
    }),
  );
  expect(said.decision.action).toBe('test-next');
  expect(said.next.map(({ test }) => test)).toContain('starter-draw');
});

test.each(['starter-worn', 'alternator-dead', 'battery-worn'] as const)(
  'following the judge ends in %s, and only once its excuses are tested',
  (fault) => {
    const visit = new SimulatedVisit({ faults: [fault], severity: 0.6, seed: 71 });
    visit.do('resting-voltage');
    const judged = Array.from({ length: 40 }, () => {
      const said = judge(visit.case);
      const [step] = said.next;
      if (step) visit.do(step.test, step.conditions);
      return said;
    });
    const { decision } = judged.at(-1)!;
    expect([decision.action, decision.fault]).toEqual(['replace', fault]);
    const done = new Set<string>([
      ...visit.case.readings.map(({ test }) => test),
      ...(visit.case.observations ?? []).map(({ about }) => about),
    ]);
    for (const { excuse } of FAULTS[fault].excuses)
      expect([
        excuse,
        EXCUSES[excuse].steps.some((step) => done.has(step)) ||
          EXCUSES[excuse].steps[0] === 'charge' ||
          // few amps say it too: what is held asks for many
          (excuse === 'something-holds-it' && done.has('starter-draw')) ||
          excuse === 'label-not-confirmed' ||
          excuse === 'output-path-open',
      ]).toEqual([excuse, true]);
  },
);

describe('a bad diode', () => {
  const symptoms = ['radio-whine'];
  const rippling = [rest(12.52), charging(13.6), read('ripple-ac', 0.55, { rpm: 2000, loads: 'on', at: 'battery' })];
  const saidOf = (...more: Reading[]) =>
    judge(caseOf([...rippling, ...more], { symptoms, observations: [saw('belt', 'good')] }));

  it('is not proven by volts of ripple alone, however they are read: humps are counted, or the diodes checked', () => {
    const { decision, next } = saidOf(read('ripple-waveform', 1.3, { at: 'battery' }));
    expect(decision.action).toBe('test-next');
    expect(next.map(({ test }) => test)).toContain('diode-reverse');
  });

  it('is proven by a missing hump beside them', () => {
    const { decision } = saidOf(read('ripple-waveform', 1.3, { at: 'battery', humpsMissing: 1 }));
    expect(decision).toMatchObject({ action: 'replace', part: 'alternator', fault: 'alternator-diode' });
  });
});

test('what would clear it is not told of what was looked at already', () => {
  const tight = judge(
    caseOf([rest(12.6), crank(9.3), read('starter-draw', 410), read('conductance', 545)], {
      symptoms: ['slow-crank'],
      observations: [saw('crank-by-hand', 'tight')],
    }),
  );
  expect(tight.faults[0]!.wouldChange ?? []).not.toContainEqual(expect.objectContaining({ test: 'crank-by-hand' }));
});

/** A fault that is suspected, one of its excuses, and what was read or seen of both results of each second test. */
interface Second {
  readonly fault: FaultName;
  readonly excuse: keyof typeof EXCUSES;
  readonly base: readonly Reading[];
  readonly looks?: readonly Observation[];
  /** Name of the test, the result that speaks against the excuse, and the one that speaks for it. */
  readonly tests: readonly (readonly [string, against: Reading | Observation, forIt: Reading | Observation])[];
}

const humps = (humpsMissing: number): Reading => read('ripple-waveform', 0.12, { humpsMissing });
const health = (test: 'load-test' | 'internal-resistance', value: number): Reading =>
  read(test, value, test === 'load-test' ? { amps: 280, seconds: 15, chargedBefore: true } : {});
const output = (amps: number): Reading =>
  read('alternator-current', amps, { rpm: 2000, loads: 'on', systemVolts: 12.6 });
const silent = [rest(12.6), charging(12.4), charging(12.3, 'on')];
const dragging = [
  rest(12.65),
  crank(9.4),
  read('starter-draw', 390),
  drop('drop-starter-positive', 0.3, 390),
  drop('drop-starter-ground', 0.1, 390),
];

const SECONDS: readonly Second[] = [
  {
    ...{ fault: 'alternator-diode', excuse: 'ripple-one-way', base: [rest(12.6), charging(14.1), ripple(0.7)] },
    tests: [
      ['a waveform', humps(1), humps(0)],
      ['the static check', read('diode-reverse', 0.4), read('diode-reverse', 'OL')],
      ['the output', output(50), output(108)],
    ],
  },
  {
    ...{ fault: 'battery-worn', excuse: 'one-test-may-err', base: [rest(12.65), read('conductance', 250)] },
    tests: [
      ['a load test', health('load-test', 8.2), health('load-test', 10.7)],
      ['a resistance', health('internal-resistance', 0.018), health('internal-resistance', 0.006)],
    ],
  },
  {
    ...{ fault: 'alternator-dead', excuse: 'not-told-to-charge', base: silent },
    tests: [
      [
        'a supply terminal',
        read('excitation-voltage', 12.4, { terminal: 'supply' }),
        read('excitation-voltage', 0.3, { terminal: 'supply' }),
      ],
      [
        'a lamp terminal',
        read('excitation-voltage', 1.8, { terminal: 'lamp' }),
        read('excitation-voltage', 0.1, { terminal: 'lamp' }),
      ],
    ],
  },
  {
    ...{ fault: 'alternator-dead', excuse: 'output-path-open', base: silent },
    tests: [['the stud', read('alternator-stud-voltage', 12.58), read('alternator-stud-voltage', 0.1)]],
  },
  {
    ...{ fault: 'alternator-dead', excuse: 'belt-slips', base: silent },
    tests: [['the belt', saw('belt', 'good'), saw('belt', 'glazed')]],
  },
  {
    ...{ fault: 'alternator-dead', excuse: 'strap-broken', base: silent },
    tests: [['the strap', saw('ground-strap', 'sound'), saw('ground-strap', 'damaged')]],
  },
  {
    ...{ fault: 'starter-dragging', excuse: 'slightly-tight-engine', base: dragging },
    looks: [saw('belt-removed-crank', 'unchanged')],
    tests: [
      ['the plugs out', saw('plugs-removed-crank', 'unchanged'), saw('plugs-removed-crank', 'freed')],
      ['a run on the bench', saw('starter-bench-run', 'weak'), saw('starter-bench-run', 'strong')],
    ],
  },
  {
    ...{ fault: 'starter-dragging', excuse: 'accessory-holds-it', base: dragging },
    tests: [['the belt off', saw('belt-removed-crank', 'unchanged'), saw('belt-removed-crank', 'freed')]],
  },
  {
    ...{ fault: 'starter-worn', excuse: 'ground-side', base: [rest(12.65), crank(11), read('starter-draw', 90)] },
    tests: [['the ground', drop('drop-starter-ground', 0.05, 90), drop('drop-starter-ground', 1.6, 90)]],
  },
];

describe('a second test', () => {
  const drawn = SECONDS.flatMap(({ tests, ...second }) =>
    tests.map(([name, against, forIt]) => ({ ...second, name, against, forIt })),
  );
  const isOpen = (
    { fault, excuse, base, looks = [] }: Omit<Second, 'tests'>,
    more?: Reading | Observation,
  ): boolean => {
    const isReading = more !== undefined && 'test' in more;
    const subject = caseOf(more && isReading ? [...base, more] : base, {
      observations: more && !isReading ? [...looks, more] : looks,
    });
    return weighPass(survey(subject).gradedCase).provenCase.proofOf(fault).excuses.includes(excuse);
  };

  it.each(drawn.map((second) => [second.name, second.excuse, second] as const))(
    '%s excludes “%s” by a result that speaks against it, never by being done',
    (_name, _excuse, second) => {
      expect(isOpen(second)).toBe(true);
      expect([isOpen(second, second.against), isOpen(second, second.forIt)]).toEqual([false, true]);
    },
  );
});
