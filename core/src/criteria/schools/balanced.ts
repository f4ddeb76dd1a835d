import { COMMON_LIMITS, LOAD_FLOOR } from '../common-limits';
import {
  batteryCurrentLimit,
  chargingWindow,
  conductanceLimit,
  crankingFloor,
  dropLimits,
  outputLimit,
  rippleLimit,
} from '../limit-makers';
import type { CriteriaSet } from '../criteria-set';
import { SHARED } from './shared';

export const BALANCED: CriteriaSet = {
  ...SHARED,
  id: 'balanced',
  version: 2,
  name: 'Balanced',
  note: 'The default: strict where a fault hides, lenient where sound parts differ.',
  limits: [
    ...COMMON_LIMITS,
    ...dropLimits('strictVolts'),
    crankingFloor({ kind: 'temperature-floor', points: LOAD_FLOOR }, 0.2, 'note-cranking-floor'),
    ...chargingWindow(13.5, 14.8),
    rippleLimit(0.5, 0.3, 'note-ripple-stop'),
    conductanceLimit(0.7, 0.1),
    outputLimit(0.8),
    batteryCurrentLimit(10),
  ],
};
