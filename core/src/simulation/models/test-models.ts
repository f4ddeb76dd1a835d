/** How the circuit model gives every test, by the name of its file. Written by `npm run derive`; do not edit. */
import { alternatorCurrentModel } from '../../trade/tests/alternator-current';
import { alternatorStudVoltageModel } from '../../trade/tests/alternator-stud-voltage';
import { batteryCurrentModel } from '../../trade/tests/battery-current';
import { chargeAcceptanceModel } from '../../trade/tests/charge-acceptance';
import { chargingVoltageModel } from '../../trade/tests/charging-voltage';
import { conductanceModel } from '../../trade/tests/conductance';
import { crankingSpeedModel } from '../../trade/tests/cranking-speed';
import { crankingVoltageModel } from '../../trade/tests/cranking-voltage';
import { diodeForwardModel } from '../../trade/tests/diode-forward';
import { diodeReverseModel } from '../../trade/tests/diode-reverse';
import { dropBodyGroundModel } from '../../trade/tests/drop-body-ground';
import { dropChargeGroundModel } from '../../trade/tests/drop-charge-ground';
import { dropChargePositiveModel } from '../../trade/tests/drop-charge-positive';
import { dropChargeTotalModel } from '../../trade/tests/drop-charge-total';
import { dropEngineGroundModel } from '../../trade/tests/drop-engine-ground';
import { dropNegativePostModel } from '../../trade/tests/drop-negative-post';
import { dropPositivePostModel } from '../../trade/tests/drop-positive-post';
import { dropSolenoidModel } from '../../trade/tests/drop-solenoid';
import { dropStarterGroundModel } from '../../trade/tests/drop-starter-ground';
import { dropStarterPositiveModel } from '../../trade/tests/drop-starter-positive';
import { excitationVoltageModel } from '../../trade/tests/excitation-voltage';
import { fieldCurrentModel } from '../../trade/tests/field-current';
import { fieldDutyModel } from '../../trade/tests/field-duty';
import { fuseDropModel } from '../../trade/tests/fuse-drop';
import { holdChargeModel } from '../../trade/tests/hold-charge';
import { inrushCurrentModel } from '../../trade/tests/inrush-current';
import { inrushVoltageModel } from '../../trade/tests/inrush-voltage';
import { internalResistanceModel } from '../../trade/tests/internal-resistance';
import { loadTestModel } from '../../trade/tests/load-test';
import { moduleVoltageModel } from '../../trade/tests/module-voltage';
import { parasiticDrawModel } from '../../trade/tests/parasitic-draw';
import { recoveryVoltageModel } from '../../trade/tests/recovery-voltage';
import { restingVoltageModel } from '../../trade/tests/resting-voltage';
import { rippleAcModel } from '../../trade/tests/ripple-ac';
import { rippleWaveformModel } from '../../trade/tests/ripple-waveform';
import { specificGravityModel } from '../../trade/tests/specific-gravity';
import { starterControlVoltageModel } from '../../trade/tests/starter-control-voltage';
import { starterDrawModel } from '../../trade/tests/starter-draw';
import { starterMotorVoltageModel } from '../../trade/tests/starter-motor-voltage';

export const TEST_MODELS = {
  'alternator-current': alternatorCurrentModel,
  'alternator-stud-voltage': alternatorStudVoltageModel,
  'battery-current': batteryCurrentModel,
  'charge-acceptance': chargeAcceptanceModel,
  'charging-voltage': chargingVoltageModel,
  conductance: conductanceModel,
  'cranking-speed': crankingSpeedModel,
  'cranking-voltage': crankingVoltageModel,
  'diode-forward': diodeForwardModel,
  'diode-reverse': diodeReverseModel,
  'drop-body-ground': dropBodyGroundModel,
  'drop-charge-ground': dropChargeGroundModel,
  'drop-charge-positive': dropChargePositiveModel,
  'drop-charge-total': dropChargeTotalModel,
  'drop-engine-ground': dropEngineGroundModel,
  'drop-negative-post': dropNegativePostModel,
  'drop-positive-post': dropPositivePostModel,
  'drop-solenoid': dropSolenoidModel,
  'drop-starter-ground': dropStarterGroundModel,
  'drop-starter-positive': dropStarterPositiveModel,
  'excitation-voltage': excitationVoltageModel,
  'field-current': fieldCurrentModel,
  'field-duty': fieldDutyModel,
  'fuse-drop': fuseDropModel,
  'hold-charge': holdChargeModel,
  'inrush-current': inrushCurrentModel,
  'inrush-voltage': inrushVoltageModel,
  'internal-resistance': internalResistanceModel,
  'load-test': loadTestModel,
  'module-voltage': moduleVoltageModel,
  'parasitic-draw': parasiticDrawModel,
  'recovery-voltage': recoveryVoltageModel,
  'resting-voltage': restingVoltageModel,
  'ripple-ac': rippleAcModel,
  'ripple-waveform': rippleWaveformModel,
  'specific-gravity': specificGravityModel,
  'starter-control-voltage': starterControlVoltageModel,
  'starter-draw': starterDrawModel,
  'starter-motor-voltage': starterMotorVoltageModel,
} as const;
