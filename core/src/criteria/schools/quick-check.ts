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

export const QUICK_CHECK: CriteriaSet = {
  ...SHARED,
  id: 'quick-check',
  version: 2,
  name: 'Quick check',
  note: 'A first look in two minutes: few conditions, round figures.',
  costs: weighedCosts(0.6),
  limits: [
    ...COMMON_LIMITS,
    ...dropLimits('lenientVolts'),
    crankingFloor({ kind: 'band', min: 10.0 }, 0.1, 'note-quick-floor', { atMinus18: 0.9 }),
    ...chargingWindow(13.5, 14.5),
    rippleLimit(0.5, 0.1, 'note-ripple-ceiling'),
    conductanceLimit(0.7, 0.1),
    outputLimit(0.8),
    batteryCurrentLimit(10),
  ],
};
