/** Criteria sets as documents: those that ship fit their own shape and checks; what cannot be is named by its field. */
import fc from 'fast-check';
import {
  BALANCED,
  CRITERIA_FORMAT,
  SCHOOLS,
  checkCriteria,
  criteriaMisfits,
  judge,
  reportDocument,
  ruleFields,
  simulateCase,
} from '@tetrad/core';
import type { CriteriaDocument, CriteriaSet, Limit } from '@tetrad/core';
import { caseOf, read, soundReadings } from './cases';

const documentOf = (set: CriteriaSet): CriteriaDocument => ({ format: CRITERIA_FORMAT, ...set });
const withLimits = (limits: readonly Limit[]): CriteriaSet => ({ ...BALANCED, limits });
const limitOf = (test: Limit['test'], rule: Limit['rule'], more: Partial<Limit> = {}): Limit => ({
  test,
  rule,
  source: 'The shop',
  note: { text: 'As we do it.' },
  ...more,
});

it.each(SCHOOLS.map((set) => [set.name, set] as const))('%s fits its own shape and checks', (_name, set) => {
  expect(criteriaMisfits(documentOf(set))).toEqual([]);
  expect(checkCriteria(set)).toEqual([]);
});

it('a set that went through a file judges as before', () => {
  for (let seed = 1; seed <= 10; seed++) {
    const subject = simulateCase({ faults: ['battery-worn'], seed });
    for (const set of SCHOOLS)
      expect(judge(subject, JSON.parse(JSON.stringify(documentOf(set))) as CriteriaSet)).toEqual(judge(subject, set));
  }
});

it('every figure of every limit has its domain: beyond it the field is named', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: BALANCED.limits.length - 1 }), fc.boolean(), (at, isAbove) => {
      const limit = BALANCED.limits[at]!;
      for (const [name, { min, max }] of Object.entries(ruleFields(limit.rule.kind))) {
        if (name === 'points') continue;
        const rule = { ...limit.rule, [name]: isAbove ? max + 1 : min - 1 } as Limit['rule'];
        const changed = withLimits(BALANCED.limits.map((one, place) => (place === at ? { ...one, rule } : one)));
        expect(criteriaMisfits(documentOf(changed)).map(({ path }) => path)).toEqual([`$.limits[${at}].rule.${name}`]);
      }
    }),
  );
});

it.each<[string, string, readonly Limit[]]>([
  ['ends the wrong way round', 'limits[0].rule.max', [limitOf('charging-voltage', { kind: 'band', min: 15, max: 13 })]],
  ['a drop limit of what is no path', 'limits[0].test', [limitOf('ripple-ac', { kind: 'drop', max: 0.1 })]],
  [
    'a share of its rating of what has none',
    'limits[0].test',
    [limitOf('starter-draw', { kind: 'rated-share', minShare: 0.7 })],
  ],
  ['no end at all', 'limits[0].rule', [limitOf('ripple-ac', { kind: 'band' })]],
  [
    'a zone wider than its limit',
    'limits[0].borderline',
    [limitOf('drop-solenoid', { kind: 'drop', max: 0.2 }, { borderline: 0.3 })],
  ],
  [
    'a floor that is higher in the cold',
    'limits[0].rule.points[1]',
    [
      limitOf('load-test', {
        kind: 'temperature-floor',
        points: [
          [-18, 9.8],
          [21, 9.6],
        ],
      }),
    ],
  ],
  [
    'two limits for the same readings',
    'limits[1]',
    [
      limitOf('ripple-ac', { kind: 'band', max: 0.5 }),
      limitOf('ripple-ac', { kind: 'band', max: 0.2 }, { when: { loads: 'on' } }),
    ],
  ],
  [
    'a whole path that may lose less than a part of it',
    'limits[1].rule.max',
    [
      limitOf('drop-solenoid', { kind: 'drop', max: 0.3 }),
      limitOf('drop-starter-positive', { kind: 'drop', max: 0.2 }),
    ],
  ],
])('%s is told', (_what, field, limits) => {
  expect(checkCriteria(withLimits(limits)).map((fault) => fault.field)).toContain(field);
});

it('limits for other readings do not contradict each other', () => {
  const limits = [
    limitOf('ripple-ac', { kind: 'band', max: 0.5 }, { when: { loads: 'off' } }),
    limitOf('ripple-ac', { kind: 'band', max: 0.2 }, { when: { loads: 'on' } }),
  ];
  expect(checkCriteria(withLimits(limits))).toEqual([]);
});

describe('an edit of a set is found again', () => {
  const subject = caseOf([...soundReadings(), read('conductance', 460)]); // 82 % of 560 A
  const edited: CriteriaSet = {
    ...BALANCED,
    limits: BALANCED.limits.map((limit) =>
      limit.test === 'conductance' ? { ...limit, rule: { kind: 'rated-share', minShare: 0.93 } } : limit,
    ),
  };
  const [usual, own] = [judge(subject, BALANCED), judge(subject, edited)];
  const { id } = subject.readings.at(-1)!;
  const gradeIn = (said: typeof own) => said.readings.find((one) => one.id === id)!;
  const worn = (said: typeof own) => said.faults.find(({ fault }) => fault === 'battery-worn')!;
  const weightIn = (said: typeof own): number => worn(said).evidence.reduce((sum, { weight }) => sum + weight, 0);

  it('in the grade and its limit', () => {
    expect([gradeIn(usual).grade, gradeIn(own).grade]).toEqual([expect.not.stringMatching('outside'), 'outside']);
    expect(gradeIn(own).limit).toContain('93 %');
  });
  it('in the evidence and the probability', () => {
    expect(weightIn(own)).toBeGreaterThan(weightIn(usual) + 0.5);
    expect(worn(own).probability).toBeGreaterThan(2 * worn(usual).probability);
  });
  it('in the decision: what was found sound is asked about', () => {
    expect(own.parts.battery.verdict).not.toBe('keep');
    expect(usual.parts.battery.verdict).toBe('keep');
  });
  it('in the report', () => {
    const report = (criteria: CriteriaSet, judgement: typeof own) =>
      reportDocument({ case: subject, criteria, judgement, signOff: null }).readings.find(
        ({ grade, limit }) => grade === 'outside' && limit.includes('93 %'),
      );
    expect([report(BALANCED, usual), report(edited, own)]).toEqual([undefined, expect.anything()]);
  });
});
