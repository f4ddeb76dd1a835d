/** Cautions: what must not be done to this vehicle, and what to mind at the next steps. */
import type { StepName } from '../../format/names';
import type { CautionName } from '../../evidence/cautions';
import { stepOf } from '../../trade/tables';
import type { Message } from '../../format/message';
import { whyStop } from '../decide/stop';
import { latest } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import type { Decided } from '../decide/decide';
import type { Step } from '../propose/propose-steps';
import { message } from '../messages';

/** Steps ahead whose cautions are told. */
const STEPS_AHEAD = 2;
const OF_CHARGING: readonly CautionName[] = ['acid'];

/** Cautions of one step, in the order they are read. */
export const cautionsOfStep = (name: StepName): readonly CautionName[] =>
  name === 'charge' ? OF_CHARGING : (stepOf(name)?.cautions ?? []);

/** A new battery is fitted, and nobody knows whether it will be charged, or boiled. */
const spoilsTheNewBattery = (gradedCase: GradedCase, { action, part }: Decided): boolean =>
  action === 'replace' && part === 'battery' && latest(gradedCase, 'charging-voltage') === undefined;

/** The stop, a label that cannot be right, what the next steps ask for, and whose rules come first. */
export function cautionsFor(gradedCase: GradedCase, next: readonly Step[], decided: Decided): readonly Message[] {
  const stop = whyStop(gradedCase);
  const names = new Set(next.slice(0, STEPS_AHEAD).flatMap(({ test }) => cautionsOfStep(test)));
  return [
    ...(stop ? [stop.says] : []),
    ...(gradedCase.labelDoubt ? [gradedCase.labelDoubt] : []),
    ...(spoilsTheNewBattery(gradedCase, decided) ? [message('charging-not-read', {})] : []),
    ...[...names].map((caution) => message('caution', { caution })),
    message('local-rules', {}),
  ];
}
