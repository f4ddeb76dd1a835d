import type { OnInit } from '@angular/core';
import { ChangeDetectionStrategy, Component, ElementRef, computed, inject, input, output, signal } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import type { JobView } from '@tetrad/contracts';
import { SCHOOLS, labelDoubt } from '@tetrad/core';
import { InputText } from 'primeng/inputtext';
import { Sentences } from '../../../device/sentences';
import type { LabelChanges } from '../../../job/commands';
import { Button } from '../../../kit/button';
import { Dialog } from '../../../kit/dialog';
import { Field } from '../../../kit/field';
import { Figure } from '../../../kit/forms/figure';
import { focusProblem } from '../../../kit/forms/body-form';
import { Message } from '../../../kit/message';
import { Select } from '../../../kit/select';
import { SystemFields } from '../../../label/system-fields';
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
  readonly #host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  readonly job = input.required<JobView>();
  readonly changed = output<LabelChanges>();
  readonly closed = output();

  protected readonly schools = SCHOOLS.map(({ id, name, note }) => ({ value: id, label: `${name}: ${note}` }));
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
    this.changed.emit(labelChangesOf(form, this.job(), this.#voice.choice()));
  }
}
