/** What every fault does to a vehicle, by the name of its file. Written by `npm run derive`; do not edit. */
import { accessorySeizedEffect } from '../../trade/faults/accessory-seized';
import { alternatorDeadEffect } from '../../trade/faults/alternator-dead';
import { alternatorDiodeEffect } from '../../trade/faults/alternator-diode';
import { alternatorWeakEffect } from '../../trade/faults/alternator-weak';
import { batteryDeadCellEffect } from '../../trade/faults/battery-dead-cell';
import { batteryDischargedEffect } from '../../trade/faults/battery-discharged';
import { batteryWornEffect } from '../../trade/faults/battery-worn';
import { beltSlipEffect } from '../../trade/faults/belt-slip';
import { cableStarterGroundEffect } from '../../trade/faults/cable-starter-ground';
import { cableStarterPositiveEffect } from '../../trade/faults/cable-starter-positive';
import { chargeCableGroundEffect } from '../../trade/faults/charge-cable-ground';
import { chargeCablePositiveEffect } from '../../trade/faults/charge-cable-positive';
import { chargeControlEffect } from '../../trade/faults/charge-control';
import { connectionNegativePostEffect } from '../../trade/faults/connection-negative-post';
import { connectionPositivePostEffect } from '../../trade/faults/connection-positive-post';
import { engineDragEffect } from '../../trade/faults/engine-drag';
import { groundBodyEffect } from '../../trade/faults/ground-body';
import { noneEffect } from '../../trade/faults/none';
import { parasiticDrainEffect } from '../../trade/faults/parasitic-drain';
import { regulatorHighEffect } from '../../trade/faults/regulator-high';
import { solenoidContactsEffect } from '../../trade/faults/solenoid-contacts';
import { starterControlEffect } from '../../trade/faults/starter-control';
import { starterDraggingEffect } from '../../trade/faults/starter-dragging';
import { starterDriveEffect } from '../../trade/faults/starter-drive';
import { starterJammedEffect } from '../../trade/faults/starter-jammed';
import { starterWornEffect } from '../../trade/faults/starter-worn';

export const FAULT_EFFECTS = {
  'accessory-seized': accessorySeizedEffect,
  'alternator-dead': alternatorDeadEffect,
  'alternator-diode': alternatorDiodeEffect,
  'alternator-weak': alternatorWeakEffect,
  'battery-dead-cell': batteryDeadCellEffect,
  'battery-discharged': batteryDischargedEffect,
  'battery-worn': batteryWornEffect,
  'belt-slip': beltSlipEffect,
  'cable-starter-ground': cableStarterGroundEffect,
  'cable-starter-positive': cableStarterPositiveEffect,
  'charge-cable-ground': chargeCableGroundEffect,
  'charge-cable-positive': chargeCablePositiveEffect,
  'charge-control': chargeControlEffect,
  'connection-negative-post': connectionNegativePostEffect,
  'connection-positive-post': connectionPositivePostEffect,
  'engine-drag': engineDragEffect,
  'ground-body': groundBodyEffect,
  none: noneEffect,
  'parasitic-drain': parasiticDrainEffect,
  'regulator-high': regulatorHighEffect,
  'solenoid-contacts': solenoidContactsEffect,
  'starter-control': starterControlEffect,
  'starter-dragging': starterDraggingEffect,
  'starter-drive': starterDriveEffect,
  'starter-jammed': starterJammedEffect,
  'starter-worn': starterWornEffect,
} as const;
