/** Every test of the format, by the name of its file. Written by `npm run derive`; do not edit. */
import { alternatorCurrent } from './alternator-current';
import { alternatorStudVoltage } from './alternator-stud-voltage';
import { batteryCurrent } from './battery-current';
import { chargeAcceptance } from './charge-acceptance';
import { chargingVoltage } from './charging-voltage';
import { conductance } from './conductance';
import { crankingSpeed } from './cranking-speed';
import { crankingVoltage } from './cranking-voltage';
import { diodeForward } from './diode-forward';
import { diodeReverse } from './diode-reverse';
import { dropBodyGround } from './drop-body-ground';
import { dropChargeGround } from './drop-charge-ground';
import { dropChargePositive } from './drop-charge-positive';
import { dropChargeTotal } from './drop-charge-total';
import { dropEngineGround } from './drop-engine-ground';
import { dropNegativePost } from './drop-negative-post';
import { dropPositivePost } from './drop-positive-post';
import { dropSolenoid } from './drop-solenoid';
import { dropStarterGround } from './drop-starter-ground';
import { dropStarterPositive } from './drop-starter-positive';
import { excitationVoltage } from './excitation-voltage';
import { fieldCurrent } from './field-current';
import { fieldDuty } from './field-duty';
import { fuseDrop } from './fuse-drop';
import { holdCharge } from './hold-charge';
import { inrushCurrent } from './inrush-current';
import { inrushVoltage } from './inrush-voltage';
import { internalResistance } from './internal-resistance';
import { loadTest } from './load-test';
import { moduleVoltage } from './module-voltage';
import { parasiticDraw } from './parasitic-draw';
import { recoveryVoltage } from './recovery-voltage';
import { restingVoltage } from './resting-voltage';
import { rippleAc } from './ripple-ac';
import { rippleWaveform } from './ripple-waveform';
import { specificGravity } from './specific-gravity';
import { starterControlVoltage } from './starter-control-voltage';
import { starterDraw } from './starter-draw';
import { starterMotorVoltage } from './starter-motor-voltage';

export const TEST_FILES = {
  'alternator-current': alternatorCurrent,
  'alternator-stud-voltage': alternatorStudVoltage,
  'battery-current': batteryCurrent,
  'charge-acceptance': chargeAcceptance,
  'charging-voltage': chargingVoltage,
  conductance,
  'cranking-speed': crankingSpeed,
  'cranking-voltage': crankingVoltage,
  'diode-forward': diodeForward,
  'diode-reverse': diodeReverse,
  'drop-body-ground': dropBodyGround,
  'drop-charge-ground': dropChargeGround,
  'drop-charge-positive': dropChargePositive,
  'drop-charge-total': dropChargeTotal,
  'drop-engine-ground': dropEngineGround,
  'drop-negative-post': dropNegativePost,
  'drop-positive-post': dropPositivePost,
  'drop-solenoid': dropSolenoid,
  'drop-starter-ground': dropStarterGround,
  'drop-starter-positive': dropStarterPositive,
  'excitation-voltage': excitationVoltage,
  'field-current': fieldCurrent,
  'field-duty': fieldDuty,
  'fuse-drop': fuseDrop,
  'hold-charge': holdCharge,
  'inrush-current': inrushCurrent,
  'inrush-voltage': inrushVoltage,
  'internal-resistance': internalResistance,
  'load-test': loadTest,
  'module-voltage': moduleVoltage,
  'parasitic-draw': parasiticDraw,
  'recovery-voltage': recoveryVoltage,
  'resting-voltage': restingVoltage,
  'ripple-ac': rippleAc,
  'ripple-waveform': rippleWaveform,
  'specific-gravity': specificGravity,
  'starter-control-voltage': starterControlVoltage,
  'starter-draw': starterDraw,
  'starter-motor-voltage': starterMotorVoltage,
} as const;
