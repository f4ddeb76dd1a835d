import type { Figures } from '../derive/derive';
import type { Situation } from '../situation';

/** What the findings of a test look at: valid readings, and what they give together. */
export interface Seen {
  readonly situation: Situation;
  readonly figures: Figures;
}
