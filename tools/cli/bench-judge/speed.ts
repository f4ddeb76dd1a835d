/** Cases judged a second on one core, beside the plain reference in the same run. */
import { FAULT_NAMES, judge, simulateCase } from '@tetrad/core';
import type { Case } from '@tetrad/core';
import { plainJudge } from '../plain-judge';
import type { Row, Setting } from './setting';

const BATCH = 500;
const ROUNDS = 8;

/** The best of some rounds: what else the machine does only slows. */
function perSecond(batch: readonly Case[], work: (subject: Case) => unknown): number {
  let best = Infinity;
  for (let round = 0; round <= ROUNDS; round++) {
    const begun = performance.now();
    for (const subject of batch) work(subject);
    best = Math.min(best, performance.now() - begun);
  }
  return Math.round((batch.length * 1000) / best);
}

export function speed({ spread, seed }: Setting): readonly Row[] {
  const batch = Array.from({ length: BATCH }, (_, i) =>
    simulateCase({ faults: [FAULT_NAMES[i % FAULT_NAMES.length]!], seed: seed + i, spread }),
  );
  return [
    [
      'cases judged per second, full sets of about 25 readings and 12 observations, one core',
      String(perSecond(batch, judge)),
      '2500',
      String(perSecond(batch, plainJudge)),
    ],
  ];
}
