import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import type { VehicleView } from '@tetrad/contracts';
import { InputText } from 'primeng/inputtext';
import { Button } from '../../kit/button';
import { Dialog } from '../../kit/dialog';
import { Field } from '../../kit/field';
import { FocusFirst } from '../../kit/focus-first';
import { Api } from '../../api/api';
import { selectShop } from '../../state/session/session.feature';
import { map } from 'rxjs';

/** The vehicle that jobs are moved to: found by name, plate, VIN or group. */
@Component({
  selector: 'tt-move-dialog',
  imports: [Button, Dialog, Field, FocusFirst, InputText, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-dialog [header]="header()" (closed)="closed.emit()">
      <div class="rows">
        <p class="soft">{{ explains() }}</p>
        <tt-field label="Name, plate, VIN or group">
          <input
            pInputText
            ttFocusFirst
            type="search"
            maxlength="80"
            [formControl]="find"
            (input)="words.set(find.value.trim())"
          />
        </tt-field>
        <ul>
          @for (one of found(); track one.id) {
            <li>
              <button pButton kind="row" (click)="chosen.emit(one)">
                {{ one.name }} <span class="figure">{{ one.plate }}</span>
              </button>
            </li>
          } @empty {
            <li class="soft">
              {{ words() === '' ? 'Search for the other record.' : 'No other vehicle has these words.' }}
            </li>
          }
        </ul>
      </div>
    </tt-dialog>
  `,
  styles: `
    .rows {
      display: grid;
      gap: 12px;
      width: min(460px, calc(100vw - 72px));
    }
    p,
    ul {
      margin: 0;
    }
    ul {
      padding: 0;
      list-style: none;
      max-height: 280px;
      overflow: auto;
    }
  `,
})
export class MoveDialog {
  readonly #api = inject(Api);
  readonly #shop = inject(Store).selectSignal(selectShop);
  readonly header = input.required<string>();
  readonly explains = input.required<string>();
  /** The vehicle the jobs are of now: not offered. */
  readonly from = input.required<string>();
  readonly chosen = output<VehicleView>();
  readonly closed = output();
  protected readonly find = new FormControl('', { nonNullable: true });
  protected readonly words = signal('');
  readonly #vehicles = rxResource({
    params: () => {
      const [shop, find] = [this.#shop(), this.words()];
      return shop === null || find === '' ? undefined : { shop, find };
    },
    stream: ({ params: { shop, find } }) => this.#api.listVehicles(shop, { find }).pipe(map(({ rows }) => rows)),
  });
  protected readonly found = computed(() =>
    (this.#vehicles.hasValue() ? this.#vehicles.value() : []).filter(({ id }) => id !== this.from()),
  );
}
