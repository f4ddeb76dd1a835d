import type { FaultName } from '../format/names';
import type { Setting } from './setting';

/** A vehicle with a hidden fault, and why somebody should practice on it. */
export interface Exercise {
  /** In the address: letters, digits and hyphens. */
  readonly id: string;
  readonly title: string;
  /** What is learned, in a sentence; told after the call. */
  readonly lesson: string;
  /** What the driver says. */
  readonly story: string;
  readonly faults: readonly FaultName[];
  /** 0 to 1. */
  readonly severity: number;
  /** Draws the vehicle and its weather: the same seed is the same vehicle. */
  readonly seed: number;
  /** Absent for an ordinary visit. */
  readonly setting?: Setting;
  /** Of whoever wrote it: asked for one by one, before the judge's own. */
  readonly hints?: readonly string[];
}
