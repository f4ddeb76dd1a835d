/** A page for each test: why, where the leads go, steps, what spoils it, what the figure means. */
import type { CriteriaSet } from '../criteria/criteria-set';
import { CAUTIONS } from '../evidence/cautions';
import type { Step } from '../evidence/step';
import { CONDITIONS } from '../format/conditions';
import type { ConditionName } from '../format/conditions';
import type { TestName } from '../format/names';
import type { Voice } from '../format/message';
import { TESTS, TEST_NAMES } from '../trade/tables';
import { TICKS } from '../trade/ticks';
import { WAITS } from '../trade/waits';
import type { Test } from '../trade/test';
import { describeLeads } from '../words/en/leads';
import { limitWords, whenWords } from '../words/en/limits';
import { capital, listed, lower, nameOf } from '../words/en/names';
import { section } from './guide-page';
import type { GuideLine, GuidePage } from './guide-page';
import { faultsOf } from './tells';
import { TEST_GUIDES } from './test-guides';

export const testPages = (criteria: CriteriaSet, voice: Voice): readonly GuidePage[] =>
  TEST_NAMES.map((test) => testPage(test, criteria, voice));

function testPage(test: TestName, criteria: CriteriaSet, voice: Voice): GuidePage {
  const row = TESTS[test];
  const { why, spoils, means } = TEST_GUIDES[test];
  return {
    id: test,
    group: row.places[0].group,
    title: row.name,
    cautions: row.step.cautions.map((name) => CAUTIONS[name]),
    drawing: row.leads ? test : null,
    sections: [
      ...section('Why', [row.step.settles, ...why]),
      ...section('Where the leads go', [`${capital(describeLeads(test))}.`.replace('..', '.')]),
      ...section('Steps', stepsOf(row), true),
      ...section('Noted with it', [conditionsOf(row)]),
      ...section('What spoils it', spoils),
      ...section('What the figure means', means),
      ...section(`Limits, ${criteria.name}`, limitLines(test, criteria, voice)),
      ...section('Tells of', tellsOf(test)),
    ],
  };
}

/** What must be so, what is waited for, and how it is read, in working order. */
function stepsOf({ step, places }: Test): readonly string[] {
  const ticks = new Set(places.flatMap((place) => place.ticks.map((tick) => TICKS[tick])));
  const waits = new Set(places.flatMap(({ waits: kinds = [] }) => kinds.map((kind) => waitLine(kind))));
  const ways = places.map(({ name, how }) => (places.length > 1 && name ? `${name}: ${lower(how)}` : how));
  return [...before(step), ...ticks, ...waits, ...ways];
}

const before = (step: Step): readonly string[] => [
  ...(step.needsCharge ? ['Battery charged: at least three quarters full'] : []),
  ...(step.needsEngine ? ['Engine running'] : []),
];

function waitLine(kind: keyof typeof WAITS): string {
  const { name, phases, then } = WAITS[kind];
  return `${name}: ${phases.map(({ says }) => lower(says)).join(', ')}. ${then}`;
}

function conditionsOf({ places }: Test): string | null {
  const names = new Set(places.flatMap(({ asks }) => Object.keys(asks) as ConditionName[]));
  return names.size === 0 ? null : `${capital(listed([...names].map((name) => lower(CONDITIONS[name].name))))}.`;
}

const limitLines = (test: TestName, { limits }: CriteriaSet, voice: Voice): readonly string[] => {
  const own = limits.filter((limit) => limit.test === test);
  if (own.length === 0) return ['No limit of its own: it stands beside the others.'];
  return own.map((limit) => {
    const when = whenWords(limit);
    return `${when ? `${capital(when)}: ${lower(limitWords(limit, voice))}` : limitWords(limit, voice)}.`;
  });
};

/** The faults that it tells of, what it lies straight across first. */
const tellsOf = (test: TestName): readonly GuideLine[] =>
  faultsOf(test).map(({ fault, isDirect }) => ({
    text: `${nameOf(fault)}${isDirect ? ': it lies straight across it' : ''}`,
    to: [fault],
  }));
