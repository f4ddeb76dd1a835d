/**
 * Void rules: what makes a reading unfit to judge by, as a table. Each rule sees one reading in its
 * situation and answers with the sentence that says why, or null. The first that speaks counts.
 */
import { batteryCca } from '../battery/rating';
import { restingVolts, restingVoltsAt25 } from '../battery/state-of-charge';
import type { Reading } from '../case/case-shape';
import { formatQuantity, formatShare } from '../quantities/format';
import { assess, showValue } from './assess';
import { referenceAmps } from './resolve-limit';
import { outsidePhysics } from './physics';
import { forUnit, isNumeric, latest } from './situation';
import type { NumericReading, Situation } from './situation';
import { cellSpread, voltsOfGravity } from './gravity';

export interface VoidRule {
  readonly id: string;
  readonly why: (reading: Reading, situation: Situation) => string | null;
}

const ofTest =
  (tests: readonly Reading['test'][], why: (reading: NumericReading, situation: Situation) => string | null) =>
  (reading: Reading, situation: Situation): string | null =>
    tests.includes(reading.test) && isNumeric(reading) ? why(reading, situation) : null;

/** Seconds of cranking before the speed is steady; sooner is inrush. */
const STEADY_AFTER_S = 2;
/** Least share of the usual current at which a drop means anything. */
const LEAST_CURRENT_SHARE = 0.5;
/** From this share on, a drop that fails already fails for sure: more current only deepens it. */
const LEAST_TELLING_SHARE = 0.15;
/** A drop this near to the whole battery voltage is an open path, whatever the current. */
const OPEN_PATH_VOLTS = 6;

