/** The deciding reading: what the customer is shown first. */
import type { BudgetPiece, Judgement } from '../format/judgement-shape';
import type { Grade } from '../format/words';
import type { Assessment } from '../evidence/assessment';
import { rulerScale } from '../profile/ruler-scale';
import type { RulerScale } from '../profile/ruler-scale';
import { isPathTest, pathOf } from '../circuit/paths';
import { TESTS } from '../trade/tables';
import type { Voice } from '../format/message';
import { readingWords } from '../words/en/readings';

/**
 * The reading behind a decision: the one without which it would fall; after a repair the one that is good now.
 *
 * @returns null where nothing was decided, or no reading speaks for it.
 */
export function settlingReading({ decision }: Judgement, assessments: readonly Assessment[]): Assessment | null {
  const id = decision.deciding ?? decision.after;
  return assessments.find((entry) => entry.id === id) ?? null;
}

export interface Settled {
  readonly test: string;
  readonly value: string;
  readonly grade: Grade;
  readonly limit: string;
  /** Where it stands against its limit; null where it has none that can be drawn. */
  readonly ruler: RulerScale | null;
  /** Of a drop: the volts along the path, with the place marked; else empty. */
  readonly path: readonly BudgetPiece[];
  readonly pathFrom: string;
}

/** @param voice How the reader wants figures written. */
export function settledBy(judgement: Judgement, assessments: readonly Assessment[], voice: Voice): Settled | null {
  const found = settlingReading(judgement, assessments);
  if (!found) return null;
  const { reading, grade, resolved } = found;
  const load = isPathTest(reading.test) ? pathOf(reading.test).loadedBy : null;
  const { starting, charging } = judgement.budget;
  return {
    test: TESTS[reading.test].name,
    value: readingWords(reading, voice),
    grade,
    limit: resolved ? voice.say(resolved.bound) : '',
    ruler: resolved ? rulerScale(resolved) : null,
    path: load === null ? [] : load === 'charging' ? charging : starting,
    pathFrom: load === 'charging' ? 'at the alternator' : 'at rest',
  };
}
