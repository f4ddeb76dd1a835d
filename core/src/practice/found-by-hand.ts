import type { ObservationName } from '../format/names';

interface Felt {
  /** By its charge and the weather, before anything was done about it. */
  readonly isFrozen: boolean;
  readonly isAccessorySeized: boolean;
  /** Plugs out free a tight engine: what held it was in a cylinder. */
  readonly isFreedByPlugs: boolean;
}

/** What is found by looking at the battery, or by a crank with belt or plugs off; undefined for any other look. */
export function foundByHand(about: ObservationName, felt: Felt): string | undefined {
  const freed = (isFreed: boolean): string => (isFreed ? 'freed' : 'unchanged');
  if (about === 'belt-removed-crank') return freed(felt.isAccessorySeized);
  if (about === 'plugs-removed-crank') return freed(felt.isFreedByPlugs);
  return about === 'battery-case' && felt.isFrozen ? 'frozen' : undefined;
}
