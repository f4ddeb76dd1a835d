import { CdkDrag } from '@angular/cdk/drag-drop';
import type { CdkDragEnd, CdkDragMove } from '@angular/cdk/drag-drop';
import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { CLAMP_PLACES, TEST_POINTS } from '@tetrad/core';
import type { ClampPlace, TestPoint } from '@tetrad/core';
import type { BayView } from '../../practice/practice-messages';
import { CircuitParts } from '../../circuit/circuit-parts';
import { ALIVE, CLAMP_AT, METER_BLACK, METER_RED, POINT_AT } from '../../circuit/circuit-points';
import { lead } from '../../circuit/lead-curve';

export type InHand = 'red' | 'black' | 'clamp';
type Place = readonly [x: number, y: number];

/** Where a clamp lies that is round nothing. */
const CLAMP_RESTS: Place = [206, 246];
/** A tip that is let go so near to a point is put on it, drawing units. */
const REACH = 18;

const nearest = <T extends string>(
  [x, y]: Place,
  of: readonly { readonly name: T; readonly at: Place }[],
): T | null => {
  const [first] = of
    .map(({ name, at }) => ({ name, far: Math.hypot(at[0] - x, at[1] - y) }))
    .sort((a, b) => a.far - b.far);
  return first && first.far <= REACH ? first.name : null;
};

/**
 * The vehicle with every point that a lead can be put on: a tip or the clamp is dragged there, or a press puts there what
 * is in the hand.
 */
@Component({
  selector: 'tt-bay-drawing',
  imports: [CdkDrag, CircuitParts],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './bay-drawing.svg',
  styleUrls: ['../../circuit/circuit.css', './bay-drawing.css'],
})
export class BayDrawing {
  readonly bay = input.required<BayView>();
  readonly inHand = input.required<InHand>();
  /** What stands on the display. */
  readonly shown = input.required<string>();
  /** A lead was put on a point, or taken off. */
  readonly put = output<{ readonly lead: 'red' | 'black'; readonly point: TestPoint | null }>();
  readonly clamped = output<ClampPlace | null>();
  /** What is being dragged, and where it is. */
  readonly #dragged = signal<{ readonly name: InHand; readonly at: Place } | null>(null);

  protected readonly alive = computed(() => new Set<string>(ALIVE[this.bay().flow]));
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
  protected readonly tips = computed(() => {
    const { red, black } = this.bay().hands;
    return [
      this.#tip('red', red ? POINT_AT[red].at : METER_RED, METER_RED),
      this.#tip('black', black ? POINT_AT[black].at : METER_BLACK, METER_BLACK),
    ];
  });
  protected readonly clamp = computed((): Place => {
    const { clamp } = this.bay().hands;
    return clamp ? CLAMP_AT[clamp].at : CLAMP_RESTS;
  });

  /** Which way the clamp's arrow points: along its conductor toward the battery, or turned. */
  protected readonly arrow = computed(() => {
    const [x, y] = this.clamp();
    const to = this.bay().hands.isClampTurned ? -1 : 1;
    return `M${x - 5} ${y - 3 * to}L${x} ${y + 4 * to}L${x + 5} ${y - 3 * to}`;
  });

  /** A press on a point: puts there what is in the hand, or takes off what is on it. */
  protected press(point: TestPoint): void {
    const lead = this.inHand();
    if (lead !== 'clamp') this.put.emit({ lead, point: this.bay().hands[lead] === point ? null : point });
  }
  protected pressPlace(place: ClampPlace): void {
    this.clamped.emit(this.bay().hands.clamp === place ? null : place);
  }
  /** A press on a tip is one on the point under it. */
  protected pressTip(name: 'red' | 'black'): void {
    const on = this.bay().hands[name];
    if (on) this.press(on);
  }

  protected pressClamp(): void {
    const { clamp } = this.bay().hands;
    if (clamp) this.pressPlace(clamp);
  }

  /** The library tells places in a drawing in the drawing's own units. */
  protected moved(name: InHand, { pointerPosition }: CdkDragMove): void {
    this.#dragged.set({ name, at: [pointerPosition.x, pointerPosition.y] });
  }
  protected dropped(name: InHand, { source, dropPoint }: CdkDragEnd): void {
    source.reset();
    this.#dragged.set(null);
    const at = [dropPoint.x, dropPoint.y] as const;
    if (name === 'clamp') this.clamped.emit(nearest(at, this.places));
    else this.put.emit({ lead: name, point: nearest(at, this.points) });
  }

  #tip(name: 'red' | 'black', at: Place, socket: Place) {
    const dragged = this.#dragged();
    const end = dragged?.name === name ? dragged.at : at;
    return { name, at, d: end === socket ? null : lead(socket, end) };
  }
}
