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

export const HEAVY_DUTY: CriteriaSet = {
  ...SHARED,
  id: 'heavy-duty',
  version: 2,
  name: 'Heavy duty',
  note: 'Packs, diesels and 24 V: the maker’s cranking figure first, else the loaded floor by temperature.',
  limits: [
    ...COMMON_LIMITS,
    ...dropLimits('strictVolts'),
    crankingFloor({ kind: 'temperature-floor', points: LOAD_FLOOR }, 0.4, 'note-makers-floor'),
    ...chargingWindow(13.6, 14.8),
    rippleLimit(0.5, 0.3, 'note-ripple-stop'),
    conductanceLimit(0.75, 0.1),
    outputLimit(0.8),
    batteryCurrentLimit(15),
  ],
};
