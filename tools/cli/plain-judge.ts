import { BALANCED, assessCase } from '@tetrad/core';
import type { Case, TestName } from '@tetrad/core';

/** The part that each failed test is usually blamed on, in the order people read a sheet. */
const BLAMED: readonly (readonly [TestName, string])[] = [
  ['resting-voltage', 'battery'],
  ['conductance', 'battery'],
  ['load-test', 'battery'],
  ['drop-positive-post', 'connections'],
  ['drop-negative-post', 'connections'],
  ['drop-starter-positive', 'connections'],
  ['drop-starter-ground', 'connections'],
  ['starter-draw', 'starter'],
  ['cranking-speed', 'starter'],
  ['cranking-voltage', 'battery'],
  ['ripple-ac', 'alternator'],
  ['drop-charge-positive', 'connections'],
  ['drop-charge-ground', 'connections'],
  ['charging-voltage', 'alternator'],
  ['alternator-current', 'alternator'],
  ['parasitic-draw', 'drain'],
];

/** The reference: a sheet of fixed limits, the first failed line names the part. */
export function plainJudge(subject: Case): string | null {
  const failed = new Set(
    assessCase(subject, BALANCED)
      .filter(({ grade }) => grade === 'outside')
      .map(({ reading }) => reading.test),
  );
  return BLAMED.find(([test]) => failed.has(test))?.[1] ?? null;
}
