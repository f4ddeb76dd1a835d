import { ChangeDetectionStrategy, Component, DestroyRef, computed, effect, inject, input, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import type { SimulatedHands as Hands, SimulatedVehicleView } from '@tetrad/contracts';
import type { TestName } from '@tetrad/core';
import { interval } from 'rxjs';
import { Segmented } from '../../kit/segmented';
import { Api } from '../../state/api';
import { selectShop } from '../../state/session/session.feature';

interface Hand {
  readonly label: string;
  readonly options: readonly { readonly value: unknown; readonly label: string }[];
  readonly now: (vehicle: SimulatedVehicleView) => unknown;
  readonly change: (value: unknown) => Hands;
}

const LOOK_MS = 1000;

/** What can be done to the vehicle, in the order in which it is done. */
const HANDS = {
  key: {
    label: 'Key',
    options: [
      { value: 'off', label: 'Key off' },
      { value: 'on', label: 'On' },
      { value: 'start', label: 'Start' },
    ],
    now: ({ key }) => key,
    change: (key) => ({ key }) as Hands,
  },
  fuel: {
    label: 'Fuel',
    options: [
      { value: true, label: 'Fuel' },
      { value: false, label: 'Fuel stopped' },
    ],
    now: ({ hasFuel }) => hasFuel,
    change: (hasFuel) => ({ hasFuel }) as Hands,
  },
  loads: {
    label: 'Loads',
    options: [
      { value: 'off', label: 'Loads off' },
      { value: 'on', label: 'On' },
      { value: 'full', label: 'Full' },
    ],
    now: ({ loads }) => loads,
    change: (loads) => ({ loads }) as Hands,
  },
  speed: {
    label: 'Engine speed',
    options: [
      { value: 0, label: 'Idle' },
      { value: 0.5, label: '1,900 rpm' },
    ],
    now: ({ throttle }) => throttle,
    change: (throttle) => ({ throttle }) as Hands,
  },
  tester: {
    label: 'Load tester',
    options: [
      { value: false, label: 'Tester off' },
      { value: true, label: 'Load on' },
    ],
    now: ({ isLoadTested }) => isLoadTested,
    change: (isLoadTested) => ({ isLoadTested }) as Hands,
  },
} as const satisfies Readonly<Record<string, Hand>>;

/** Hands on the simulated vehicle behind the demo's instruments: leads go where the step wants them, the key is here. */
@Component({
  selector: 'tt-simulated-hands',
  imports: [Segmented],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (vehicle(); as now) {
      <div class="hands" role="group" aria-label="Simulated vehicle">
        <p class="soft">Simulated vehicle{{ now.isRunning ? ', running' : '' }}</p>
        @for (hand of hands(); track hand.label) {
          <tt-segmented
            [label]="hand.label"
            [quiet]="true"
            [options]="hand.options"
            [value]="hand.now(now)"
            (valueChange)="send(hand.change($event))"
          />
        }
      </div>
    }
  `,
  styles: `
    .hands {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 12px;
      margin-bottom: 8px;
    }
    p {
      margin: 0;
      flex-basis: 100%;
    }
  `,
})
export class SimulatedHands {
  readonly #api = inject(Api);
  readonly #destroyed = inject(DestroyRef);
  readonly #shop = inject(Store).selectSignal(selectShop);
  readonly test = input.required<TestName>();
  protected readonly vehicle = signal<SimulatedVehicleView | null>(null);
  protected readonly hands = computed((): readonly Hand[] => {
    const { tester, ...others } = HANDS;
    return this.test() === 'load-test' ? [tester] : Object.values(others);
  });

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
      .simulatedVehicle(shop, hands)
      .pipe(takeUntilDestroyed(this.#destroyed))
      .subscribe({ next: (vehicle) => this.vehicle.set(vehicle), error: () => this.vehicle.set(null) });
  }
}
