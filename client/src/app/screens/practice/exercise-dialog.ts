import { ChangeDetectionStrategy, Component, output, signal } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule, Validators } from '@angular/forms';
import { FAULTS, FAULT_NAMES } from '@tetrad/core';
import type { FaultName } from '@tetrad/core';
import type { Exercise, Setting } from '@tetrad/core/practice';
import { InputText } from 'primeng/inputtext';
import { Textarea } from 'primeng/textarea';
import { Button } from '../../kit/button';
import { Dialog } from '../../kit/dialog';
import { Field } from '../../kit/field';
import { FocusFirst } from '../../kit/focus-first';
import { Select } from '../../kit/select';

const SEVERITIES = [
  { value: 0.5, label: 'slight' },
  { value: 0.75, label: 'plain' },
  { value: 0.95, label: 'severe' },
] as const;
/** What may be special about it, each as the exercise files say it. */
const SPECIAL: readonly { readonly value: string; readonly label: string; readonly setting: Setting | null }[] = [
  { value: 'none', label: 'Nothing', setting: null },
  { value: 'charged', label: 'Just charged, surface charge', setting: { isJustCharged: true } },
  { value: 'label', label: 'Label copied wrongly', setting: { isLabelMisread: true } },
  { value: '24', label: '24 V', setting: { kind: { fuel: 'diesel', nominalVolts: 24 } } },
  { value: 'pack', label: 'Three in parallel', setting: { kind: { fuel: 'diesel', nominalVolts: 12, inParallel: 3 } } },
  { value: 'ceiling', label: 'Small clamp, 200 A', setting: { instruments: { clampMostAmps: 200 } } },
  { value: 'zero', label: 'Clamp 24 A off zero', setting: { instruments: { clampOffAmps: 24 } } },
  { value: 'lead', label: 'Broken lead', setting: { instruments: { hasBrokenLead: true } } },
  { value: 'ac', label: 'AC range that sees DC', setting: { instruments: { acSeesDc: true } } },
];
const text = (most: number) =>
  new FormControl('', { nonNullable: true, validators: [Validators.required, Validators.maxLength(most)] });

/** A lead writes an exercise: its story and lesson, its fault, its vehicle by number, and hints. */
@Component({
  selector: 'tt-exercise-dialog',
  imports: [Button, Dialog, Field, FocusFirst, InputText, ReactiveFormsModule, Select, Textarea],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-dialog header="Write an exercise" (closed)="closed.emit()">
      <form [formGroup]="form" (ngSubmit)="write()">
        <tt-field label="Title" [error]="missing('title')">
          <input pInputText ttFocusFirst maxlength="80" formControlName="title" />
        </tt-field>
        <tt-field label="What the driver says" [error]="missing('story')">
          <input pInputText maxlength="300" formControlName="story" />
        </tt-field>
        <tt-field label="Lesson, told after the call" [error]="missing('lesson')">
          <input pInputText maxlength="300" formControlName="lesson" />
        </tt-field>
        <div class="row">
          <tt-select label="Fault" formControlName="fault" [options]="faults" />
          <tt-select label="Second fault" formControlName="second" [options]="seconds" />
        </div>
        <div class="row">
          <tt-select label="How severe" formControlName="severity" [options]="severities" />
          <tt-field label="Vehicle number" [error]="missing('seed')">
            <input pInputText inputmode="numeric" autocomplete="off" formControlName="seed" />
          </tt-field>
          <tt-select label="Special" formControlName="special" [options]="specials" />
        </div>
        <tt-field label="Hints, one a line">
          <textarea pTextarea rows="3" formControlName="hints"></textarea>
        </tt-field>
        <div class="kit-end">
          <button pButton (click)="closed.emit()">Cancel</button>
          <button pButton kind="main" type="submit">Save as a file and open</button>
        </div>
      </form>
    </tt-dialog>
  `,
  styles: `
    form {
      display: grid;
      gap: 12px;
      width: min(620px, calc(100vw - 72px));
    }
    .row {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(160px, 1fr));
      gap: 12px;
    }
  `,
})
export class ExerciseDialog {
  readonly written = output<Exercise>();
  readonly closed = output();
  protected readonly isTried = signal(false);
  protected readonly faults = FAULT_NAMES.map((value) => ({ value, label: FAULTS[value].name }));
  protected readonly seconds = [{ value: null, label: 'no other' }, ...this.faults];
  protected readonly severities = [...SEVERITIES];
  protected readonly specials = SPECIAL.map(({ value, label }) => ({ value, label }));
  protected readonly form = new FormGroup({
    title: text(80),
    story: text(300),
    lesson: text(300),
    fault: new FormControl<FaultName>('none', { nonNullable: true }),
    second: new FormControl<FaultName | null>(null),
    severity: new FormControl<number>(0.75, { nonNullable: true }),
    seed: new FormControl('1', {
      nonNullable: true,
      validators: [Validators.required, Validators.pattern(/^\s*\d{1,9}\s*$/)],
    }),
    special: new FormControl('none', { nonNullable: true }),
    hints: new FormControl('', { nonNullable: true }),
  });

  protected missing(name: 'title' | 'story' | 'lesson' | 'seed'): string | null {
    if (!this.isTried() || this.form.controls[name].valid) return null;
    return name === 'seed' ? 'A whole number, up to nine digits' : 'Needed';
  }

  protected write(): void {
    this.isTried.set(true);
    if (!this.form.valid) return;
    const { title, story, lesson, fault, second, severity, seed, special, hints } = this.form.getRawValue();
    const setting = SPECIAL.find(({ value }) => value === special)?.setting ?? null;
    const lines = hints
      .split('\n')
      .map((line) => line.trim())
      .filter(Boolean)
      .slice(0, 10);
    this.written.emit({
      id:
        title
          .toLowerCase()
          .replace(/[^a-z0-9]+/g, '-')
          .slice(0, 60) || 'exercise',
      title: title.trim(),
      story: story.trim(),
      lesson: lesson.trim(),
      faults: second === null || second === fault ? [fault] : [fault, second],
      severity,
      seed: Number(seed),
      ...(setting && { setting }),
      ...(lines.length > 0 && { hints: lines }),
    });
  }
}
