/** The messages of the rules that several tests share; their sentences are in `words/en`. */
import { messages } from '../format/message';
import type { NoParams } from '../format/message';
import type { Reading } from '../format/reading-shape';
import type { TestName } from '../format/names';

export interface EvidenceMessages {
  readonly specified: { readonly test: TestName; readonly min?: number; readonly max?: number };
  readonly 'below-charge': { readonly charge: number; readonly needed: number };
  readonly 'charged-since': { readonly charge: number; readonly needed: number };
  readonly 'clamp-saturated': { readonly value: number; readonly ceiling: number };
  readonly 'misses-inrush': { readonly method: string };
  readonly 'drop-without-current': { readonly amps: number; readonly usual: number };
  readonly 'drop-current-unknown': NoParams;
  readonly 'part-above-whole': {
    readonly partTest: TestName;
    readonly part: number;
    readonly wholeTest: TestName;
    readonly whole: number;
  };
  readonly 'more-than-there-is': { readonly test: TestName; readonly value: number; readonly there: number };
  readonly 'closed-part': { readonly test: TestName; readonly value: number };
  readonly 'module-not-compared': NoParams;
  readonly peak: { readonly reading: Reading };
  readonly 'needs-rating': { readonly test: TestName; readonly value: number };
  readonly 'ask-above-resting': { readonly value: number; readonly resting: number };
  readonly 'ask-far-under-resting': { readonly value: number; readonly resting: number };
  readonly 'ask-hardly-a-battery': { readonly value: number };
  readonly 'ask-no-amps': { readonly value: number };
  readonly 'ask-no-ohms': { readonly value: number };
  readonly 'ask-beside-rating': { readonly value: number; readonly rated: number };
  readonly 'ask-more-than-drain': { readonly amps: number; readonly whole: number };
  readonly 'ask-too-fast': { readonly value: number };
  readonly 'diode-as-it-should': { readonly reading: Reading };
  readonly 'diode-not-as-it-should': { readonly reading: Reading };
}

export const message = messages<EvidenceMessages>();
