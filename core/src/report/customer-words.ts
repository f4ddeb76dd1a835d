/** What was found, for the customer: plain words, no figures that need a trade to read. */
import type { Decision } from '../case/judgement-shape';
import type { FaultName } from '../case/vocabulary';

const PLAIN: Readonly<Record<FaultName, string>> = {
  'battery-discharged': 'The battery is empty. It must be charged before anything can be said about it.',
  'battery-worn': 'The battery no longer holds what it should. Charged, it still cannot carry the starter.',
  'battery-dead-cell': 'One cell of the battery has failed. Charging cannot bring it back.',
  'connection-positive-post':
    'The connection at the battery’s positive post is bad. The battery itself is not the cause.',
  'connection-negative-post':
    'The connection at the battery’s negative post is bad. The battery itself is not the cause.',
  'cable-starter-positive':
    'The cable from the battery to the starter loses too much. Battery and starter are not the cause.',
  'cable-starter-ground': 'The ground connection of the starter loses too much. Battery and starter are not the cause.',
  'solenoid-contacts': 'The switch contacts inside the starter are burnt.',
  'starter-control': 'The starter is not told to work: a relay, fuse or switch on the way to it is open.',
  'starter-worn': 'The starter is worn: it gets what it needs and does not turn the engine as it should.',
  'starter-dragging': 'The starter turns hard and takes far more current than it should.',
  'starter-drive': 'The starter spins but does not take the engine along.',
  'engine-drag': 'The engine itself is hard to turn. The starter is not the cause.',
  'accessory-seized': 'Something the belt drives is seized and holds the engine back. The starter is not the cause.',
  'alternator-dead': 'The alternator gives no current: the battery is not charged while driving.',
  'alternator-weak': 'The alternator gives less than the vehicle needs.',
  'alternator-diode': 'A diode inside the alternator has failed: it charges poorly and disturbs the electronics.',
  'regulator-high': 'The battery is charged with too high a voltage and will be ruined by it.',
  'belt-slip': 'The belt slips, so that the alternator does not turn fast enough.',
  'charge-cable-positive': 'The cable from the alternator to the battery loses too much.',
  'charge-cable-ground': 'The alternator’s ground connection loses too much.',
  'charge-control': 'The alternator is not told to charge: its control wire or lamp circuit is open.',
  'parasitic-drain': 'Something takes current while the vehicle is parked and empties the battery.',
  none: 'Battery, starter, alternator and their connections are in order.',
};

/** The finding in plain words. */
export function customerWords({ action, fault, because }: Decision): string {
  switch (action) {
    case 'stop':
      return because;
    case 'test-next':
      return 'The tests are not finished: no part should be replaced on what is known so far.';
    case 'charge-first':
      return PLAIN['battery-discharged'];
    case 'none-found':
      return PLAIN.none;
    default:
      return fault ? PLAIN[fault] : because;
  }
}
