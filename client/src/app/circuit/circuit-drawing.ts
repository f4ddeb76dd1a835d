import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { TESTS, describeLeads } from '@tetrad/core';
import type { TestName } from '@tetrad/core';
import { CircuitParts } from './circuit-parts';
import { lead } from './lead-curve';
import { ALIVE, CLAMP_AT, METER_BLACK, METER_RED, POINT_AT } from './circuit-points';

/** The vehicle's circuit as a line drawing, with the two leads or the clamp where they go for a test. */
@Component({
  selector: 'tt-circuit',
  imports: [CircuitParts],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './circuit-drawing.svg',
  styleUrl: './circuit.css',
})
export class CircuitDrawing {
  readonly test = input.required<TestName>();

  protected readonly placing = computed(() => TESTS[this.test()].leads);
  protected readonly spoken = computed(() => describeLeads(this.test()));
  protected readonly alive = computed(() => new Set<string>(ALIVE[this.placing()?.flow ?? 'none']));
  protected readonly meter = computed(() => {
    const unit = TESTS[this.test()].unit;
    return unit === 'ohm' ? 'Ω' : unit === 'rpm' ? 'V' : unit;
  });

  protected readonly leads = computed(() => {
    const { red, black } = this.placing() ?? {};
    return [
      ...(red ? [{ name: 'red', d: lead(METER_RED, POINT_AT[red].at), ...POINT_AT[red] }] : []),
      ...(black ? [{ name: 'black', d: lead(METER_BLACK, POINT_AT[black].at), ...POINT_AT[black] }] : []),
    ];
  });
  protected readonly clamp = computed(() => {
    const place = this.placing()?.clamp;
    return place ? CLAMP_AT[place] : null;
  });
}
