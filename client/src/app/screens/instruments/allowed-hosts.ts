import type { HttpErrorResponse } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, effect, inject, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import { Textarea } from 'primeng/textarea';
import { EMPTY } from 'rxjs';
import { Button } from '../../kit/button';
import { Field } from '../../kit/field';
import { Fold } from '../../kit/fold';
import { Toasts } from '../../kit/toasts';
import { Api } from '../../api/api';
import { problemOf } from '../../api/loading';
import { selectShop } from '../../state/session/session.feature';

/** Where the server may connect to for instruments: an administrator says so. */
@Component({
  selector: 'tt-allowed-hosts',
  imports: [Button, Field, Fold, ReactiveFormsModule, Textarea],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-fold says="Where instruments may be read">
      <form [formGroup]="form" (ngSubmit)="save()">
        <tt-field
          label="Host and port, one a line"
          hint="192.168.1.20:5025. The server connects nowhere else."
          [error]="refused()"
        >
          <textarea pTextarea rows="5" formControlName="hosts" spellcheck="false" autocapitalize="none"></textarea>
        </tt-field>
        <button pButton type="submit">Save</button>
      </form>
    </tt-fold>
  `,
  styles: `
    form {
      display: grid;
      gap: 12px;
      justify-items: start;
      max-width: 420px;
    }
    tt-field,
    textarea {
      width: 100%;
    }
  `,
})
export class AllowedHosts {
  readonly #api = inject(Api);
  readonly #toasts = inject(Toasts);
  readonly #shop = inject(Store).selectSignal(selectShop);
  readonly #settings = rxResource({
    params: () => this.#shop(),
    stream: ({ params: shop }) => (shop === null ? EMPTY : this.#api.getSettings(shop)),
  });
  protected readonly form = new FormGroup({ hosts: new FormControl('', { nonNullable: true }) });
  protected readonly refused = signal<string | null>(null);

  constructor() {
    effect(() => {
      if (this.#settings.hasValue())
        this.form.setValue({ hosts: (this.#settings.value().instrumentHosts ?? []).join('\n') });
    });
  }

  protected save(): void {
    const shop = this.#shop();
    if (shop === null || !this.#settings.hasValue()) return;
    const { forgetsAtSignOut } = this.#settings.value();
    const instrumentHosts = this.form
      .getRawValue()
      .hosts.split(/\s+/)
      .map((host) => host.toLowerCase())
      .filter(Boolean);
    this.#api.changeSettings(shop, { forgetsAtSignOut, instrumentHosts }).subscribe({
      next: () => {
        this.refused.set(null);
        this.#toasts.say('Kept');
      },
      error: (failure: HttpErrorResponse) => this.refused.set(problemOf(failure).detail),
    });
  }
}
