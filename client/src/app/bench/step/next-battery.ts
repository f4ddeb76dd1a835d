/** After one battery of a pack comes the next; after the last it stays. */
export const nextBattery = (batteries: readonly number[], now: number | undefined): number | undefined =>
  now === undefined ? undefined : batteries[batteries.indexOf(now) + 1];
