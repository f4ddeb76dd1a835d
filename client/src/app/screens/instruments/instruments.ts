import type { HttpErrorResponse } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { InstrumentBody, InstrumentView } from '@tetrad/contracts';
import { INSTRUMENTS, checksOf } from '@tetrad/core';
import type { CheckFindings } from '@tetrad/core';
import { TableModule } from 'primeng/table';
import { Figures } from '../../device/figures';
import { InstrumentActions, selectInstruments, selectInstrumentsLoading } from '../../instruments/instruments.feature';
import { checkWords, isToday } from '../../instruments/is-today';
import { Button } from '../../kit/button';
import { CsvFiles } from '../../kit/csv-files';
import { Message } from '../../kit/message';
import { Coming, Empty } from '../../kit/states';
import { Toasts } from '../../kit/toasts';
import { Api } from '../../api/api';
import { problemOf } from '../../api/loading';
import { newId } from '../../device/new-id';
import { selectMay, selectShop } from '../../state/session/session.feature';
import { AllowedHosts } from './allowed-hosts';
import { CheckDialog } from './check-dialog';
import { InstrumentDialog } from './instrument-dialog';
import { SimulatedVehicle } from './simulated-vehicle';

/** The shop's instruments: what each reads, how far it may be wrong, and its check of today. */
@Component({
  selector: 'tt-instruments',
  imports: [AllowedHosts, Button, CheckDialog, Coming, Empty, InstrumentDialog, Message, SimulatedVehicle, TableModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './instruments.html',
  styleUrl: './instruments.css',
})
export class Instruments {
  readonly #store = inject(Store);
  readonly #api = inject(Api);
  readonly #toasts = inject(Toasts);
  readonly #figures = inject(Figures);
  readonly #csv = inject(CsvFiles);
  readonly #shop = this.#store.selectSignal(selectShop);
  readonly #all = this.#store.selectSignal(selectInstruments);
  protected readonly loading = this.#store.selectSignal(selectInstrumentsLoading);

  protected readonly mayChangeShop = this.#store.selectSignal(selectMay('change-shop'));
  protected readonly editing = signal<InstrumentView | 'new' | null>(null);
  protected readonly checking = signal<InstrumentView | null>(null);
  protected readonly problem = signal<string | null>(null);
  /** A list of its own: the table sorts what it is given in place. */
  protected readonly rows = computed(() =>
    this.#all().map((one) => ({
      one,
      name: one.name,
      kind: INSTRUMENTS[one.kind].name,
      wrong: Object.entries(one.uncertainty)
        .map(([unit, by]) => `±${this.#figures.format().asGiven(by)} ${unit === 'ohm' ? 'Ω' : unit}`)
        .join(', '),
      check: checkWords(one.check),
      isDue: checksOf(one.kind).length > 0 && !(one.check && isToday(one.check.at)),
      isBad: one.check !== null && isToday(one.check.at) && !one.check.isGood,
      canCheck: checksOf(one.kind).length > 0,
    })),
  );

  protected readonly hasSimulated = computed(() => this.#all().some(({ isSimulated }) => isSimulated));
  protected readonly known = computed(() => {
    const editing = this.editing();
    return editing === 'new' ? null : editing;
  });

  constructor() {
    this.#store.dispatch(InstrumentActions.load());
  }

  protected exportCsv(): void {
    const table = this.rows().map(({ one, kind, wrong }) => ({
      instrument: one.id,
      name: one.name,
      kind,
      'may be wrong by': wrong,
      checked: one.check?.at ?? '',
      by: one.check?.by ?? '',
      good: one.check ? (one.check.isGood ? 'yes' : 'no') : '',
    }));
    void this.#csv.save('instruments', table);
  }

  protected store(body: InstrumentBody): void {
    const shop = this.#shop();
    if (shop === null) return;
    const id = this.known()?.id ?? newId();
    this.#api.putInstrument(shop, id, body).subscribe({
      next: (instrument) => {
        this.editing.set(null);
        this.#store.dispatch(InstrumentActions.stored({ instrument }));
        if (body.retired) this.#store.dispatch(InstrumentActions.load());
      },
      error: (failure: HttpErrorResponse) => this.problem.set(problemOf(failure).detail),
    });
  }

  protected retire(one: InstrumentView): void {
    const { name, kind, uncertainty, address, millivoltsPerAmp } = one;
    const same = { name, kind, uncertainty, address: address ?? '', ...(millivoltsPerAmp && { millivoltsPerAmp }) };
    this.editing.set(one);
    this.store({ ...same, retired: true });
    this.#toasts.say(`${name} retired`, () => {
      this.editing.set(one);
      this.store({ ...same, retired: false });
    });
  }

  protected checked(one: InstrumentView, findings: CheckFindings): void {
    const shop = this.#shop();
    if (shop === null) return;
    this.#api.checkInstrument(shop, one.id, { id: newId(), findings }).subscribe({
      next: (instrument) => {
        this.checking.set(null);
        this.#store.dispatch(InstrumentActions.stored({ instrument }));
        this.#toasts.say(`${one.name}: ${checkWords(instrument.check).toLowerCase()}`);
      },
      error: (failure: HttpErrorResponse) => this.problem.set(problemOf(failure).detail),
    });
  }
}
