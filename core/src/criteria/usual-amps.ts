/** The current that a path usually carries, A. */
export interface UsualAmps {
  /** Low and high end of what is usual; the current that drops are brought to: its middle. */
  readonly min: number;
  readonly max: number;
  readonly middle: number;
}

/**
 * What a drop is multiplied by to stand beside its plain limit: what counts is ohms. Anywhere in the usual range the plain
 * figure holds; with less current it shrinks in proportion to the low end; of more than usual a sound path loses more too.
 *
 * @param amps The current that the drop was read at, A.
 */
export function toPlainLimit(amps: number, { min, max, middle }: UsualAmps): number {
  if (amps < min) return min / amps;
  return amps > max ? middle / amps : 1;
}
