/** What is allowed at a place, as a code with its figures; `words/en/misfits` makes the sentence. */
export type Wanted =
  | {
      readonly code: 'number';
      readonly with: {
        readonly min?: number;
        readonly max?: number;
        readonly above?: number;
        readonly unit: string;
      };
    }
  | { readonly code: 'whole-number'; readonly with: { readonly min: number; readonly max: number } }
  | { readonly code: 'text'; readonly with: { readonly min: number; readonly max: number } }
  | { readonly code: 'one-of'; readonly with: { readonly words: readonly (string | number)[] } }
  | { readonly code: 'list'; readonly with: { readonly min: number; readonly max: number } }
  | { readonly code: 'flag' | 'day' | 'time' | 'object' | 'null' | 'json'; readonly with: Readonly<object> }
  | { readonly code: 'either'; readonly with: { readonly first: Wanted; readonly second: Wanted } }
  | { readonly code: 'reason-for-null'; readonly with: { readonly words: readonly string[] } }
  | { readonly code: 'own-id'; readonly with: { readonly takenBy: string } }
  | { readonly code: 'no-field'; readonly with: { readonly known: readonly string[] } }
  | { readonly code: 'less-unknown'; readonly with: { readonly maxBytes: number } };

/** One thing that does not fit. */
export interface Misfit {
  /** JSON path, for example `$.readings[2].value`. */
  readonly path: string;
  /** What was found there, shortened. */
  readonly found: string;
  readonly wanted: Wanted;
}

/** What a check finds: what does not fit, and how many characters of JSON nobody knows. */
export interface CheckReport {
  readonly misfits: Misfit[];
  unknownLength: number;
}
