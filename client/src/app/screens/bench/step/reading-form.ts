import { FormArray, FormControl, FormGroup, FormRecord } from '@angular/forms';
import { CONDITIONS, conditionFigure } from '@tetrad/core';
import type { ConditionName, EntryUnit, ReadingConditions, ReadingStep } from '@tetrad/core';
import { fitsFigure, figureOf } from '../../../kit/forms/figure';
import type { FigureRule } from '../../../kit/forms/figure';

/** A condition as it is typed or chosen. */
export type TypedCondition = string | boolean;
/** An entry as it is typed: one text, or one for each cell, and the conditions it is asked with. */
export type ReadingForm = FormGroup<{
  typed: FormArray<FormControl<string>>;
  conditions: FormRecord<FormControl<TypedCondition>>;
}>;

const namesOf = (step: ReadingStep): readonly ConditionName[] => Object.keys(step.asks) as ConditionName[];

/** What is asked as the choices stand: what belongs to one choice of another condition is asked only with it. */
export const askedNow = (
  step: ReadingStep,
  chosen: Readonly<Partial<Record<string, TypedCondition>>>,
): readonly ConditionName[] =>
  namesOf(step).filter((name) => {
    const [other, word] = step.askedWith?.[name] ?? [];
    return other === undefined || chosen[other] === word;
  });

/** What a condition's figure may be; null for one that is no figure. */
export function conditionRule(name: ConditionName): FigureRule | null {
  const row = CONDITIONS[name];
  return row.type === 'number' ? { shape: conditionFigure(row), unit: row.unit as EntryUnit } : null;
}

const typedOf = (name: ConditionName, value: string | number | boolean | undefined): TypedCondition =>
  CONDITIONS[name].type === 'flag' ? value === true : value === undefined ? '' : String(value);

/**
 * @param cells How many texts the reading has.
 * @param known What is known before anything is typed; beside it stand the usual conditions of the step.
 */
export function readingForm(step: ReadingStep, cells: number, known: ReadingConditions): ReadingForm {
  const conditions = new FormRecord<FormControl<TypedCondition>>({});
  for (const name of namesOf(step)) {
    const rule = conditionRule(name);
    const begins = known[name] ?? step.asks[name] ?? undefined;
    conditions.addControl(
      name,
      new FormControl<TypedCondition>(typedOf(name, begins), {
        nonNullable: true,
        validators: rule ? [fitsFigure(rule)] : [],
      }),
    );
  }
  const typed = Array.from({ length: cells }, () => new FormControl('', { nonNullable: true }));
  return new FormGroup({ typed: new FormArray(typed), conditions });
}

/** An entry of no step. */
export const blankForm = (): ReadingForm =>
  new FormGroup({ typed: new FormArray<FormControl<string>>([]), conditions: new FormRecord({}) });

/** Fills in what became known; what somebody said already stays. */
export function fillKnown(form: ReadingForm, step: ReadingStep, known: ReadingConditions, anew: boolean): void {
  for (const name of namesOf(step)) {
    const control = form.controls.conditions.get(name);
    const value = known[name];
    if (!control || value === undefined) continue;
    if (anew || control.value === '' || control.value === false) control.setValue(typedOf(name, value));
  }
}

/** The conditions as they are stored; what nobody said is absent. */
export function conditionsOf(form: ReadingForm, step: ReadingStep): ReadingConditions {
  const said: [string, string | number | boolean][] = [];
  for (const name of askedNow(step, form.controls.conditions.getRawValue())) {
    const value = form.controls.conditions.get(name)?.value;
    const rule = conditionRule(name);
    if (value === true) said.push([name, true]);
    if (typeof value !== 'string' || value === '') continue;
    const figure = rule === null ? value : figureOf(value, rule);
    if (figure !== undefined) said.push([name, figure]);
  }
  return { ...Object.fromEntries(said), ...step.fixed };
}
