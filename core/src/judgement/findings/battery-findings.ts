import { formatQuantity, formatShare } from '../../quantities/format';
import { showValue } from '../assess';
import type { DerivedFigures } from '../derive';
import { cellSpread } from '../gravity';
import { batteryUnits, latest, readingsOf } from '../situation';
import type { Situation } from '../situation';
import { deadCellVolts } from '../void-rules';
import { causes, weigh } from './finding';
import type { Finding, FindingRule } from './finding';

/** ln(health): sound batteries of any age, and those that no longer do their work. */
const HEALTH = { sound: [0, 0.13], faulty: [-0.62, 0.26] } as const;

const LOW_CHARGE = causes(
  'battery-discharged',
  ['parasitic-drain', 0.6],
  ['alternator-dead', 0.5],
  ['charge-control', 0.5],
  ['battery-dead-cell', 0.3],
);
const DEAD_CELL = causes('battery-dead-cell');

/** What resting voltage says: how full, and whether a whole cell is missing. */
export const restingFindings: FindingRule = (situation) => {
  const reading = latest(situation, 'resting-voltage');
  if (!reading || situation.charge === null) return [];
  const source = { reading: reading.id };
  if (deadCellVolts(situation))
    return [
      {
        causes: causes('battery-dead-cell', ['battery-discharged', 0.03]),
        weight: 5,
        source,
        says: () => `${showValue(reading)} at rest is what five good cells of six show`,
      },
    ];
  const full = formatShare(situation.charge);
  const low = weigh(situation.charge, { sound: [0.92, 0.1], faulty: [0.3, 0.22] });
  return [
    {
      causes: LOW_CHARGE,
      weight: Math.max(low, -2.5),
      source,
      says: () => `${showValue(reading)} at rest is ${full} charged`,
    },
    {
      causes: DEAD_CELL,
      weight: situation.charge > 0.5 ? -3 : -1,
      source,
      says: () => `${showValue(reading)} at rest: all cells answer`,
    },
  ];
};

/** Charged, read again, and still low: it does not take or hold its charge. */
export const recheckFindings: FindingRule = (situation) => {
  const resting = readingsOf(situation, 'resting-voltage');
  const reading = resting.at(-1);
  if (
    !reading ||
    resting.length < 2 ||
    situation.charge === null ||
    situation.charge >= situation.criteria.minimumCharge
  )
    return [];
  const { charge } = situation;
  return [
    {
      causes: causes('battery-dead-cell', ['battery-worn', 0.3]),
      weight: 2.5,
      source: { reading: reading.id },
      says: () => `still ${formatShare(charge)} charged when it was read again`,
    },
  ];
};

/** What all measures of health say together, each battery of a pack by itself. */
export const healthFindings: FindingRule = (situation, derived) => {
  const worst = batteryUnits(situation)
    .map((unit) => fuseHealth(derived, unit))
    .filter((fused) => fused !== null)
    .sort((a, b) => a.lnHealth - b.lnHealth)[0];
  if (!worst) return [];
  const weight = weigh(worst.lnHealth, {
    sound: [HEALTH.sound[0], Math.hypot(HEALTH.sound[1], worst.spread)],
    faulty: [HEALTH.faulty[0], Math.hypot(HEALTH.faulty[1], worst.spread)],
  });
  return [
    {
      causes: causes('battery-worn', ['battery-dead-cell', 0.9]),
      weight,
      source: { reading: worst.reading },
      says: () => `health about ${formatShare(Math.min(1.2, Math.exp(worst.lnHealth)))} of rated, from ${worst.says}`,
    },
  ];
};

interface FusedHealth {
  readonly lnHealth: number;
  readonly spread: number;
  readonly reading: string;
  readonly says: string;
}

/** Measures of one latent health are averaged by their precision, never counted one by one. */
export function fuseHealth({ health }: DerivedFigures, unit?: number): FusedHealth | null {
  const measures = health.filter(({ reading }) => reading.battery === undefined || reading.battery === unit);
  if (measures.length === 0) return null;
  let weights = 0;
  let sum = 0;
  for (const { health: value, spread } of measures) {
    weights += 1 / spread ** 2;
    sum += Math.log(Math.min(Math.max(value, 0.05), 3)) / spread ** 2;
  }
  return {
    lnHealth: sum / weights,
    spread: 1 / Math.sqrt(weights),
    reading: measures.at(-1)!.reading.id,
    says: [...new Set(measures.map(({ says }) => says))].join(' and '),
  };
}

