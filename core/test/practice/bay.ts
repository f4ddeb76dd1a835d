/** Bays with a vehicle, and what hands do in them often. */
import type { TestPoint } from '@tetrad/core';
import { EXERCISES, PracticeBay } from '../../src/practice';
import type { Exercise } from '../../src/practice';

export const sound: Exercise = { ...EXERCISES[0]!, id: 'sound', faults: ['none'] };
export const bayWith = (fault: Exercise['faults'][number], severity = 0.8, seed = 15): PracticeBay =>
  new PracticeBay({ ...sound, faults: [fault], severity, seed });
export function putOn(bay: PracticeBay, red: TestPoint, black: TestPoint): void {
  bay.take({ red, black });
}
/** What the meter shows a second after its leads were put on. */
export function readAcross(bay: PracticeBay, red: TestPoint, black: TestPoint): number | null {
  putOn(bay, red, black);
  bay.advance(1);
  return bay.shown.value;
}
export const crank = (bay: PracticeBay): void => {
  bay.set({ hasFuel: false, key: 'start' });
  bay.advance(5);
};
