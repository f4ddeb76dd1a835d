import { ChangeDetectionStrategy, Component, DestroyRef, computed, inject, output, signal } from '@angular/core';
import type { HttpErrorResponse } from '@angular/common/http';
import { Store } from '@ngrx/store';
import type { InstrumentView } from '@tetrad/contracts';
import type { Subscription } from 'rxjs';
import { Sentences } from '../../device/sentences';
import { InstrumentActions, selectInstruments } from '../../instruments/instruments.feature';
import { SimulatedHands } from '../../instruments/live/simulated-hands';
import { Button } from '../../kit/button';
import { Message } from '../../kit/message';
import { Api } from '../../api/api';
import { problemOf } from '../../api/loading';
import { selectShop } from '../../state/session/session.feature';

/** A whole start: rest before it, up to 8 s of cranking, and what follows. */
const START = { seconds: 12, samplesPerSecond: 5000, triggerAmps: 60, waitSeconds: 60 } as const;

/** Has the shop's recorder record a start: it begins by itself when current flows. */
@Component({
  selector: 'tt-record-panel',
  imports: [Button, Message, SimulatedHands],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (recorder of recorders(); track recorder.id) {
      @if (waitsFor() === null) {
        <button pButton (click)="record(recorder)">Record a start with {{ recorder.name }}</button>
      }
    }
    @if (waitsFor(); as recorder) {
      <p role="status">
        <strong>Crank now.</strong> {{ recorder.name }} begins by itself from {{ triggerAmps() }}, and records
        {{ seconds }} s.
      </p>
      @if (recorder.isSimulated) {
        <tt-simulated-hands test="inrush-current" />
      }
      <button pButton (click)="stop()">Cancel the recording</button>
    }
    @if (problem(); as text) {
      <tt-message>{{ text }}</tt-message>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }
    p {
      margin: 0;
    }
  `,
})
export class RecordPanel {
  readonly #api = inject(Api);
  readonly #store = inject(Store);
  readonly #shop = this.#store.selectSignal(selectShop);
  readonly #instruments = this.#store.selectSignal(selectInstruments);
  readonly #voice = inject(Sentences).voice;
  #running: Subscription | null = null;
  readonly recorded = output<File>();
  protected readonly recorders = computed(() =>
    this.#instruments().filter(({ kind, address }) => kind === 'scope' && address !== null),
  );
  protected readonly waitsFor = signal<InstrumentView | null>(null);
  protected readonly problem = signal<string | null>(null);
  protected readonly seconds = START.seconds;
  protected readonly triggerAmps = computed(() => this.#voice().amps(START.triggerAmps));

  constructor() {
    this.#store.dispatch(InstrumentActions.load());
    inject(DestroyRef).onDestroy(() => this.stop());
  }

  protected record(recorder: InstrumentView): void {
    const shop = this.#shop();
    if (shop === null) return;
    this.problem.set(null);
    this.waitsFor.set(recorder);
    this.#running = this.#api.recordInstrument(shop, recorder.id, START).subscribe({
      next: (capture) => {
        this.waitsFor.set(null);
        const at = new Date().toISOString().slice(0, 16).replace('T', ' ').replace(':', '.');
        this.recorded.emit(
          new File([JSON.stringify(capture)], `${recorder.name} ${at}.json`, { type: 'application/json' }),
        );
      },
      error: (failure: HttpErrorResponse) => {
        this.waitsFor.set(null);
        this.problem.set(problemOf(failure).detail);
      },
    });
  }
  protected stop(): void {
    this.#running?.unsubscribe();
    this.waitsFor.set(null);
  }
}