export const gravityFindings: FindingRule = (situation) => {
  const reading = situation.readings
    .filter(({ test, value }) => test === 'specific-gravity' && Array.isArray(value))
    .at(-1);
  if (!reading) return [];
  const cells = reading.value as readonly number[];
  const spread = cellSpread(cells);
  const weight = weigh(spread, { sound: [0.01, 0.009], faulty: [0.1, 0.035] });
  return [
    {
      causes: DEAD_CELL,
      weight: Math.max(-3, weight),
      source: { reading: reading.id },
      says: () => `gravity differs by ${spread.toFixed(3)} between cells`,
    },
  ];
};

export const holdFindings: FindingRule = (situation) => {
  const reading = latest(situation, 'hold-charge');
  const start = reading?.conditions?.startVolts ?? situation.resting;
  if (!reading || start === null) return [];
  const lost = (start - reading.value) / situation.scale;
  const says = (): string => `lost ${formatQuantity(lost * situation.scale, 'V')} standing disconnected`;
  const source = { reading: reading.id };
  return [
    {
      causes: causes('battery-dead-cell', ['battery-worn', lost < 1 ? 0.4 : 0.05]),
      weight: weigh(lost, { sound: [0.05, 0.1], faulty: [1.2, 0.6] }),
      source,
      says,
    },
  ];
};

export const acceptanceFindings: FindingRule = (situation) => {
  const reading = latest(situation, 'charge-acceptance');
  if (!reading || (situation.charge ?? 1) > 0.6) return [];
  const { volts = 14.5 * situation.scale, minutes = 0 } = reading.conditions ?? {};
  if (volts < 14.2 * situation.scale || minutes > 20) return [];
  return [
    {
      causes: causes('battery-worn'),
      weight: reading.value < 3 ? 1.8 : -0.6,
      source: { reading: reading.id },
      says: () => `took ${showValue(reading)} at ${formatQuantity(volts, 'V')}`,
    },
  ];
};

export const recoveryFindings: FindingRule = (situation) => {
  const reading = latest(situation, 'recovery-voltage');
  if (!reading || situation.resting === null || (reading.conditions?.secondsAfter ?? 5) < 1) return [];
  const short = (situation.resting - reading.value) / situation.scale;
  return [
    {
      causes: causes('battery-worn', 'battery-dead-cell', ['battery-discharged', 0.5]),
      weight: short > 0.7 ? 0.8 : -0.3,
      source: { reading: reading.id },
      says: () =>
        short > 0.7
          ? `still ${formatQuantity(short * situation.scale, 'V')} down after cranking`
          : 'bounced back after cranking',
    },
  ];
};

/** Cranking volts, where no amps were read to tell the battery from the load. */
export const sagFindings: FindingRule = (situation, derived) => {
  const reading = latest(situation, 'cranking-voltage');
  if (!reading || derived.crankingOhms !== null || situation.resting === null) return [];
  const lost = (situation.resting - reading.value) / situation.scale;
  const weight = weigh(lost, { sound: [1.7, 0.55], faulty: [4, 1.3] });
  return [
    {
      causes: causes(
        'battery-worn',
        'battery-dead-cell',
        ['battery-discharged', 0.7],
        ['starter-dragging', 0.7],
        ['engine-drag', 0.7],
        ['accessory-seized', 0.7],
      ),
      weight,
      source: { reading: reading.id },
      says: () => `cranking pulled the posts down by ${formatQuantity(lost * situation.scale, 'V')}`,
    },
  ];
};

const YEAR_MS = 365.25 * 24 * 3600 * 1000;

/** Age is a prior only. */
export const ageFindings: FindingRule = (situation: Situation): Finding[] => {
  const { installed } = situation.case.system.battery;
  const first = situation.readings[0];
  if (!installed || !first?.at) return [];
  const years = (Date.parse(first.at) - Date.parse(installed)) / YEAR_MS;
  if (!(years >= 0 && years < 40)) return [];
  const weight = weigh(years, { sound: [2.5, 2], faulty: [5.5, 2.5] });
  return [
    {
      causes: causes('battery-worn', ['battery-dead-cell', 0.7]),
      weight: Math.max(-0.8, Math.min(0.9, weight)),
      source: { reading: first.id },
      says: () => `the battery is ${years.toFixed(1)} years old`,
    },
  ];
};
