import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { CONDUCTORS } from './circuit-points';

/** Battery, starter, alternator, block and body with their conductors, as a group of a drawing. */
@Component({
  // eslint-disable-next-line @angular-eslint/component-selector -- a group of an SVG has no element of its own
  selector: 'g[ttCircuitParts]',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './circuit-parts.svg',
  styleUrl: './circuit.css',
})
export class CircuitParts {
  /** Conductors that carry current. */
  readonly alive = input.required<ReadonlySet<string>>();
  protected readonly conductors = Object.entries(CONDUCTORS).map(([name, d]) => ({ name, d }));
}
