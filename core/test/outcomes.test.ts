/** What became of jobs: comebacks, when the judge counts as right, what was saved, calibration, cases to give away. */
import fc from 'fast-check';
import { checkCase, judge, simulateCase } from '@tetrad/core';
import type { Case } from '@tetrad/core';
import { BALANCED_COSTS } from '../src/criteria/costs';
import { FAULT_WORDS } from '../src/format/trade-words';
import {
  MIN_CALIBRATED,
  OutcomeSums,
  anonymousCase,
  calibrate,
  comebackOf,
  complaintAfter,
  shareBand,
  wasRight,
} from '../src/outcomes';
import type { SignedJob } from '../src/outcomes';
import { SOUND_SYSTEM } from './cases';

const DAY_MS = 86_400_000;
const on = (day: number): string => new Date(Date.parse('2026-03-01T08:00:00Z') + day * DAY_MS).toISOString();
const visit = (openedDay: number, signedDay: number | null, symptoms: SignedJob['symptoms'] = ['slow-crank']) => ({
  ...{ symptoms, openedAt: on(openedDay) },
  signedAt: signedDay === null ? null : on(signedDay),
});
const signedJob = (more: Partial<SignedJob> = {}): SignedJob => ({
  job: 'a',
  system: SOUND_SYSTEM,
  symptoms: ['slow-crank'],
  signed: { action: 'replace', part: 'battery', partsFitted: ['battery'], solved: null },
  judged: { action: 'replace', part: 'battery', fault: 'battery-worn' },
  probability: 0.93,
  kept: [],
  recorded: null,
  backAt: null,
  criteria: 'balanced',
  ...more,
});
const DIFFERED = { signed: { action: 'replace', part: 'starter', partsFitted: [], solved: null } } as const;

describe('a comeback', () => {
  it.each([
    ['89 days after the sign-off', visit(0, 1), visit(90, null), 89],
    ['on the 90th day', visit(0, 0), visit(90, null), 90],
    ['a day later than that', visit(0, 0), visit(91, null), null],
    ['with another complaint', visit(0, 0, ['radio-whine']), visit(5, null), null],
    ['of a job that was never signed off', visit(0, null), visit(5, null), null],
    ['where no complaint was told', visit(0, 0, []), visit(5, null, []), null],
    ['where both only crank normally', visit(0, 0, ['cranks-normally']), visit(5, null, ['cranks-normally']), null],
    ['of a job that was signed off after this one was opened', visit(0, 9), visit(5, null), null],
  ] as const)('%s', (_when, earlier, later, days) => {
    expect(comebackOf(later, [earlier, later])?.days ?? null).toBe(days);
  });

  it('is of the newest of several, with the complaints that both have', () => {
    const older = visit(0, 1, ['slow-crank']);
    const newer = visit(20, 21, ['slow-crank', 'goes-flat']);
    const later = visit(40, null, ['goes-flat', 'slow-crank', 'dim-at-idle']);
    expect(comebackOf(later, [older, newer, later])).toEqual({
      ...{ earlier: newer, days: 19, symptoms: ['goes-flat', 'slow-crank'] },
    });
  });
});

describe('whether the complaint is gone', () => {
  const gone = { complaint: 'gone', cause: null, at: on(10) } as const;
  it.each([
    ['nobody looked', {}, null],
    ['tried at the sign-off', { signed: { ...signedJob().signed, solved: true } }, 'gone'],
    ['tried, and came back', { signed: { ...signedJob().signed, solved: true }, backAt: on(5) }, 'back'],
    ['recorded', { recorded: gone }, 'gone'],
    ['recorded after it came back', { recorded: gone, backAt: on(5) }, 'gone'],
    ['came back after it was recorded', { recorded: gone, backAt: on(12) }, 'back'],
  ] as const)('%s', (_what, more, state) => {
    expect(complaintAfter(signedJob(more))).toBe(state);
  });
});

describe('whether the judge was right', () => {
  const recorded = (complaint: 'gone' | 'back', cause: NonNullable<SignedJob['recorded']>['cause'] = null) => ({
    recorded: { complaint, cause, at: on(10) },
  });
  it.each([
    ['followed, gone', recorded('gone'), true],
    ['followed, still there', recorded('back'), false],
    ['differed, gone', { ...DIFFERED, ...recorded('gone') }, false],
    ['differed, still there: nothing is known of the judge', { ...DIFFERED, ...recorded('back') }, null],
    ['differed, and the cause was what the judge said', { ...DIFFERED, ...recorded('gone', 'battery') }, true],
    ['followed, gone, and yet it was another part', recorded('gone', 'connections'), false],
    ['it had not decided', { judged: { action: 'test-next', part: null, fault: null }, ...recorded('gone') }, null],
    [
      'nothing was found, and nothing was wrong',
      { judged: { action: 'none-found', part: null, fault: null }, ...recorded('gone', 'nothing') },
      true,
    ],
    [
      'nothing was found, and it was the starter',
      { judged: { action: 'none-found', part: null, fault: null }, ...recorded('back', 'starter') },
      false,
    ],
    ['nobody recorded anything', {}, null],
  ] as const)('%s', (_what, more, right) => {
    expect(wasRight(signedJob(more))).toBe(right);
  });
});

