import { showValue } from '../assess';
import { coldDemand } from '../expected-draw';
import { formatQuantity } from '../../quantities/format';
import { latest, notPossible } from '../situation';
import { ABSENT, causes, weigh } from './finding';
import type { FindingRule } from './finding';

const HIGH_DRAW = causes('starter-dragging', 'engine-drag', 'accessory-seized');
const LOW_FLOW = causes(
  'connection-positive-post',
  'connection-negative-post',
  'cable-starter-positive',
  'cable-starter-ground',
  'solenoid-contacts',
  'starter-worn',
);
const OPEN = causes(
  'starter-control',
  'solenoid-contacts',
  'cable-starter-positive',
  'cable-starter-ground',
  'connection-positive-post',
  'connection-negative-post',
  ['starter-worn', 0.5],
);
/** Everything that makes an engine crank slowly. */
export const SLOW = causes(
  'battery-worn',
  'battery-dead-cell',
  'battery-discharged',
  'connection-positive-post',
  'connection-negative-post',
  'cable-starter-positive',
  'cable-starter-ground',
  'solenoid-contacts',
  'starter-worn',
  'starter-dragging',
  'engine-drag',
  'accessory-seized',
);
/** Amps under which nothing flows in the motor: a solenoid's own winding at most. */
const NO_FLOW_AMPS = 25;

/** ln(draw / middle of the usual range); a maker's range is narrow, the typical one is wide. */
const DRAW = {
  typical: { sound: [0, 0.28], high: [0.9, 0.35], low: [-0.85, 0.35] },
  specified: { sound: [0, 0.16], high: [0.65, 0.3], low: [-0.6, 0.3] },
} as const;

export const drawFindings: FindingRule = (situation, derived) => {
  const reading = latest(situation, 'starter-draw');
  if (!reading || derived.drawRatio === null) return [];
  const source = { reading: reading.id };
  const shown = (): string => `${showValue(reading)}, usual is about ${formatQuantity(situation.draw.reference, 'A')}`;
  if (reading.value < NO_FLOW_AMPS)
    return [
      { causes: OPEN, weight: 4, source, says: () => `no current flows (${showValue(reading)})` },
      { causes: HIGH_DRAW, weight: -4, source, says: () => `no current flows (${showValue(reading)})` },
    ];
  const ln = Math.log(Math.max(derived.drawRatio, 0.02));
  const { sound, high, low } = DRAW[situation.draw.source];
  const speed = latest(situation, 'cranking-speed');
  const spins = speed !== undefined && speed.value < 20 && derived.drawRatio < 0.75;
  return [
    { causes: HIGH_DRAW, weight: weigh(ln, { sound, faulty: high }), source, says: shown },
    spins
      ? {
          causes: causes('starter-drive'),
          weight: 3.5,
          source,
          says: () => `draws ${showValue(reading)} but the engine does not turn`,
        }
      : { causes: LOW_FLOW, weight: Math.max(ABSENT, weigh(ln, { sound, faulty: low })), source, says: shown },
    {
      causes: causes('starter-control'),
      weight: -5,
      source,
      says: () => `current flows (${showValue(reading)}): the control circuit works`,
    },
  ];
};

/** Lowest usual cranking speed, rpm, at rated volts (docs/criteria.md). */
const SLOWEST = { petrol: 150, diesel: 130 } as const;

export const speedFindings: FindingRule = (situation) => {
  const reading = latest(situation, 'cranking-speed');
  if (!reading) return [];
  const source = { reading: reading.id };
  const says = (): string => `${showValue(reading)} cranking`;
  if (reading.value < 20)
    return [{ causes: [...SLOW, ...causes('starter-control', 'starter-drive')], weight: 2, source, says }];
  const ln = Math.log((reading.value * Math.sqrt(coldDemand(situation.celsius))) / SLOWEST[situation.fuel]); // a cold engine turns slower
  return [
    { causes: SLOW, weight: Math.max(ABSENT, weigh(ln, { sound: [0.3, 0.18], faulty: [-0.3, 0.35] })), source, says },
    { causes: causes('starter-control', 'starter-drive'), weight: -4, source, says },
  ];
};

