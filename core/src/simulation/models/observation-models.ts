/** What the circuit model shows, by the name of its file. Written by `npm run derive`; do not edit. */
import { accessoriesByHandModel } from '../../trade/observations/accessories-by-hand';
import { alternatorNoiseModel } from '../../trade/observations/alternator-noise';
import { batteryCaseModel } from '../../trade/observations/battery-case';
import { beltModel } from '../../trade/observations/belt';
import { beltRemovedCrankModel } from '../../trade/observations/belt-removed-crank';
import { chargeLampModel } from '../../trade/observations/charge-lamp';
import { clampZeroModel } from '../../trade/observations/clamp-zero';
import { crankByHandModel } from '../../trade/observations/crank-by-hand';
import { electrolyteModel } from '../../trade/observations/electrolyte';
import { fusibleLinkModel } from '../../trade/observations/fusible-link';
import { groundStrapModel } from '../../trade/observations/ground-strap';
import { meterAcModel } from '../../trade/observations/meter-ac';
import { meterLeadsModel } from '../../trade/observations/meter-leads';
import { neutralSwitchModel } from '../../trade/observations/neutral-switch';
import { plugsRemovedCrankModel } from '../../trade/observations/plugs-removed-crank';
import { solenoidModel } from '../../trade/observations/solenoid';
import { startRelayCoilModel } from '../../trade/observations/start-relay-coil';
import { startRelayFeedModel } from '../../trade/observations/start-relay-feed';
import { startRelayOutputModel } from '../../trade/observations/start-relay-output';
import { starterBenchRunModel } from '../../trade/observations/starter-bench-run';
import { starterLoosenedModel } from '../../trade/observations/starter-loosened';
import { starterTapModel } from '../../trade/observations/starter-tap';
import { terminalsModel } from '../../trade/observations/terminals';

export const OBSERVATION_MODELS = {
  'accessories-by-hand': accessoriesByHandModel,
  'alternator-noise': alternatorNoiseModel,
  'battery-case': batteryCaseModel,
  belt: beltModel,
  'belt-removed-crank': beltRemovedCrankModel,
  'charge-lamp': chargeLampModel,
  'clamp-zero': clampZeroModel,
  'crank-by-hand': crankByHandModel,
  electrolyte: electrolyteModel,
  'fusible-link': fusibleLinkModel,
  'ground-strap': groundStrapModel,
  'meter-ac': meterAcModel,
  'meter-leads': meterLeadsModel,
  'neutral-switch': neutralSwitchModel,
  'plugs-removed-crank': plugsRemovedCrankModel,
  solenoid: solenoidModel,
  'start-relay-coil': startRelayCoilModel,
  'start-relay-feed': startRelayFeedModel,
  'start-relay-output': startRelayOutputModel,
  'starter-bench-run': starterBenchRunModel,
  'starter-loosened': starterLoosenedModel,
  'starter-tap': starterTapModel,
  terminals: terminalsModel,
} as const;
