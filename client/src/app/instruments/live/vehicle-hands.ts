import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { Segmented } from '../../kit/segmented';
import type { HandName, VehicleState } from './vehicle-state';

/** What may be chosen, each by its words. */
export type HandOptions = readonly { readonly value: unknown; readonly label: string }[];
interface Hand {
  readonly label: string;
  readonly options: HandOptions;
}
const HANDS = {
  key: {
    label: 'Key',
    options: [
      { value: 'off', label: 'Key off' },
      { value: 'on', label: 'On' },
      { value: 'start', label: 'Start' },
    ],
  },
  hasFuel: {
    label: 'Fuel',
    options: [
      { value: true, label: 'Fuel' },
      { value: false, label: 'Fuel stopped' },
    ],
  },
  loads: {
    label: 'Loads',
    options: [
      { value: 'off', label: 'Loads off' },
      { value: 'on', label: 'On' },
      { value: 'full', label: 'Full' },
    ],
  },
  throttle: {
    label: 'Engine speed',
    options: [
      { value: 0, label: 'Idle' },
      { value: 0.5, label: '1,900 rpm' },
    ],
  },
  isLoadTested: {
    label: 'Load tester',
    options: [
      { value: false, label: 'Tester off' },
      { value: true, label: 'Load on' },
    ],
  },
} as const satisfies Readonly<Record<HandName, Hand>>;

/** Key, fuel, loads, speed and load tester of a simulated vehicle: one choice each. */
@Component({
  selector: 'tt-vehicle-hands',
  imports: [Segmented],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (hand of shown(); track hand.name) {
      <tt-segmented
        [label]="hand.label"
        [quiet]="true"
        [options]="hand.options"
        [value]="now()[hand.name]"
        (valueChange)="turned.emit(changeOf(hand.name, $event))"
      />
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px 12px;
    }
  `,
})
export class VehicleHands {
  readonly now = input.required<VehicleState>();
  /** Which of them, in their order. */
  readonly hands = input.required<readonly HandName[]>();
  /** Other options than the usual ones. */
  readonly options = input<Readonly<Partial<Record<HandName, HandOptions>>>>({});
  readonly turned = output<Partial<VehicleState>>();
  protected readonly shown = computed(() =>
    this.hands().map((name) => ({
      name,
      label: HANDS[name].label,
      options: this.options()[name] ?? (HANDS[name].options as HandOptions),
    })),
  );
  protected readonly changeOf = (name: HandName, value: unknown): Partial<VehicleState> => ({ [name]: value });
}