const WORN = causes('starter-worn');
const DRAGGED = causes('starter-dragging', 'engine-drag', 'accessory-seized', ['starter-worn', 0.3]);
/** From this share of the usual range's top a slow starter is dragged rather than worn. */
const MORE_THAN_USUAL = 0.95;
/** Volts lost on the way from which the way itself may explain a slow starter, per 12 V. */
const STARVED_VOLTS = 1.2;

/** rpm that a sound starter makes of each 10 V it gets, and how far vehicles differ (logarithm). */
const RPM_AT_10_V = { petrol: 205, diesel: 185 } as const;

/**
 * Slow although it gets its volts and asks no more amps than usual: the starter itself is worn. What the
 * paths lose is taken off where it was read.
 */
export const motorFindings: FindingRule = (situation, derived) => {
  const speed = latest(situation, 'cranking-speed');
  const posts = latest(situation, 'cranking-voltage');
  if (!speed || !posts || speed.value < 20) return [];
  const lost = (['drop-starter-positive', 'drop-starter-ground'] as const).map((test) => latest(situation, test));
  const gone = lost.reduce((sum, drop) => sum + Math.abs(drop?.value ?? 0), 0) / situation.scale;
  const volts = posts.value / situation.scale - gone;
  if (volts < 4) return [];
  const ln = Math.log(
    (speed.value * Math.sqrt(coldDemand(situation.celsius))) / RPM_AT_10_V[situation.fuel] / (volts / 10),
  );
  const asksMore = (derived.drawRatio ?? 1) * situation.draw.reference > situation.draw.max * MORE_THAN_USUAL;
  const tight = lost.every((drop) => drop !== undefined) ? 1 : 0.6;
  const weight = weigh(ln, { sound: [0, 0.17], faulty: [-0.62, 0.28] }) * tight;
  const source = { reading: speed.id };
  const says = (): string => `${showValue(speed)} from ${formatQuantity(volts * situation.scale, 'V')} at the starter`;
  // a motor that works well clears itself and nobody else; one that does not may be dragged or starved
  if (weight < 0) return [{ causes: WORN, weight: Math.max(-3, weight), source, says }];
  if (asksMore) return [{ causes: DRAGGED, weight: weight * 0.4, source, says }];
  return [{ causes: gone > STARVED_VOLTS ? LOW_FLOW : WORN, weight, source, says }];
};

export const controlFindings: FindingRule = (situation) => {
  const reading = latest(situation, 'starter-control-voltage');
  if (!reading) return [];
  const cranking = latest(situation, 'cranking-voltage')?.value ?? situation.resting ?? 12 * situation.scale;
  const share = reading.value / cranking;
  const source = { reading: reading.id };
  const says = (): string => `${showValue(reading)} reaches the solenoid with the key at start`;
  return [
    {
      causes: causes('starter-control'),
      weight: weigh(share, { sound: [0.95, 0.05], faulty: [0.35, 0.3] }),
      source,
      says,
    },
  ];
};

/** A starter that did not crank, said as a reading that was not possible. */
export const didNotCrankFindings: FindingRule = (situation) => {
  const reading = situation.readings.find(({ notPossible: why }) => why === 'did-not-crank');
  return reading && notPossible(situation, reading.test)
    ? [
        {
          causes: [
            ...OPEN,
            ...causes(
              'battery-discharged',
              'battery-dead-cell',
              ['battery-worn', 0.5],
              ['starter-dragging', 0.3],
              ['engine-drag', 0.4],
              ['accessory-seized', 0.2],
            ),
          ],
          weight: 1.5,
          source: { reading: reading.id },
          says: () => 'it did not crank',
        },
      ]
    : [];
};
