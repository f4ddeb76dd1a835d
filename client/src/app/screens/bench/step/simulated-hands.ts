import { ChangeDetectionStrategy, Component, DestroyRef, effect, inject, input, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import type { SimulatedHands as Hands, SimulatedVehicleView } from '@tetrad/contracts';
import type { TestName } from '@tetrad/core';
import { Segmented } from '../../../kit/segmented';
import { Api } from '../../../state/api';
import { selectShop } from '../../../state/session/session.feature';

/** Hands on the simulated vehicle behind the demo's instruments: leads go where the step wants them, the key is here. */
@Component({
  selector: 'tt-simulated-hands',
  imports: [Segmented],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (vehicle(); as now) {
      <div class="hands" role="group" aria-label="Simulated vehicle">
        <p class="soft">Simulated vehicle{{ now.isRunning ? ', running' : '' }}</p>
        <tt-segmented
          label="Key"
          [quiet]="true"
          [options]="keys"
          [value]="now.key"
          (valueChange)="send({ key: $event! })"
        />
        <tt-segmented
          label="Fuel"
          [quiet]="true"
          [options]="fuel"
          [value]="now.hasFuel"
          (valueChange)="send({ hasFuel: $event! })"
        />
        <tt-segmented
          label="Loads"
          [quiet]="true"
          [options]="loads"
          [value]="now.loads"
          (valueChange)="send({ loads: $event! })"
        />
        <tt-segmented
          label="Engine speed"
          [quiet]="true"
          [options]="speeds"
          [value]="now.throttle"
          (valueChange)="send({ throttle: $event! })"
        />
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
  protected readonly keys = [
    { value: 'off' as const, label: 'Key off' },
    { value: 'on' as const, label: 'On' },
    { value: 'start' as const, label: 'Start' },
  ];
  protected readonly fuel = [
    { value: true, label: 'Fuel' },
    { value: false, label: 'Fuel stopped' },
  ];
  protected readonly loads = [
    { value: 'off' as const, label: 'Loads off' },
    { value: 'on' as const, label: 'On' },
    { value: 'full' as const, label: 'Full' },
  ];
  protected readonly speeds = [
    { value: 0, label: 'Idle' },
    { value: 0.5, label: '1,900 rpm' },
  ];

  constructor() {
    effect(() => this.send({ at: this.test() }));
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
