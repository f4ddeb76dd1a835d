/** Bolder or more careful: the same visits followed by sets that weigh needless work differently. */
import { BALANCED, weighedCosts } from '@tetrad/core';
import { following } from './following';
import { percent } from './setting';
import type { Setting } from './setting';

const FACTORS = [0.1, 0.3, 1, 3, 10];
/** Share of readings with one of the usual mistakes: a careful hand condemns next to nothing by any set. */
const MISTAKES = 0.1;

/** A table of the factors, and the curve of needless parts against minutes. */
export function bolderOrMoreCareful(setting: Setting): readonly string[] {
  const points = FACTORS.map((factor) => {
    const found = following(setting, { ...BALANCED, costs: weighedCosts(factor) }, MISTAKES);
    return { factor, found, minutes: found.minutes / found.cases, condemned: (100 * found.condemned) / found.cases };
  });
  const inOrder = points.toSorted((a, b) => a.minutes - b.minutes);
  return [
    '### Bolder or more careful\n',
    `The visits of “following next”, ${100 * MISTAKES} % of readings mistaken, judged by the balanced set with needless work weighed by a factor.\n`,
    '| needless work weighs | sound part condemned | undecided | right | minutes, mean | steps, mean |',
    '| --- | --- | --- | --- | --- | --- |',
    ...points.map(
      ({ factor, found, minutes }) =>
        `| ${factor} × | ${percent(found.condemned, found.cases)} | ${percent(found.undecided, found.cases)} | ${percent(found.right, found.cases)} | ${minutes.toFixed(1)} | ${(found.steps / found.cases).toFixed(1)} |`,
    ),
    '\n```mermaid',
    'xychart-beta',
    '  title "Sound parts condemned (%) against minutes of work"',
    `  x-axis "minutes, mean" [${inOrder.map(({ minutes }) => minutes.toFixed(1)).join(', ')}]`,
    '  y-axis "condemned, %"',
    `  line [${inOrder.map(({ condemned }) => condemned.toFixed(2)).join(', ')}]`,
    '```',
  ];
}
