import type { System } from '@tetrad/core';

type Rating = NonNullable<System['battery']['rating']>;

/** A rating as it stands on a label. */
export const ratingWords = ({ value, standard }: Rating): string => `${value} A ${standard}`;

/** The same system, its rating confirmed by somebody who looked at the label; without a rating there is nothing to confirm. */
export function withConfirmedRating(system: System): System {
  const { battery } = system;
  return battery.rating
    ? { ...system, battery: { ...battery, rating: { ...battery.rating, confirmed: true } } }
    : system;
}
