import { threshold } from '../../criteria/weights';
import { causes } from '../../evidence/finding';
import type { Finding } from '../../evidence/finding';
import type { FaultName } from '../../format/names';
import type { Failure } from '../derive/failures';
import { message } from '../messages';
import type { Ranked } from './rank-faults';

/** Over this how many times its limit a reading is says nothing more. */
const MAX_TOLD = 100;

const logOdds = (probability: number): number => Math.log(probability / (1 - probability));

/**
 * What lies straight across a fault and well outside its limit is never outvoted: with everything that speaks against it
 * the faults that it lies across come to nine in ten together.
 *
 * @param ranked The faults by everything else that was found.
 * @returns a finding for each such reading that falls short of it.
 */
export function directReadings(failing: readonly Failure[], ranked: readonly Ranked[]): readonly Finding[] {
  const probability = new Map<FaultName, number>(ranked.map((entry) => [entry.fault, entry.probability]));
  return failing
    .filter(({ faults, times }) => faults.length > 0 && times >= threshold('wellOutside'))
    .flatMap(({ reading, faults, times, isRepeated }): readonly Finding[] => {
      const least = threshold(isRepeated ? 'directTwice' : 'directReading');
      // pieces of one path that explain the same reading share its probability: together they have the sum
      const any = faults.reduce((sum, fault) => sum + probability.get(fault)!, 0);
      if (any >= least) return [];
      return [
        {
          causes: causes(...faults),
          weight: logOdds(least) - logOdds(Math.max(1e-6, any)),
          source: { reading: reading.id },
          says: message('well-outside', { reading, times: Math.min(times, MAX_TOLD) }),
        },
      ];
    });
}
