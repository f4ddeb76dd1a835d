/** What the instrument in hand shows. */
import type { Vehicle } from '../circuit/model/vehicle';
import { smallSignalOhm, testerAmps } from '../simulation';
import type { Instant } from '../simulation';
import type { Hands } from './hands';
import type { BayInstruments } from './instruments';
import { isAtPosts } from './probe';

/** A figure as it stands on the display; null for over range. */
export interface Shown {
  readonly value: number | null;
  readonly decimals: number;
  readonly unit: 'V' | 'A' | 'ohm' | 'rpm' | '%';
}

interface Displayed {
  readonly hands: Hands;
  readonly vehicle: Vehicle;
  readonly instant: Instant;
  readonly instruments: Pick<BayInstruments, 'volts' | 'amps'>;
  /** What an AC range shows between the leads, V. */
  readonly ripple: number;
}

/** What the display shows in the function that is set; a tester that is not on the posts shows 0. */
export function shownBy({ hands, vehicle, instant, instruments: { volts, amps }, ripple }: Displayed): Shown {
  const figure = (value: number, decimals: number, unit: Shown['unit']): Shown => ({
    value: Number(value.toFixed(decimals)),
    decimals,
    unit,
  });
  const ofBattery = (value: number): number => (isAtPosts(hands) ? value : 0);
  switch (hands.use) {
    case 'amps-dc':
      return { value: amps.value, decimals: amps.decimals, unit: 'A' };
    case 'volts-dc':
      return { value: volts.value, decimals: volts.decimals, unit: 'V' };
    case 'volts-ac':
      return figure(ripple, 3, 'V');
    case 'conductance':
      return figure(ofBattery(testerAmps(vehicle)), 0, 'A');
    case 'battery-ohms':
      return figure(ofBattery(smallSignalOhm(vehicle)), 5, 'ohm');
    case 'engine-speed':
      return figure(instant.rpm, 0, 'rpm');
    case 'field-duty':
      return figure(instant.fieldPercent, 0, '%');
    default:
      throw new Error(`The instruments of the bay have no function ${String(hands.use satisfies never)}.`);
  }
}

/**
 * What is read: the display, or the recorder's extreme while something flows. Volts at the posts fall with the
 * current, a drop and the amps rise.
 *
 * @param recorded The recorder's extremes, in the unit shown; null where nothing was recorded.
 */
export function readFrom(
  { value }: Shown,
  recorded: { readonly lowest: number; readonly highest: number } | null,
  hands: Hands,
): number | null {
  if (value === null || recorded === null) return value;
  return isAtPosts(hands) && hands.use === 'volts-dc' ? recorded.lowest : recorded.highest;
}
