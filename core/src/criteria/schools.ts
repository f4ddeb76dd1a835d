/** The sets that ship: balanced, quick check, careful, heavy duty. */
import {
  COMMON_LIMITS,
  EXPECTED_DRAW,
  LOAD_FLOOR,
  batteryCurrentLimit,
  chargingWindow,
  conductanceLimit,
  crankingFloor,
  dropLimits,
  outputLimit,
  rippleLimit,
} from './common-limits';
import type { CriteriaSet } from './criteria-set';

const STRICT = { piece: 0.1, whole: 0.5, contacts: 0.3, ground: 0.2, chargePositive: 0.3, chargeGround: 0.1 };
const LENIENT = { piece: 0.5, whole: 0.5, contacts: 0.5, ground: 0.5, chargePositive: 0.5, chargeGround: 0.5 };
const shared = {
  expectedDraw: EXPECTED_DRAW,
  minimumCharge: 0.75,
  surfaceChargeVolts: 0.15,
  callProbability: 0.8,
} as const;

export const BALANCED: CriteriaSet = {
  ...shared,
  id: 'balanced',
  version: 1,
  name: 'Balanced',
  note: 'The default: strict where a fault hides, lenient where sound parts differ.',
  limits: [
    ...COMMON_LIMITS,
    ...dropLimits(STRICT),
    crankingFloor(
      { kind: 'temperature-floor', points: LOAD_FLOOR },
      0.2,
      'Not below 9.6 V at 21 °C while cranking; a cold battery is allowed what a load test allows it.',
    ),
    ...chargingWindow(13.5, 14.8),
    rippleLimit(0.5, 0.3, 'Above 0.2 V look for the cause, above 0.5 V stop: electronics and battery suffer.'),
    conductanceLimit(0.7, 0.1),
    outputLimit(0.8),
    batteryCurrentLimit(10),
  ],
};

export const QUICK_CHECK: CriteriaSet = {
  ...shared,
  id: 'quick-check',
  version: 1,
  name: 'Quick check',
  note: 'A first look in two minutes: few conditions, round figures.',
  limits: [
    ...COMMON_LIMITS,
    ...dropLimits(LENIENT),
    crankingFloor({ kind: 'band', min: 10.0 }, 0.1, 'Ten volts while cranking, at any temperature, is a quick pass.'),
    ...chargingWindow(13.5, 14.5),
    rippleLimit(0.5, 0.1, 'The lenient ceiling.'),
    conductanceLimit(0.7, 0.1),
    outputLimit(0.8),
    batteryCurrentLimit(10),
  ],
};

export const CAREFUL: CriteriaSet = {
  ...shared,
  id: 'careful',
  version: 1,
  name: 'Careful',
  note: 'For fleets that cannot afford a breakdown: tighter figures, and the sag instead of the floor.',
  limits: [
    ...COMMON_LIMITS,
    ...dropLimits({ ...STRICT, contacts: 0.2 }),
    crankingFloor({ kind: 'sag', maxVolts: 1.5 }, 0.2, 'Not more than 1.5 V under the resting voltage.'),
    ...chargingWindow(13.8, 14.8),
    rippleLimit(0.2, 0.1, 'The strict school acts above 0.2 V.'),
    conductanceLimit(0.8, 0.05),
    outputLimit(0.9),
    batteryCurrentLimit(3),
  ],
};

export const HEAVY_DUTY: CriteriaSet = {
  ...shared,
  id: 'heavy-duty',
  version: 1,
  name: 'Heavy duty',
  note: 'Packs, diesels and 24 V: the maker’s cranking figure first, else the loaded floor by temperature.',
  limits: [
    ...COMMON_LIMITS,
    ...dropLimits(STRICT),
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

export const SCHOOLS: readonly CriteriaSet[] = [BALANCED, QUICK_CHECK, CAREFUL, HEAVY_DUTY];

/** @returns the shipped set of that id, or undefined. */
export const schoolById = (id: string): CriteriaSet | undefined => SCHOOLS.find((set) => set.id === id);
