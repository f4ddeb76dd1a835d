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
  version: 1,
  name: 'Heavy duty',
  note: 'Packs, diesels and 24 V: the maker’s cranking figure first, else the loaded floor by temperature.',
  limits: [
    ...COMMON_LIMITS,
    ...dropLimits('strictVolts'),
    crankingFloor(
      { kind: 'temperature-floor', points: LOAD_FLOOR },
      0.4,
      'Diesels whose modules need more have a maker’s figure, often 10 to 11.5 V: enter it with the vehicle.',
    ),
    ...chargingWindow(13.6, 14.8),
    rippleLimit(0.5, 0.3, 'Above 0.2 V look for the cause, above 0.5 V stop.'),
    conductanceLimit(0.75, 0.1),
    outputLimit(0.8),
    batteryCurrentLimit(15),
  ],
};
