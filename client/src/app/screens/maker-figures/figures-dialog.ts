import type { HttpErrorResponse } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, ElementRef, inject, input, output, signal } from '@angular/core';
import type { OnInit } from '@angular/core';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import { MakerFigures } from '@tetrad/contracts';
import type { MakerFiguresView } from '@tetrad/contracts';
import { InputText } from 'primeng/inputtext';
import { Button } from '../../kit/button';
import { Dialog } from '../../kit/dialog';
import { Field } from '../../kit/field';
import { FocusFirst } from '../../kit/focus-first';
import { bodyOf, focusProblem } from '../../kit/forms/body-form';
import { Message } from '../../kit/message';
import { draftOf, systemForm, systemOf } from '../../label/system-draft';
import { SystemFields } from '../../label/system-fields';
import { Api } from '../../api/api';
import { problemOf } from '../../api/loading';
import { newId } from '../../device/new-id';
import { selectShop } from '../../state/session/session.feature';

/** What a maker says of an engine or a model, and where it says so. */
@Component({
  selector: 'tt-figures-dialog',
  imports: [Button, Dialog, Field, FocusFirst, InputText, Message, ReactiveFormsModule, SystemFields],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-dialog [header]="record() ? 'Change the figures' : 'Add figures'" (closed)="closed.emit()">
      <form [formGroup]="form" (ngSubmit)="save()">
        <tt-field label="Engine or model" hint="Words that stand in the names of such vehicles: 2.0 diesel">
          <input pInputText ttFocusFirst maxlength="80" formControlName="name" />
        </tt-field>
        <tt-field label="Source" hint="The manual and its page, or a plate">
          <input pInputText maxlength="200" formControlName="source" />
        </tt-field>
        <tt-system-fields [form]="form.controls.system" [unfolded]="true" />
        @if (problem(); as why) {
          <tt-message>{{ why }}</tt-message>
        }
        <div class="kit-end">
          <button pButton (click)="closed.emit()">Cancel</button>
          <button pButton kind="main" type="submit">Save</button>
        </div>
      </form>
    </tt-dialog>
  `,
  styles: `
    form {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 12px;
    }
  `,
})
export class FiguresDialog implements OnInit {
  readonly #api = inject(Api);
  readonly #host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  readonly #shop = inject(Store).selectSignal(selectShop);
  /** Null for a new one. */
  readonly record = input.required<MakerFiguresView | null>();
  readonly saved = output();
  readonly closed = output();
  protected readonly problem = signal<string | null>(null);
  protected readonly form = new FormGroup({
    name: new FormControl('', { nonNullable: true }),
    source: new FormControl('', { nonNullable: true }),
    system: systemForm(),
  });

  ngOnInit(): void {
    const record = this.record();
    if (record) this.form.setValue({ name: record.name, source: record.source, system: draftOf(record.system) });
  }

  protected save(): void {
    const shop = this.#shop();
    const { name, source, system } = this.form.getRawValue();
    const body = bodyOf(MakerFigures, this.form, {
      name: name.trim(),
      source: source.trim(),
      system: systemOf(system, this.record()?.system),
    });
    if (body === null || shop === null) return focusProblem(this.#host.ownerDocument.body);
    this.problem.set(null);
    this.#api.putMakerFigures(shop, this.record()?.id ?? newId(), body).subscribe({
      next: () => this.saved.emit(),
      error: (error: HttpErrorResponse) => this.problem.set(problemOf(error).detail),
    });
  }
}
