/** What is being read or seen just now, by what flows, where the leads are and what is taken off. */
import type { Flow } from '../circuit/points';
import type { ObservationName, TestName } from '../format/names';
import type { Controls, Instant } from '../simulation';
import { TESTS } from '../trade/tables';
import { testOf } from './hands';
import type { Hands } from './hands';
import type { TakenOff } from './taken-off';

/** What flows: the alternator's current, the starter's, the load tester's, or nothing. */
export function flowOf({ key, testerAmps }: Controls, { isRunning }: Instant): Flow {
  if (isRunning) return 'charging';
  if (key === 'start') return 'cranking';
  return testerAmps > 0 ? 'load' : 'none';
}

/** What a crank with belt or plugs off shows; null for any other moment. */
export function seeingOf(flow: Flow, { isBeltOff, arePlugsOut }: TakenOff): ObservationName | null {
  if (flow !== 'cranking' || (!isBeltOff && !arePlugsOut)) return null;
  return isBeltOff ? 'belt-removed-crank' : 'plugs-removed-crank';
}

/** The test that is being taken; null where no test of the trade is read so. An isolated battery is read by itself alone. */
export function testTaken(hands: Hands, flow: Flow): TestName | null {
  const test = testOf(hands, flow);
  const isOfBattery = test !== null && TESTS[test].places[0].perBattery === true;
  return hands.battery === null || isOfBattery ? test : null;
}
