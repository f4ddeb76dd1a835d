import type { Action, Part } from './words';

/** A decision by what is done to what. */
interface Taken {
  readonly action: Action | null;
  readonly part?: Part | null | undefined;
}

/** Whether two decisions do the same to the same part; where one is not there they are not the same. */
export const isSameDecision = (a: Taken | null, b: Taken | null): boolean =>
  a !== null && b !== null && a.action === b.action && (a.part ?? null) === (b.part ?? null);
