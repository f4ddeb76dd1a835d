import { latest } from './case-context';
import type { NumericReading, CaseContext } from './case-context';
import { isClosed, pathReading } from './path-readings';

/** A field commanded at least this far shows all that the alternator can give, %. */
const FULL_FIELD_PERCENT = 95;
/** At or under this system voltage (12 V) the regulator asks for everything: 1 V under its target. */
const LIMITED_VOLTS = 13.0;
/** What a sound output path loses at most near full output (12 V): the alternator itself stands so much higher, V. */
const USUAL_LOSS_VOLTS = 0.3;

/** The two drops that the alternator's output passes. */
const OUTPUT_DROPS = ['drop-charge-positive', 'drop-charge-ground'] as const;

/**
 * Volts lost between the alternator and the battery, there and back, by the drops that were read.
 *
 * @param amps Alternator output, A; absent: as the drops were read.
 * @returns V; 0 where neither drop was read with a current.
 */
export function lostOnOutput(context: CaseContext, amps?: number): number {
  let lost = 0;
  for (const test of OUTPUT_DROPS) {
    const drop = pathReading(test, context);
    if (drop && isClosed(drop)) lost += (drop.volts / drop.amps) * (amps ?? drop.amps);
  }
  return lost;
}

/**
 * Whether an alternator's amps are what it can give: `shown`; or only what the vehicle asked for, since the system holds its
 * volts (`holds`), or since the alternator does while they are lost on the way (`lost`). The regulator looks at the
 * alternator: what is lost behind it does not make it ask for more.
 */
export function capabilityOf({ value, conditions }: NumericReading, context: CaseContext): 'shown' | 'holds' | 'lost' {
  const { systemVolts, fieldPercent = 0 } = conditions ?? {};
  if (fieldPercent >= FULL_FIELD_PERCENT) return 'shown';
  const system = systemVolts ?? latest(context, 'charging-voltage')?.value;
  const limited = LIMITED_VOLTS * context.scale;
  if (system === undefined || system > limited) return 'holds';
  const lost = lostOnOutput(context, value) - USUAL_LOSS_VOLTS * context.scale;
  return lost > 0 && system + lost > limited ? 'lost' : 'shown';
}

/** True where an alternator's amps are what it can give, and not only what the vehicle asked for. */
export const showsCapability = (reading: NumericReading, context: CaseContext): boolean =>
  capabilityOf(reading, context) === 'shown';
