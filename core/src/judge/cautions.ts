/** Cautions: what must not be done to this vehicle, and what to mind at the next steps. */
import type { StepName } from '../format/names';
import type { CautionName } from '../trade/cautions';
import { stepOf } from '../trade/tables';
import type { Said } from '../words/phrases';
import { whyStop } from './decide/stop';
import type { Situation } from './situation';
import type { Step } from './next/next-step';

/** Steps ahead whose cautions are told. */
const STEPS_AHEAD = 2;
const OF_CHARGING: readonly CautionName[] = ['acid'];

/** Cautions of one step, in the order they are read. */
export const cautionsOfStep = (name: StepName): readonly CautionName[] =>
  name === 'charge' ? OF_CHARGING : (stepOf(name)?.cautions ?? []);

/** The stop, a label that cannot be right, what the next steps ask for, and whose rules come first. */
export function cautionsFor(situation: Situation, next: readonly Step[]): readonly Said[] {
  const stop = whyStop(situation);
  const names = new Set(next.slice(0, STEPS_AHEAD).flatMap(({ test }) => cautionsOfStep(test)));
  return [
    ...(stop ? [stop.says] : []),
    ...(situation.labelDoubt ? [situation.labelDoubt] : []),
    ...[...names].map((caution): Said => ({ code: 'caution', with: { caution } })),
    { code: 'local-rules', with: {} },
  ];
}
