import type { ElementRef } from '@angular/core';
import {
  ChangeDetectionStrategy,
  Component,
  afterNextRender,
  computed,
  inject,
  output,
  signal,
  viewChildren,
} from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { CONDITIONS, TESTS, askedBackOf, fuseCurrents, numberShape, parseEntry } from '@tetrad/core';
import type { FuseForm, ReadingConditions, StepName } from '@tetrad/core';
import { InputText } from 'primeng/inputtext';
import { Sentences } from '../../../device/sentences';
import type { EnteredReading } from '../../../job/commands';
import { JobStore } from '../../../job/job.store';
import { Button } from '../../../kit/button';
import { Field } from '../../../kit/field';
import { Enter } from '../../../kit/forms/enter';
import { Figure, figureOf, fitsFigure } from '../../../kit/forms/figure';
import type { FigureRule } from '../../../kit/forms/figure';
import { focusOnScreen } from '../../../kit/keys/behind-dialogs';
import { Select } from '../../../kit/select';
import { conditionRule } from './reading-form';

const RATING = conditionRule('fuseRating')!;
/** Across a fuse a bare figure is millivolts, and so is what is allowed. */
const ACROSS: FigureRule = {
  shape: numberShape({ min: -1000, max: 1000, unit: 'mV' }),
  unit: 'V',
  parse: (typed) => {
    const entry = parseEntry(/[a-zµ]/i.test(typed) ? typed : `${typed} mV`, 'V');
    return entry.ok ? { ...entry, value: toMillivolts(entry.value) } : entry;
  },
};
const toMillivolts = (volts: number): number => Number((volts * 1e3).toPrecision(12));
const toVolts = (millivolts: number): number => Number((millivolts / 1e3).toPrecision(12));
const FORMS = CONDITIONS.fuseType.words.map((value) => ({ value, label: value }));
const text = (): FormControl<string> => new FormControl('', { nonNullable: true });

