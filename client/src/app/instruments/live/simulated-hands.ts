import { ChangeDetectionStrategy, Component, DestroyRef, computed, effect, inject, input, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import type { SimulatedHands as Hands, SimulatedVehicleView } from '@tetrad/contracts';
import type { TestName } from '@tetrad/core';
import { interval } from 'rxjs';
import { Api } from '../../api/api';
import { selectShop } from '../../state/session/session.feature';
import { VehicleHands } from './vehicle-hands';
import type { HandName } from './vehicle-state';

const LOOK_MS = 1000;

/** Hands on the simulated vehicle behind the demo's instruments: leads go where the step wants them, the key is here. */
@Component({
  selector: 'tt-simulated-hands',
  imports: [VehicleHands],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (vehicle(); as now) {
      <div class="hands" role="group" aria-label="Simulated vehicle">
        <p class="soft">Simulated vehicle{{ now.isRunning ? ', running' : '' }}</p>
        <tt-vehicle-hands [hands]="hands()" [now]="now" (turned)="send($event)" />
      </div>
    }
  `,
  styles: `
    .hands {
      display: grid;
      gap: 8px;
      margin-bottom: 8px;
    }
    p {
      margin: 0;
    }
  `,
})
export class SimulatedHands {
  readonly #api = inject(Api);
  readonly #destroyed = inject(DestroyRef);
  readonly #shop = inject(Store).selectSignal(selectShop);
  readonly test = input.required<TestName>();
  protected readonly vehicle = signal<SimulatedVehicleView | null>(null);
  protected readonly hands = computed((): readonly HandName[] =>
    this.test() === 'load-test' ? ['isLoadTested'] : ['key', 'hasFuel', 'loads', 'throttle'],
  );

  constructor() {
    effect(() => this.send({ at: this.test() }));
    // it fires, or stalls, by itself
    interval(LOOK_MS)
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.send({}));
  }

  protected send(hands: Hands): void {
    const shop = this.#shop();
    if (shop === null) return;
    this.#api
      .moveSimulatedVehicle(shop, hands)
      .pipe(takeUntilDestroyed(this.#destroyed))
      .subscribe({ next: (vehicle) => this.vehicle.set(vehicle), error: () => this.vehicle.set(null) });
  }
}
