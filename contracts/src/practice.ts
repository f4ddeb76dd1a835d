import 'reflect-metadata';
import { practiceResultShape } from '@tetrad/core';
import type { PracticeResult } from '@tetrad/core';
import { Fits } from './fits';

/** The body that keeps how a practice visit went, for whoever is signed in: the id is the sender's. */
export class NewPracticeResult {
  @Fits(practiceResultShape, 0)
  result!: PracticeResult;
}

/** A result as it is told. */
export type PracticeResultView = PracticeResult & { readonly id: string };
/** What one person practiced, as a lead sees it. */
export interface PracticedPerson {
  readonly id: string;
  readonly name: string;
  readonly results: readonly PracticeResultView[];
}