/** Fuse after fuse in one pass: its name, its rating, the millivolts across it; the largest current stands on top. */
@Component({
  selector: 'tt-fuse-list',
  imports: [Button, Enter, Field, Figure, InputText, ReactiveFormsModule, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form ttEnter [formGroup]="form" (ngSubmit)="submit()">
      <tt-field label="Fuse"
        ><input #field pInputText autocomplete="off" maxlength="40" formControlName="fuse"
      /></tt-field>
      <tt-field label="Rating, A"><input #field pInputText ttFigure formControlName="rating" /></tt-field>
      <tt-select label="Form" formControlName="form" [options]="FORMS" placeholder="standard" />
      <tt-field label="Across it, mV"><input #field pInputText ttFigure formControlName="millivolts" /></tt-field>
      <button pButton kind="main" type="submit">Save</button>
    </form>
    @if (doubt() !== '') {
      <p class="grade-near" role="alert">{{ doubt() }} Enter once more saves it as it is.</p>
    }
    <p class="soft">Enter goes from field to field, and saves the fuse. Nothing is pulled, nothing wakes.</p>
    @if (rows().length > 0) {
      <table>
        <caption class="sr-only">
          Fuses, the largest current first
        </caption>
        <thead>
          <tr>
            <th scope="col">Fuse</th>
            <th scope="col" class="number">Across it</th>
            <th scope="col" class="number">Current</th>
            <td></td>
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.id) {
            <tr>
              <th scope="row">
                {{ row.fuse }} <span class="soft figure">{{ row.rating }}</span>
              </th>
              <td class="figure number">{{ row.across }}</td>
              <td class="figure number">{{ row.current }}</td>
              <td class="share" aria-hidden="true"><span [style.width.%]="row.share"></span></td>
            </tr>
          }
        </tbody>
      </table>
      <p class="soft">Currents are within about 20 %: by the usual resistance of a blade fuse of that rating.</p>
      <button pButton class="pull" (click)="chosen.emit('parasitic-draw')">
        Pull {{ rows()[0]!.fuse }} and read the drain again
      </button>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
      container-type: inline-size;
    }
    form {
      display: grid;
      grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr) minmax(0, 1.3fr) minmax(0, 1fr) auto;
      align-items: end;
      gap: 8px;
    }
    @container (max-width: 480px) {
      form {
        grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
      }
    }
    input {
      width: 100%;
    }
    table {
      border-collapse: collapse;
      width: 100%;
    }
    th,
    td {
      padding: 4px 12px 4px 0;
      border-bottom: 1px solid var(--line-soft);
      text-align: left;
    }
    thead th {
      font-size: var(--text-xs);
      color: var(--ink-soft);
    }
    .number {
      text-align: right;
    }
    tbody .number {
      font-size: var(--text-lg);
    }
    .share {
      width: 30%;
    }
    .share span {
      display: block;
      height: 6px;
      background: var(--copper);
    }
    .pull {
      justify-self: start;
    }
  `,
})
export class FuseList {
  readonly #voice = inject(Sentences).voice;
  readonly #job = inject(JobStore);
  readonly entered = output<EnteredReading>();
  readonly chosen = output<StepName>();
  protected readonly FORMS = FORMS;
  protected readonly fields = viewChildren<ElementRef<HTMLInputElement>>('field');
  protected readonly form = new FormGroup({
    fuse: text(),
    rating: new FormControl('', { nonNullable: true, validators: [fitsFigure(RATING)] }),
    form: new FormControl<FuseForm | null>(null),
    millivolts: new FormControl('', { nonNullable: true, validators: [fitsFigure(ACROSS)] }),
  });

  protected readonly rows = computed(() => {
    const surveyed = this.#job.surveyed();
    const found = surveyed ? fuseCurrents(surveyed.gradedCase) : [];
    const voice = this.#voice();
    const most = found[0]?.amps ?? 0;
    return found.map(({ fuse, amps, reading }) => ({
      id: reading.id,
      fuse: fuse === '' ? 'no name' : fuse,
      rating: reading.conditions?.fuseRating === undefined ? '' : `${voice.asGiven(reading.conditions.fuseRating)} A`,
      across: `${voice.asGiven(Math.round(reading.value * 1e6) / 1e3)} mV`,
      current: amps === null ? 'rating?' : voice.amps(amps),
      share: most > 0 ? (100 * (amps ?? 0)) / most : 0,
    }));
  });

  /** What is asked back before the fuse is saved; empty where nothing is. */
  protected readonly doubt = signal('');
  #doubtOf({ value, conditions }: { value: number; conditions: ReadingConditions }): string {
    const surveyed = this.#job.surveyed();
    const asked =
      surveyed && askedBackOf(TESTS['fuse-drop'].askBack, value, surveyed.gradedCase, undefined, conditions);
    return asked ? this.#voice().say(asked) : '';
  }

  constructor() {
    afterNextRender(() => focusOnScreen(() => this.fields()[0]?.nativeElement));
  }

  focus(): void {
    this.fields()[0]?.nativeElement.focus();
  }
  /** Keys that were pressed elsewhere belong to the name of the next fuse. */
  append(keys: string): void {
    const { fuse } = this.form.controls;
    fuse.setValue(fuse.value + keys.replace('\n', ''));
    this.focus();
  }

  /** Enter: on to the next empty field; where all are filled the fuse is saved. */
  protected submit(): void {
    this.form.markAllAsTouched();
    const { fuse, rating, form, millivolts } = this.form.getRawValue();
    const open = [fuse, rating, millivolts].findIndex((typed) => typed.trim() === '');
    if (open >= 0) return this.fields()[open]?.nativeElement.focus();
    const [rated, across] = [figureOf(rating, RATING), figureOf(millivolts, ACROSS)];
    if (this.form.invalid || rated === undefined || across === undefined) return;
    const entered = {
      value: toVolts(across),
      conditions: { fuse: fuse.trim(), fuseRating: rated, ...(form !== null && { fuseType: form }) },
    };
    const doubt = this.#doubtOf(entered);
    // the second Enter says that it is meant
    if (doubt !== '' && this.doubt() !== doubt) return this.doubt.set(doubt);
    this.entered.emit(entered);
    this.doubt.set('');
    // the next fuse is often of the same form, and its rating is its own
    this.form.patchValue({ fuse: '', rating: '', millivolts: '' });
    this.form.markAsUntouched();
    this.focus();
  }
}
