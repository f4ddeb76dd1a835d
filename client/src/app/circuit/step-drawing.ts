import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { TESTS } from '@tetrad/core';
import type { System, TestName } from '@tetrad/core';
import { CircuitDrawing } from './circuit-drawing';
import { PackDrawing } from './pack-drawing';

/** Where the leads go: at a battery of a pack that is read by itself, or in the vehicle's circuit. */
@Component({
  selector: 'tt-step-drawing',
  imports: [CircuitDrawing, PackDrawing],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (isPack()) {
      <tt-pack-drawing [test]="test()" [battery]="battery()" [count]="count()" [isSeries]="isSeries()" />
    } @else if (hasLeads()) {
      <tt-circuit [test]="test()" />
    }
  `,
})
export class StepDrawing {
  readonly test = input.required<TestName>();
  /** Which of a pack; 0 is the pack as connected. */
  readonly battery = input.required<number>();
  readonly system = input.required<System>();
  protected readonly count = computed(() => this.system().battery.count ?? 1);
  protected readonly isSeries = computed(() => this.system().battery.arrangement === 'series');
  /** A hydrometer has no leads to place. */
  protected readonly hasLeads = computed(() => TESTS[this.test()].leads !== null);
  protected readonly isPack = computed(() => this.count() > 1 && TESTS[this.test()].places[0].perBattery === true);
}
