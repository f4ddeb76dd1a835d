import { FormControl, FormGroup } from '@angular/forms';
import { NewSignOff, TAKEN_ACTIONS } from '@tetrad/contracts';
import type { TakenAction } from '@tetrad/contracts';
import { customerWords, isReplaced, isSameDecision } from '@tetrad/core';
import type { Judgement, Part } from '@tetrad/core';
import { bodyOf } from '../../../kit/forms/body-form';
import { problem } from '../../../kit/forms/problem';
import { newId } from '../../../device/new-id';

type Decision = Judgement['decision'] | null;
const text = (value = ''): FormControl<string> => new FormControl(value, { nonNullable: true });

/** A sign-off as it is filled in; it begins at what the judge decided. */
export const signOffForm = (judged: Decision) =>
  new FormGroup({
    // a job that is still open has no such action
    action: new FormControl<TakenAction | null>(TAKEN_ACTIONS.find((known) => known === judged?.action) ?? null),
    part: new FormControl<Part | null>(judged?.part ?? null),
    reason: text(),
    conclusion: text(judged && judged.action !== 'test-next' ? customerWords(judged) : ''),
    partsFitted: text(partFitted(judged)),
    comment: text(),
    solved: new FormControl<boolean | null>(null),
  });
/** A repair that the readings prove, of a part that is replaced whole: it was fitted. */
const partFitted = (judged: Decision): string =>
  judged?.action === 'repaired' && judged.part !== null && isReplaced(judged.part) ? judged.part : '';
export type SignOffForm = ReturnType<typeof signOffForm>;
export type SignOffDraft = Omit<NewSignOff, 'id'>;

/** A replacement or a repair is of a part. */
export const needsPart = (action: TakenAction | null): boolean =>
  action === 'replace' || action === 'repair' || action === 'repaired';

const partOf = ({ action, part }: ReturnType<SignOffForm['getRawValue']>): Part | null =>
  needsPart(action) || action === 'charge-first' ? part : null;

/** True where another decision is taken than the judge's. */
export function differs(form: SignOffForm, judged: Decision): boolean {
  const typed = form.getRawValue();
  return typed.action !== null && !isSameDecision({ action: typed.action, part: partOf(typed) }, judged);
}

/** The body that signs the job off, or null where something does not fit: the field says what. */
export function signOffOf(form: SignOffForm, judged: Decision): SignOffDraft | null {
  const typed = form.getRawValue();
  const other = differs(form, judged);
  const { reason } = form.controls;
  reason.setErrors(other && !typed.reason.trim() ? problem('The judge says otherwise: say why.') : null);
  const part = partOf(typed);
  const body = bodyOf(NewSignOff, form, {
    id: newId(),
    ...(typed.action !== null && { action: typed.action }),
    ...(part !== null && { part }),
    ...(other && typed.reason.trim() && { reason: typed.reason.trim() }),
    conclusion: typed.conclusion.trim(),
    partsFitted: typed.partsFitted
      .split(',')
      .map((name) => name.trim())
      .filter(Boolean),
    ...(typed.comment.trim() && { comment: typed.comment.trim() }),
    ...(typed.solved !== null && { solved: typed.solved }),
  });
  if (body === null) return null;
  const { id: _id, ...draft } = body;
  return { ...draft };
}