describe('the sums of a period', () => {
  const sumsOf = (jobs: readonly SignedJob[]) => {
    const sums = new OutcomeSums();
    const wrong = jobs.filter((job) => sums.add(job, BALANCED_COSTS) === false).map(({ job }) => job);
    return { ...sums.sums(), wrong };
  };

  it('count each job once, by verdict and by whether it was followed', () => {
    const back = { recorded: { complaint: 'back', cause: null, at: on(9) } } as const;
    const { all, verdicts, wrong } = sumsOf([
      signedJob({ job: 'a' }),
      signedJob({ job: 'b', ...back }),
      signedJob({ job: 'c', ...DIFFERED, ...back }),
      signedJob({ job: 'd', judged: null }),
    ]);
    expect(all).toEqual({ jobs: 4, gone: 0, back: 2, unknown: 2 });
    expect(verdicts[0]).toEqual({
      judged: { action: 'replace', part: 'battery' },
      followed: { jobs: 2, gone: 0, back: 1, unknown: 1 },
      differed: { jobs: 1, gone: 0, back: 1, unknown: 0 },
    });
    expect(verdicts[1]!.judged).toBeNull();
    expect(wrong).toEqual(['b']);
  });

  it('a part is saved where the complaint pointed at it, a test found it good, and it was not fitted', () => {
    const kept = [{ part: 'starter', tests: ['starter-draw', 'starter-draw'] }] as const;
    const saved = (more: Partial<SignedJob>) => sumsOf([signedJob({ kept, ...more })]).saved;
    expect(saved({})).toEqual([
      { part: 'starter', jobs: 1, minutes: BALANCED_COSTS.wrongPart.starter, tests: ['starter-draw'] },
    ]);
    expect(saved({ symptoms: ['radio-whine'] })).toEqual([]); // nobody would have fitted a starter for it
    expect(saved({ signed: { ...signedJob().signed, partsFitted: ['Starter motor'] } })).toEqual([]);
    expect(saved({ kept: [{ part: 'starter', tests: [] }] })).toEqual([]); // nothing was read
  });
});

describe('calibration', () => {
  it('says nothing of fewer than 30', () => {
    const said = (count: number) => Array.from({ length: count }, () => ({ probability: 0.9, isTrue: true }));
    expect(calibrate(said(MIN_CALIBRATED - 1))).toBeNull();
    expect(calibrate(said(MIN_CALIBRATED))).toHaveLength(1);
  });

  it('puts every job into one group, and its band holds the share', () => {
    const said = fc.record({ probability: fc.double({ min: 0, max: 1, noNaN: true }), isTrue: fc.boolean() });
    fc.assert(
      fc.property(fc.array(said, { minLength: MIN_CALIBRATED, maxLength: 200 }), (all) => {
        const groups = calibrate(all)!;
        expect(groups.reduce((sum, { jobs }) => sum + jobs, 0)).toBe(all.length);
        for (const { true: share, low, high } of groups) {
          expect(low).toBeGreaterThanOrEqual(0);
          expect(low).toBeLessThanOrEqual(share + 1e-12);
          expect(high).toBeGreaterThanOrEqual(share - 1e-12);
          expect(high).toBeLessThanOrEqual(1);
        }
      }),
    );
  });

  it('the band is as wide as the textbook has it: 8 of 10, 90 %', () => {
    // by hand from Wilson's formula with z = 1.645
    expect(shareBand(8, 10).low).toBeCloseTo(0.541, 3);
    expect(shareBand(8, 10).high).toBeCloseTo(0.931, 3);
  });
});

describe('a case to give away', () => {
  const PERSONAL = 'Jane Roe 7KLM-204';
  const spoiled = (subject: Case): Case =>
    ({
      ...subject,
      title: PERSONAL,
      shop: PERSONAL,
      system: { ...subject.system, vin: PERSONAL, battery: { ...subject.system.battery, serial: PERSONAL } },
      complaint: { ...subject.complaint, note: PERSONAL, partsAlreadyReplaced: [`starter by ${PERSONAL}`] },
      observations: subject.observations?.map((one) => ({ ...one, note: PERSONAL })),
      readings: subject.readings.map((reading, at) => ({
        ...reading,
        ...{ id: `${PERSONAL} ${at}`, by: PERSONAL, instrument: PERSONAL, capture: { id: PERSONAL, fromS: 0, toS: 1 } },
        ...(at === 2 && { void: PERSONAL }),
        ...(reading.test === 'parasitic-draw' && { conditions: { ...reading.conditions, fuse: PERSONAL } }),
      })),
    }) as Case;

  it('holds no word that anybody wrote, still is a case, and is judged alike', () => {
    fc.assert(
      fc.property(fc.constantFrom(...FAULT_WORDS), fc.nat(10_000), (fault, seed) => {
        const subject = spoiled(simulateCase({ faults: [fault], seed }));
        const away = anonymousCase(subject);
        expect(JSON.stringify(away)).not.toContain('Roe');
        expect(JSON.stringify(away)).not.toContain('KLM');
        expect(checkCase(away).ok).toBe(true);
        const [before, after] = [judge(subject), judge(away)];
        expect(after.decision.action).toBe(before.decision.action);
        expect(after.decision.fault).toBe(before.decision.fault);
        expect(after.faults.map(({ probability }) => probability)).toEqual(
          before.faults.map(({ probability }) => probability),
        );
      }),
      { numRuns: 60 },
    );
  });

  it('moves all times by the same whole days', () => {
    const at = ['2026-03-02T09:14:00Z', '2026-03-02T10:44:30Z'];
    const subject: Case = {
      format: 'tetrad-case/1',
      system: { ...SOUND_SYSTEM, battery: { ...SOUND_SYSTEM.battery, installed: '2024-03-02' } },
      readings: at.map((when, i) => ({ id: `${i}`, test: 'resting-voltage', value: 12.5, at: when })),
    };
    const { readings, system } = anonymousCase(subject);
    expect(readings.map((reading) => reading.at)).toEqual(['2000-01-01T09:14:00.000Z', '2000-01-01T10:44:30.000Z']);
    expect(system.battery.installed).toBe('1998-01-01');
  });
});
