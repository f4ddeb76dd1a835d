import { COMMON_LIMITS } from '../common-limits';
import {
  batteryCurrentLimit,
  chargingWindow,
  conductanceLimit,
  crankingFloor,
  dropLimits,
  outputLimit,
  rippleLimit,
} from '../limit-makers';
import { weighedCosts } from '../costs';
import type { CriteriaSet } from '../criteria-set';
import { SHARED } from './shared';

export const CAREFUL: CriteriaSet = {
  ...SHARED,
  id: 'careful',
  version: 2,
  name: 'Careful',
  note: 'For fleets that cannot afford a breakdown: tighter figures, and the sag instead of the floor.',
  costs: weighedCosts(2),
  limits: [
    ...COMMON_LIMITS,
    ...dropLimits('strictVolts', { 'drop-solenoid': 0.2 }),
    crankingFloor({ kind: 'sag', maxVolts: 1.5 }, 0.2, 'note-sag', { atMinus18: 1.37 }),
    ...chargingWindow(13.8, 14.8),
    rippleLimit(0.2, 0.1, 'note-ripple-act'),
    conductanceLimit(0.8, 0.05),
    outputLimit(0.9),
    batteryCurrentLimit(3),
  ],
};