export const VOID_RULES: readonly VoidRule[] = [
  {
    id: 'outside-physics',
    why: (reading, { case: { system } }) => {
      const wrong = outsidePhysics(reading, system.nominalVolts);
      if (wrong === null) return null;
      const meant = wrong.slip ? ` Was ${formatQuantity(wrong.slip.value, wrong.unit)} meant?` : '';
      return `${wrong.value} ${wrong.unit} is outside what this test can show (${wrong.min} to ${wrong.max} ${wrong.unit}).${meant}`;
    },
  },
  {
    id: 'surface-charge',
    why: ofTest(['resting-voltage'], (reading, { case: { system }, criteria, celsius, celsiusKnown }) => {
      const at = celsiusKnown ? celsius : 25;
      const full = restingVolts(1, system.battery.chemistry, system.nominalVolts, at);
      const above = full + criteria.surfaceChargeVolts * (system.nominalVolts / 12);
      const removed = reading.conditions?.surfaceChargeRemoved;
      const fresh = (reading.conditions?.minutesSinceCharge ?? Infinity) < 10;
      const needed = restingVolts(criteria.minimumCharge, system.battery.chemistry, system.nominalVolts, at);
      if (reading.value > above)
        return `${showValue(reading)} is more than a full battery rests at (${formatQuantity(full, 'V')}): surface charge. Lamps on for a minute, off, wait, and read again.`;
      if ((removed === false || (removed === undefined && fresh)) && reading.value >= needed)
        return 'Surface charge was not taken off, so this reads high: lamps on for a minute, off, wait, and read again.';
      return null;
    }),
  },
  {
    id: 'fast-peak-against-loaded-limit',
    why: ofTest(['cranking-voltage'], (reading) =>
      reading.conditions?.method === 'fast-peak'
        ? 'A fast-peak minimum is the inrush, far deeper than steady cranking: enter it as inrush voltage, and read the cranking voltage after 3 s.'
        : null,
    ),
  },
  {
    id: 'too-soon',
    why: ofTest(['cranking-voltage'], (reading) =>
      (reading.conditions?.seconds ?? Infinity) < STEADY_AFTER_S
        ? `After ${reading.conditions?.seconds} s the starter is still coming up to speed: crank on and read after 3 to 4 s.`
        : null,
    ),
  },
  {
    id: 'inrush-too-slow',
    why: ofTest(['inrush-voltage', 'inrush-current'], (reading) => {
      const method = reading.conditions?.method;
      return method === 'watched' || method === 'min-max'
        ? `A ${method} reading misses the inrush, which is over in milliseconds: it needs a fast peak or a scope.`
        : null;
    }),
  },
  {
    id: 'below-charge',
    why: (reading, situation) => {
      const tests: readonly Reading['test'][] = ['cranking-voltage', 'load-test', 'inrush-voltage', 'cranking-speed'];
      if (!tests.includes(reading.test) || situation.charge === null) return null;
      if (situation.charge >= situation.criteria.minimumCharge || deadCellVolts(situation)) return null;
      if (reading.test === 'load-test' && reading.conditions?.chargedBefore === true) return null;
      if (assess(reading, situation).grade !== 'outside') return null;
      return `The battery was ${formatShare(situation.charge)} charged; below ${formatShare(situation.criteria.minimumCharge)} a low reading proves nothing. Charge first, then repeat.`;
    },
  },
  {
    id: 'load-too-small',
    why: ofTest(['load-test'], (reading, { cca, criteria }) => {
      const { amps, seconds } = reading.conditions ?? {};
      if (cca === null || amps === undefined) return null;
      const failing = reading.value < 9 && criteria !== undefined;
      if (amps < cca * 0.4 && !failing)
        return `${formatQuantity(amps, 'A')} is less than half of ${formatQuantity(cca, 'A')} CCA: the load was too small to pass anything.`;
      return seconds !== undefined && seconds < 8 && !failing
        ? `${seconds} s is too short: load for 15 s, read at the end.`
        : null;
    }),
  },
  {
    id: 'clamp-saturated',
    why: ofTest(['starter-draw', 'inrush-current'], (reading) => {
      const ceiling = reading.conditions?.clampCeilingAmps;
      return ceiling !== undefined && reading.value >= ceiling * 0.97
        ? `${showValue(reading)} is the ceiling of the clamp (${formatQuantity(ceiling, 'A')}), not the current: use a larger clamp.`
        : null;
    }),
  },
  {
    id: 'clamp-offset',
    why: ofTest(['starter-draw'], (reading) => {
      const offset = Math.abs(reading.conditions?.zeroOffsetAmps ?? 0);
      return offset > Math.max(5, reading.value * 0.08)
        ? `The clamp stood ${formatQuantity(offset, 'A')} off zero: zero it in place and read again.`
        : null;
    }),
  },
  {
    id: 'clamp-scale',
    why: ofTest(['starter-draw'], (reading, situation) => {
      const cranking = latest(situation, 'cranking-voltage');
      const { resting, packCca: cca, draw } = situation;
      if (!cranking || resting === null) return null;
      const lost = resting - cranking.value;
      if (cca !== null && lost > 0.3 * situation.scale) {
        const healthiest = (lost * cca) / (1.5 * situation.scale);
        if (
          reading.value * 10 <= healthiest * 1.2 &&
          reading.value < draw.min * 0.3 &&
          lost > 0.8 * situation.scale &&
          situation.charge !== null &&
          reading.value > 1
        )
          return `${showValue(reading)} cannot pull the battery down by ${formatQuantity(lost, 'V')}: check the clamp’s scale, ten times is ${formatQuantity(reading.value * 10, 'A')}.`;
      }
      if (reading.value > draw.max * 4 && lost < 2.5 * situation.scale)
        return `${showValue(reading)} would pull the battery down much further than ${formatQuantity(lost, 'V')}: check the clamp’s scale, a tenth is ${formatQuantity(reading.value / 10, 'A')}.`;
      return null;
    }),
  },
  {
    id: 'drop-without-current',
    why: (reading, situation) => {
      if (!reading.test.startsWith('drop-') || !isNumeric(reading)) return null;
      const loadedBy = reading.test.startsWith('drop-charge') ? 'charging' : 'cranking';
      const reference = loadedBy === 'cranking' ? situation.draw.min : availableAmps(situation);
      const amps = reading.conditions?.amps;
      if (amps === undefined || reference === null || amps >= reference * LEAST_CURRENT_SHARE) return null;
      if (Math.abs(reading.value) >= OPEN_PATH_VOLTS * situation.scale) return null;
      if (amps >= reference * LEAST_TELLING_SHARE && assess(reading, situation).grade === 'outside') return null;
      return `Only ${formatQuantity(amps, 'A')} flowed, less than half of the usual ${formatQuantity(reference, 'A')}: a drop without current says nothing.`;
    },
  },
  {
    id: 'part-above-whole',
    why: ofTest(['drop-positive-post', 'drop-solenoid', 'drop-negative-post'], (reading, situation) => {
      const whole = latest(
        situation,
        reading.test === 'drop-negative-post' ? 'drop-starter-ground' : 'drop-starter-positive',
      );
      if (!whole) return null;
      const [part, all] = [ohmOf(reading, situation), ohmOf(whole, situation)];
      const differs = part - all > 0.25 * part && Math.abs(reading.value) > 0.15 * situation.scale;
      return differs && Math.abs(whole.value) < OPEN_PATH_VOLTS * situation.scale
        ? `A part of the path cannot lose more (${showValue(reading)}) than the whole (${showValue(whole)}): repeat both under the same current.`
        : null;
    }),
  },
  {
    id: 'more-than-there-is',
    why: (reading, situation) => {
      if (!reading.test.startsWith('drop-') || !isNumeric(reading)) return null;
      const there = situation.resting ?? 12.7 * situation.scale;
      return Math.abs(reading.value) > there * 1.08
        ? `${showValue(reading)} is more than the battery has (${formatQuantity(there, 'V')}).`
        : null;
    },
  },
  {
    id: 'gravity-against-volts',
    why: (reading, situation) => {
      if (reading.test !== 'specific-gravity' || !Array.isArray(reading.value) || situation.resting === null)
        return null;
      const cells = reading.value as readonly number[];
      const expected = voltsOfGravity(cells);
      const differs =
        Math.abs(expected - restingVoltsAt25(situation.resting, situation.case.system.nominalVolts)) > 0.6;
      return cells.length === 6 && cellSpread(cells) < 0.05 && differs
        ? `Six cells at these gravities make ${formatQuantity(expected, 'V')}, but ${formatQuantity(situation.resting, 'V')} was read at the posts: one of the two is wrong.`
        : null;
    },
  },
  {
    id: 'ripple-passes-dc',
    why: ofTest(['ripple-ac'], (reading, { scale }) =>
      reading.value > 8 * scale
        ? `${showValue(reading)} of ripple cannot be: this meter’s AC range lets the DC through. Use one that blocks it.`
        : null,
    ),
  },
  {
    id: 'module-not-compared',
    why: ofTest(['module-voltage'], (reading) =>
      reading.conditions?.offsetVolts === undefined
        ? 'A voltage read at a module is not the voltage at the post: compare them once at key-on and enter the difference.'
        : null,
    ),
  },
  {
    id: 'asleep',
    why: ofTest(['parasitic-draw'], (reading, situation) => {
      const asleep = reading.conditions?.minutesAsleep;
      return asleep !== undefined && asleep < 15 && assess(reading, situation).grade !== 'within'
        ? `After ${formatQuantity(asleep, 'min')} the modules may still be awake: latch the doors and wait 20 to 60 min.`
        : null;
    }),
  },
];

