/** Everything that may be observed, by the name of its file. Written by `npm run derive`; do not edit. */
import { accessoriesByHand } from './accessories-by-hand';
import { alternatorNoise } from './alternator-noise';
import { batteryCase } from './battery-case';
import { belt } from './belt';
import { beltRemovedCrank } from './belt-removed-crank';
import { chargeLamp } from './charge-lamp';
import { clampZero } from './clamp-zero';
import { crankByHand } from './crank-by-hand';
import { electrolyte } from './electrolyte';
import { fusibleLink } from './fusible-link';
import { groundStrap } from './ground-strap';
import { meterAc } from './meter-ac';
import { meterLeads } from './meter-leads';
import { neutralSwitch } from './neutral-switch';
import { plugsRemovedCrank } from './plugs-removed-crank';
import { solenoid } from './solenoid';
import { startRelayCoil } from './start-relay-coil';
import { startRelayFeed } from './start-relay-feed';
import { startRelayOutput } from './start-relay-output';
import { starterBenchRun } from './starter-bench-run';
import { starterLoosened } from './starter-loosened';
import { starterTap } from './starter-tap';
import { terminals } from './terminals';

export const OBSERVATION_FILES = {
  'accessories-by-hand': accessoriesByHand,
  'alternator-noise': alternatorNoise,
  'battery-case': batteryCase,
  belt,
  'belt-removed-crank': beltRemovedCrank,
  'charge-lamp': chargeLamp,
  'clamp-zero': clampZero,
  'crank-by-hand': crankByHand,
  electrolyte,
  'fusible-link': fusibleLink,
  'ground-strap': groundStrap,
  'meter-ac': meterAc,
  'meter-leads': meterLeads,
  'neutral-switch': neutralSwitch,
  'plugs-removed-crank': plugsRemovedCrank,
  solenoid,
  'start-relay-coil': startRelayCoil,
  'start-relay-feed': startRelayFeed,
  'start-relay-output': startRelayOutput,
  'starter-bench-run': starterBenchRun,
  'starter-loosened': starterLoosened,
  'starter-tap': starterTap,
  terminals,
} as const;
