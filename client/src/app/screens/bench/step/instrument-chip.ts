import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { TESTS } from '@tetrad/core';
import type { TestName } from '@tetrad/core';
import { Figures } from '../../../device/figures';
import { Chosen } from '../../../instruments/chosen';
import { checkWords } from '../../../instruments/is-today';
import { SerialPorts } from '../../../instruments/serial/serial-ports';
import { Button } from '../../../kit/button';
import { Dialog } from '../../../kit/dialog';
import { Message } from '../../../kit/message';
import { Select } from '../../../kit/select';
import { Store } from '@ngrx/store';
import { selectInstruments } from '../../../instruments/instruments.feature';
import { ReadWith } from '../../../instruments/read-with';

/** What this is read with, and whether it was checked today. */
@Component({
  selector: 'tt-instrument-chip',
  imports: [Button, Dialog, Message, RouterLink, Select],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <button pButton kind="bare" class="soft" (click)="choosing.set(true)">{{ words() }}</button>
    @if (choosing()) {
      <tt-dialog header="Read with" (closed)="choosing.set(false)">
        <div class="rows">
          <tt-select [label]="'For ' + unit()" [options]="options()" [value]="id()" (valueChange)="choose($event)" />
          @if (instrument(); as one) {
            <p>{{ check() }}</p>
            @if (ports.isSupported) {
              @if (ports.of(one.id)) {
                <p>Read live at a serial port of this computer.</p>
                <button pButton (click)="ports.disconnect(one.id)">Disconnect the serial port</button>
              } @else {
                <button pButton (click)="connect(one.id)">Connect {{ one.name }} to a serial port</button>
              }
            }
            @if (refused(); as why) {
              <tt-message>{{ why }}</tt-message>
            }
          }
          <a pButton routerLink="/instruments">Instruments of the shop, and their daily check</a>
        </div>
      </tt-dialog>
    }
  `,
  styles: `
    .rows {
      display: grid;
      gap: 16px;
      justify-items: start;
      width: min(420px, calc(100vw - 72px));
    }
    tt-select {
      width: 100%;
    }
  `,
})
export class InstrumentChip {
  readonly #figures = inject(Figures);
  readonly #readWith = inject(ReadWith);
  readonly #chosen = inject(Chosen);
  readonly #all = inject(Store).selectSignal(selectInstruments);
  readonly test = input.required<TestName>();
  protected readonly ports = inject(SerialPorts);
  protected readonly refused = signal<string | null>(null);
  protected readonly choosing = signal(false);
  readonly #unit = computed(() => TESTS[this.test()].unit);
  protected readonly unit = computed(() => (this.#unit() === 'ohm' ? 'Ω' : this.#unit()));
  protected readonly instrument = computed(() => this.#readWith.forUnit(this.#unit()));
  protected readonly id = computed(() => this.instrument()?.id ?? '');
  protected readonly options = computed(() => [
    { value: '', label: 'not told' },
    ...this.#all().map(({ id, name }) => ({ value: id, label: name })),
  ]);
  protected readonly check = computed(() => {
    const one = this.instrument();
    return one ? checkWords(one.check) : '';
  });
  protected readonly words = computed(() => {
    const one = this.instrument();
    if (!one) return 'Instrument';
    const uncertainty = one.uncertainty[this.#unit()];
    const off = uncertainty === undefined ? '' : ` ±${this.#figures.format().asGiven(uncertainty)} ${this.unit()}`;
    return `${one.name}${off} · ${this.check().toLowerCase()}`;
  });

  protected async connect(id: string): Promise<void> {
    this.refused.set(await this.ports.connect(id));
  }
  protected choose(id: string | null): void {
    this.#chosen.choose(this.#unit(), id || null);
  }
}
