import type { OnInit } from '@angular/core';
import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, input, output, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import type { JobView } from '@tetrad/contracts';
import { SCHOOLS, labelDoubt } from '@tetrad/core';
import { InputText } from 'primeng/inputtext';
import { catchError, of } from 'rxjs';
import { Sentences } from '../../../device/sentences';
import type { ChosenChanges } from '../../../job/commands';
import { Button } from '../../../kit/button';
import { Dialog } from '../../../kit/dialog';
import { Field } from '../../../kit/field';
import { Figure } from '../../../kit/forms/figure';
import { focusProblem } from '../../../kit/forms/body-form';
import { Message } from '../../../kit/message';
import { Select } from '../../../kit/select';
import { SystemFields } from '../../../label/system-fields';
import { Api } from '../../../api/api';
import { selectShop } from '../../../state/session/session.feature';
import { VinField } from '../../../label/vin-field';
import { jobLabelForm, labelChangesOf } from './job-label-form';
import type { JobLabelForm } from './job-label-form';

/** Corrects what is known of the vehicle, its battery, its engine, the temperature and the criteria. */
@Component({
  selector: 'tt-job-label-dialog',
  imports: [Button, Dialog, Field, Figure, InputText, Message, ReactiveFormsModule, Select, SystemFields, VinField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './job-label-dialog.html',
  styleUrl: './job-label-dialog.css',
})
export class JobLabelDialog implements OnInit {
  readonly #voice = inject(Sentences);
  readonly #api = inject(Api);
  readonly #shop = inject(Store).selectSignal(selectShop);
  readonly #host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  readonly job = input.required<JobView>();
  readonly changed = output<ChosenChanges>();
  readonly closed = output();

  /** The sets that ship, and the shop's own that are in force. */
  readonly #found = rxResource({
    params: () => {
      const shop = this.#shop();
      return shop === null ? undefined : { shop };
    },
    stream: ({ params: { shop } }) => this.#api.listCriteria(shop).pipe(catchError(() => of(null))),
  });
  readonly #own = computed(() =>
    (this.#found.hasValue() ? (this.#found.value()?.sets ?? []) : []).filter((set) => !set.isShipped && set.isInForce),
  );
  protected readonly schools = computed(() => {
    const told = this.#found.hasValue() ? this.#found.value() : null;
    const own = this.job().criteriaSet;
    const sets = told
      ? told.sets.filter(({ isInForce }) => isInForce).map(({ document }) => document)
      : [...SCHOOLS, ...(own ? [own] : [])];
    return sets.map(({ id, name, note }) => ({ value: id, label: `${name}: ${note}` }));
  });
  protected readonly form = signal<JobLabelForm | null>(null);
  /** Why the label is doubted, where it is: saving it confirms it. */
  protected readonly doubt = computed(() => {
    const why = labelDoubt(this.job().case.system);
    return why && this.#voice.voice().say(why);
  });
  protected readonly temperatureUnit = computed(() => (this.#voice.choice().temperature === 'F' ? '°F' : '°C'));

  ngOnInit(): void {
    this.form.set(jobLabelForm(this.job(), this.#voice.choice()));
  }

  protected save(form: JobLabelForm): void {
    form.markAllAsTouched();
    if (form.invalid) return focusProblem(this.#host.ownerDocument.body);
    const changes = labelChangesOf(form, this.job(), this.#voice.choice());
    const own = this.#own().find(({ document }) => document.id === changes.criteria)?.document;
    this.changed.emit({ ...changes, ...(own && { criteriaSet: own }) });
  }
}
