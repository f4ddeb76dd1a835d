/** What the guide tells of every test, by the name of its file. Written by `npm run derive`; do not edit. */
import { alternatorCurrentGuide } from '../trade/tests/alternator-current';
import { alternatorStudVoltageGuide } from '../trade/tests/alternator-stud-voltage';
import { batteryCurrentGuide } from '../trade/tests/battery-current';
import { chargeAcceptanceGuide } from '../trade/tests/charge-acceptance';
import { chargingVoltageGuide } from '../trade/tests/charging-voltage';
import { conductanceGuide } from '../trade/tests/conductance';
import { crankingSpeedGuide } from '../trade/tests/cranking-speed';
import { crankingVoltageGuide } from '../trade/tests/cranking-voltage';
import { diodeForwardGuide } from '../trade/tests/diode-forward';
import { diodeReverseGuide } from '../trade/tests/diode-reverse';
import { dropBodyGroundGuide } from '../trade/tests/drop-body-ground';
import { dropChargeGroundGuide } from '../trade/tests/drop-charge-ground';
import { dropChargePositiveGuide } from '../trade/tests/drop-charge-positive';
import { dropChargeTotalGuide } from '../trade/tests/drop-charge-total';
import { dropEngineGroundGuide } from '../trade/tests/drop-engine-ground';
import { dropNegativePostGuide } from '../trade/tests/drop-negative-post';
import { dropPositivePostGuide } from '../trade/tests/drop-positive-post';
import { dropSolenoidGuide } from '../trade/tests/drop-solenoid';
import { dropStarterGroundGuide } from '../trade/tests/drop-starter-ground';
import { dropStarterPositiveGuide } from '../trade/tests/drop-starter-positive';
import { excitationVoltageGuide } from '../trade/tests/excitation-voltage';
import { fieldCurrentGuide } from '../trade/tests/field-current';
import { fieldDutyGuide } from '../trade/tests/field-duty';
import { fuseDropGuide } from '../trade/tests/fuse-drop';
import { holdChargeGuide } from '../trade/tests/hold-charge';
import { inrushCurrentGuide } from '../trade/tests/inrush-current';
import { inrushVoltageGuide } from '../trade/tests/inrush-voltage';
import { internalResistanceGuide } from '../trade/tests/internal-resistance';
import { loadTestGuide } from '../trade/tests/load-test';
import { moduleVoltageGuide } from '../trade/tests/module-voltage';
import { parasiticDrawGuide } from '../trade/tests/parasitic-draw';
import { recoveryVoltageGuide } from '../trade/tests/recovery-voltage';
import { restingVoltageGuide } from '../trade/tests/resting-voltage';
import { rippleAcGuide } from '../trade/tests/ripple-ac';
import { rippleWaveformGuide } from '../trade/tests/ripple-waveform';
import { specificGravityGuide } from '../trade/tests/specific-gravity';
import { starterControlVoltageGuide } from '../trade/tests/starter-control-voltage';
import { starterDrawGuide } from '../trade/tests/starter-draw';
import { starterMotorVoltageGuide } from '../trade/tests/starter-motor-voltage';

export const TEST_GUIDES = {
  'alternator-current': alternatorCurrentGuide,
  'alternator-stud-voltage': alternatorStudVoltageGuide,
  'battery-current': batteryCurrentGuide,
  'charge-acceptance': chargeAcceptanceGuide,
  'charging-voltage': chargingVoltageGuide,
  conductance: conductanceGuide,
  'cranking-speed': crankingSpeedGuide,
  'cranking-voltage': crankingVoltageGuide,
  'diode-forward': diodeForwardGuide,
  'diode-reverse': diodeReverseGuide,
  'drop-body-ground': dropBodyGroundGuide,
  'drop-charge-ground': dropChargeGroundGuide,
  'drop-charge-positive': dropChargePositiveGuide,
  'drop-charge-total': dropChargeTotalGuide,
  'drop-engine-ground': dropEngineGroundGuide,
  'drop-negative-post': dropNegativePostGuide,
  'drop-positive-post': dropPositivePostGuide,
  'drop-solenoid': dropSolenoidGuide,
  'drop-starter-ground': dropStarterGroundGuide,
  'drop-starter-positive': dropStarterPositiveGuide,
  'excitation-voltage': excitationVoltageGuide,
  'field-current': fieldCurrentGuide,
  'field-duty': fieldDutyGuide,
  'fuse-drop': fuseDropGuide,
  'hold-charge': holdChargeGuide,
  'inrush-current': inrushCurrentGuide,
  'inrush-voltage': inrushVoltageGuide,
  'internal-resistance': internalResistanceGuide,
  'load-test': loadTestGuide,
  'module-voltage': moduleVoltageGuide,
  'parasitic-draw': parasiticDrawGuide,
  'recovery-voltage': recoveryVoltageGuide,
  'resting-voltage': restingVoltageGuide,
  'ripple-ac': rippleAcGuide,
  'ripple-waveform': rippleWaveformGuide,
  'specific-gravity': specificGravityGuide,
  'starter-control-voltage': starterControlVoltageGuide,
  'starter-draw': starterDrawGuide,
  'starter-motor-voltage': starterMotorVoltageGuide,
} as const;
