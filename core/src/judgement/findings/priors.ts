/** How often each fault is behind a complaint about this system, before anything is read. */
import type { FaultName } from '../../case/vocabulary';

export const PRIOR: Readonly<Record<FaultName, number>> = {
  'battery-discharged': 0.05,
  'battery-worn': 0.08,
  'battery-dead-cell': 0.03,
  'connection-positive-post': 0.04,
  'connection-negative-post': 0.04,
  'cable-starter-positive': 0.03,
  'cable-starter-ground': 0.03,
  'solenoid-contacts': 0.03,
  'starter-control': 0.03,
  'starter-worn': 0.04,
  'starter-dragging': 0.03,
  'starter-drive': 0.02,
  'engine-drag': 0.02,
  'accessory-seized': 0.02,
  'alternator-dead': 0.04,
  'alternator-weak': 0.03,
  'alternator-diode': 0.03,
  'regulator-high': 0.02,
  'belt-slip': 0.03,
  'charge-cable-positive': 0.03,
  'charge-cable-ground': 0.03,
  'charge-control': 0.03,
  'parasitic-drain': 0.04,
  none: 0.5,
};
