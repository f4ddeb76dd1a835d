import type { TestName } from '../../format/names';
import { PATHS, PIECES, isPathTest } from '../../circuit/paths';
import type { Vehicle } from '../../circuit/model/vehicle';
import type { Instant } from './vehicle-in-time';

/** What is lost across a path at one moment, V; null for a test that is no path. */
export function pathVolts(test: TestName, { pieces }: Vehicle, now: Instant): number | null {
  if (!isPathTest(test)) return null;
  return PATHS[test].pieces.reduce((sum, piece) => {
    const amps = PIECES[piece].loadedBy === 'charging' ? now.alternatorAmps : now.motorAmps;
    return sum + amps * pieces[piece];
  }, 0);
}
