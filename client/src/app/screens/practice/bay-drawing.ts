import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { CLAMP_PLACES, TEST_POINTS } from '@tetrad/core';
import type { ClampPlace, TestPoint } from '@tetrad/core';
import type { BayView } from '../../practice/practice-messages';
import { CircuitParts } from '../../circuit/circuit-parts';
import { ALIVE, CLAMP_AT, METER_BLACK, METER_RED, POINT_AT } from '../../circuit/circuit-points';
import { lead } from '../../circuit/lead-curve';

export type InHand = 'red' | 'black' | 'clamp';

/** The vehicle with every point that a lead can be put on: a press puts there what is in the hand. */
@Component({
  selector: 'tt-bay-drawing',
  imports: [CircuitParts],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './bay-drawing.svg',
  styleUrls: ['../../circuit/circuit.css', './bay-drawing.css'],
})
export class BayDrawing {
  readonly bay = input.required<BayView>();
  readonly inHand = input.required<InHand>();
  readonly put = output<TestPoint>();
  readonly clamped = output<ClampPlace>();

  protected readonly alive = computed(() => new Set<string>(ALIVE[this.bay().flow]));
  protected readonly unit = computed(() => {
    const { unit } = this.bay().shown;
    return unit === 'ohm' ? 'Ω' : unit;
  });
  protected readonly points = Object.entries(POINT_AT).map(([name, place]) => ({
    name: name as TestPoint,
    words: TEST_POINTS[name as TestPoint],
    at: place.at,
  }));
  protected readonly places = Object.entries(CLAMP_AT).map(([name, place]) => ({
    name: name as ClampPlace,
    words: CLAMP_PLACES[name as ClampPlace],
    at: place.at,
  }));
  protected readonly leads = computed(() => {
    const { red, black } = this.bay().hands;
    return [
      ...(red ? [{ name: 'red', d: lead(METER_RED, POINT_AT[red].at), at: POINT_AT[red].at }] : []),
      ...(black ? [{ name: 'black', d: lead(METER_BLACK, POINT_AT[black].at), at: POINT_AT[black].at }] : []),
    ];
  });
  protected readonly clamp = computed(() => {
    const { clamp } = this.bay().hands;
    return clamp ? CLAMP_AT[clamp] : null;
  });
}
