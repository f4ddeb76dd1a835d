import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { TakenOff } from '@tetrad/core/practice';
import { VehicleHands } from '../../instruments/live/vehicle-hands';
import { Button } from '../../kit/button';
import { Segmented } from '../../kit/segmented';
import { Select } from '../../kit/select';
import type { BayVehicle, BayView, ToPractice } from '../../practice/practice-messages';
import { PracticeVisit } from '../../practice/practice-visit';

/** Time that is skipped, and counts. */
const SKIPS: readonly { readonly label: string; readonly value: ToPractice }[] = [
  { label: 'Wait 1 min', value: { kind: 'wait', minutes: 1 } },
  { label: 'Wait 10 min', value: { kind: 'wait', minutes: 10 } },
  { label: 'Wait 40 min, locked', value: { kind: 'wait', minutes: 40 } },
  { label: 'Charge fully and rest', value: { kind: 'charge' } },
];
const TAKEN_OFF: readonly { readonly name: keyof TakenOff; readonly label: string }[] = [
  { name: 'isBeltOff', label: 'Belt off' },
  { name: 'arePlugsOut', label: 'Plugs out' },
  { name: 'isNegativeOff', label: 'Negative off' },
  { name: 'isPositiveOff', label: 'Positive off' },
];

/** What is done to the vehicle: key, fuel, loads, charger, what is taken off, and time that is skipped. */
@Component({
  selector: 'tt-bay-vehicle',
  imports: [Button, Segmented, Select, VehicleHands],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <tt-vehicle-hands [hands]="hands" [options]="options" [now]="bay().vehicle" (turned)="turn($event)" />
    <div class="row">
      <button pButton [attr.aria-pressed]="bay().vehicle.lamps" (click)="turn({ lamps: !bay().vehicle.lamps })">
        Headlamps
      </button>
      <button
        pButton
        [attr.aria-pressed]="bay().vehicle.isCharging"
        (click)="turn({ isCharging: !bay().vehicle.isCharging })"
      >
        Charger
      </button>
      @for (one of takenOff; track one.name) {
        <button
          pButton
          [attr.aria-pressed]="bay().takenOff[one.name]"
          (click)="visit.say({ kind: 'take-off', change: changeOf(one.name) })"
        >
          {{ one.label }}
        </button>
      }
      @if (batteries().length > 0) {
        <tt-segmented
          label="Battery that is isolated"
          [quiet]="true"
          [options]="batteries()"
          [value]="bay().hands.battery ?? 0"
          (valueChange)="isolate($event!)"
        />
      }
      <tt-select
        label="Skip time"
        [quiet]="true"
        placeholder="Wait or charge"
        [options]="skips"
        [value]="null"
        (valueChange)="skip($event)"
      />
    </div>
  `,
  styles: `
    :host {
      display: grid;
      gap: 8px;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px;
    }
  `,
})
export class BayVehicleHands {
  protected readonly visit = inject(PracticeVisit);
  readonly bay = input.required<BayView>();
  protected readonly hands = ['key', 'hasFuel', 'loads', 'throttle', 'isLoadTested'] as const;
  protected readonly options = {
    throttle: [
      { value: 0, label: 'Idle' },
      { value: 0.55, label: '2,000 rpm' },
    ],
    isLoadTested: [
      { value: false, label: 'Tester off' },
      { value: true, label: 'Half the CCA' },
    ],
  };
  protected readonly takenOff = TAKEN_OFF;
  protected readonly skips = SKIPS;
  /** Of a pack: all of them, or one by itself. */
  protected readonly batteries = computed(() => {
    const count = this.visit.visit()?.system.battery.count ?? 1;
    if (count < 2) return [];
    const each = Array.from({ length: count }, (_, at) => ({ value: at + 1, label: `Battery ${at + 1}` }));
    return [{ value: 0, label: 'Pack' }, ...each];
  });

  protected readonly changeOf = (name: keyof TakenOff): Partial<TakenOff> => ({ [name]: !this.bay().takenOff[name] });
  protected turn(hands: Partial<BayVehicle>): void {
    this.visit.say({ kind: 'vehicle', hands });
  }
  protected isolate(battery: number): void {
    this.visit.say({ kind: 'hands', hands: { battery: battery === 0 ? null : battery } });
  }
  protected skip(message: ToPractice | null): void {
    if (message) this.visit.say(message);
  }
}
