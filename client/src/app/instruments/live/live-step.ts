import type { Signal } from '@angular/core';
import type { ReadingStep } from '@tetrad/core';

/** What is to be read just now, as bench and wheel tell it. */
export abstract class LiveStep {
  /** Null while nothing is asked of any instrument. */
  abstract readonly open: Signal<Pick<ReadingStep, 'test' | 'asks' | 'askedWith'> | null>;
}