/** A drop brought to one amp, so that two readings under different currents can be compared. */
const ohmOf = (reading: NumericReading, situation: Situation): number =>
  Math.abs(reading.value) / Math.max(5, reading.conditions?.amps ?? situation.draw.reference);

/** The current a charging drop can be read at: 80 % of the rating, or all that a weak alternator gives. */
function availableAmps(situation: Situation): number | null {
  const rated = referenceAmps('charging', situation);
  const output = latest(situation, 'alternator-current')?.value;
  return rated !== null && output !== undefined && output > 3 ? Math.min(rated, output) : rated;
}

/** A cell is dead where a battery rests near 10.5 V: five good cells. */
export function deadCellVolts({ resting, case: { system } }: Situation): boolean {
  if (resting === null) return false;
  const at12 = restingVoltsAt25(resting, system.nominalVolts);
  return at12 > 9.6 && at12 < 10.9;
}

/** Why a reading may not be judged, or null. */
export function whyVoid(reading: Reading, whole: Situation): string | null {
  const situation = forUnit(whole, reading);
  for (const rule of VOID_RULES) {
    const why = rule.why(reading, situation);
    if (why !== null) return why;
  }
  return null;
}

/** CA is read off the label as CCA more often than any other slip; null where the label is silent or plausible. */
export function ratingSlip(situation: Situation): string | null {
  const { battery } = situation.case.system;
  const { rating, capacityAh } = battery;
  const cca = batteryCca(battery);
  if (!rating || cca === null || capacityAh === undefined) return null;
  const perAh = cca / capacityAh;
  return perAh > 14.5 && rating.standard === 'SAE'
    ? `${rating.value} A for ${capacityAh} Ah is more than such a battery has: is this CA (at 0 °C) and not CCA?`
    : null;
}
