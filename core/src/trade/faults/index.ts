/** Every fault, by the name of its file. Written by `npm run derive`; do not edit. */
import { accessorySeized } from './accessory-seized';
import { alternatorDead } from './alternator-dead';
import { alternatorDiode } from './alternator-diode';
import { alternatorWeak } from './alternator-weak';
import { batteryDeadCell } from './battery-dead-cell';
import { batteryDischarged } from './battery-discharged';
import { batteryWorn } from './battery-worn';
import { beltSlip } from './belt-slip';
import { cableStarterGround } from './cable-starter-ground';
import { cableStarterPositive } from './cable-starter-positive';
import { chargeCableGround } from './charge-cable-ground';
import { chargeCablePositive } from './charge-cable-positive';
import { chargeControl } from './charge-control';
import { connectionNegativePost } from './connection-negative-post';
import { connectionPositivePost } from './connection-positive-post';
import { engineDrag } from './engine-drag';
import { groundBody } from './ground-body';
import { none } from './none';
import { parasiticDrain } from './parasitic-drain';
import { regulatorHigh } from './regulator-high';
import { solenoidContacts } from './solenoid-contacts';
import { starterControl } from './starter-control';
import { starterDragging } from './starter-dragging';
import { starterDrive } from './starter-drive';
import { starterJammed } from './starter-jammed';
import { starterWorn } from './starter-worn';

export const FAULT_FILES = {
  'accessory-seized': accessorySeized,
  'alternator-dead': alternatorDead,
  'alternator-diode': alternatorDiode,
  'alternator-weak': alternatorWeak,
  'battery-dead-cell': batteryDeadCell,
  'battery-discharged': batteryDischarged,
  'battery-worn': batteryWorn,
  'belt-slip': beltSlip,
  'cable-starter-ground': cableStarterGround,
  'cable-starter-positive': cableStarterPositive,
  'charge-cable-ground': chargeCableGround,
  'charge-cable-positive': chargeCablePositive,
  'charge-control': chargeControl,
  'connection-negative-post': connectionNegativePost,
  'connection-positive-post': connectionPositivePost,
  'engine-drag': engineDrag,
  'ground-body': groundBody,
  none,
  'parasitic-drain': parasiticDrain,
  'regulator-high': regulatorHigh,
  'solenoid-contacts': solenoidContacts,
  'starter-control': starterControl,
  'starter-dragging': starterDragging,
  'starter-drive': starterDrive,
  'starter-jammed': starterJammed,
  'starter-worn': starterWorn,
} as const;
