import { DestroyRef, Injectable, inject, signal } from '@angular/core';
import { REFUSALS } from '@tetrad/core/practice';
import type { Exercise, Hint } from '@tetrad/core/practice';
import { LeftVisits } from './left-visits';
import { practiceWorker } from './practice-worker.factory';
import type { BayView, FromPractice, ToPractice, VisitView } from './practice-messages';

type Scored = Extract<FromPractice, { kind: 'score' }>;
const REFUSED = {
  ...REFUSALS,
  'no-test': 'No test of the trade is read so. Move the leads, or change what the vehicle does.',
  'over-range': 'Over range: nothing can be written down.',
} as const;

/** One visit to the bay, in its worker. */
@Injectable()
export class PracticeVisit {
  readonly #left = inject(LeftVisits);
  readonly #worker = practiceWorker();
  #exercise = '';
  readonly bay = signal<BayView | null>(null);
  readonly visit = signal<VisitView | null>(null);
  readonly refused = signal<string | null>(null);
  readonly hint = signal<Hint | null>(null);
  readonly scored = signal<Scored | null>(null);
  /** The call is being worked out against the judge's own path. */
  readonly isCalling = signal(false);

  constructor() {
    this.#worker.addEventListener('message', ({ data }: MessageEvent<FromPractice>) => this.#hear(data));
    this.#worker.addEventListener('error', ({ message }) =>
      this.refused.set(message || 'The vehicle could not be made.'),
    );
    inject(DestroyRef).onDestroy(() => this.#worker.terminate());
  }

  /** Opens an exercise: where it was left, or from the beginning. */
  open(exercise: Exercise, anew = false): void {
    const { id } = exercise;
    if (anew) this.#left.drop(id);
    this.#exercise = id;
    this.scored.set(null);
    this.say({ kind: 'open', exercise, left: this.#left.of(id) });
  }

  say(message: ToPractice): void {
    this.refused.set(null);
    if (message.kind === 'call') this.isCalling.set(true);
    if (message.kind !== 'hint') this.hint.set(null);
    this.#worker.postMessage(message);
  }

  #hear(message: FromPractice): void {
    switch (message.kind) {
      case 'bay':
        return this.bay.set(message.bay);
      case 'visit':
        this.#left.keep(this.#exercise, message.left);
        return this.visit.set(message.visit);
      case 'hint':
        return this.hint.set(message.hint);
      case 'refused':
        return this.refused.set(REFUSED[message.why]);
      case 'score':
        this.isCalling.set(false);
        this.#left.drop(this.#exercise);
        return this.scored.set(message);
      default:
        throw new Error(`unknown message ${JSON.stringify(message satisfies never)}`);
    }
  }
}
