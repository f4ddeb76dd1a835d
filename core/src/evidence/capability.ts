import { besideUnderLoads } from './beside';
import type { NumericReading, CaseContext } from './case-context';
import type { PathTest } from '../circuit/paths';
import { isClosed, pathReading } from './path-readings';

/** A field commanded at least this far shows all that the alternator can give, %. */
const FULL_FIELD_PERCENT = 95;
/** At or under this system voltage (12 V) the regulator asks for everything: 1 V under its target. */
const LIMITED_VOLTS = 13.0;
/** What a sound output path loses at most near full output (12 V): the alternator itself stands so much higher, V. */
const USUAL_LOSS_VOLTS = 0.3;

/** The drops that the alternator's output passes: side by side, or both in one reading. */
const OUTPUT_DROPS = [['drop-charge-positive', 'drop-charge-ground'], ['drop-charge-total']] as const;

/**
 * Volts lost between the alternator and the battery, there and back, by the drops that were read.
 *
 * @param amps Alternator output, A; absent: as the drops were read.
 * @returns V; 0 where no drop was read with a current.
 */
export function lostOnOutput(context: CaseContext, amps?: number): number {
  const lostIn = (test: PathTest): number => {
    const drop = pathReading(test, context);
    return drop && isClosed(drop) ? (drop.volts / drop.amps) * (amps ?? drop.amps) : 0;
  };
  return Math.max(...OUTPUT_DROPS.map((drops) => drops.reduce((sum, test) => sum + lostIn(test), 0)));
}

/**
 * Whether an alternator's amps are what it can give: `shown`; or only what the vehicle asked for, since the system holds its
 * volts (`holds`), or since the alternator does while they are lost on the way (`lost`). The regulator looks at the
 * alternator: what is lost behind it does not make it ask for more.
 */
export function capabilityOf(reading: NumericReading, context: CaseContext): 'shown' | 'holds' | 'lost' {
  const { value, conditions } = reading;
  const { systemVolts, fieldPercent = 0 } = conditions ?? {};
  if (fieldPercent >= FULL_FIELD_PERCENT) return 'shown';
  const system = systemVolts ?? besideUnderLoads(reading, 'charging-voltage', context)?.value;
  const limited = LIMITED_VOLTS * context.scale;
  if (system === undefined || system > limited) return 'holds';
  const lost = lostOnOutput(context, value) - USUAL_LOSS_VOLTS * context.scale;
  return lost > 0 && system + lost > limited ? 'lost' : 'shown';
}

/** True where an alternator's amps are what it can give, and not only what the vehicle asked for. */
export const showsCapability = (reading: NumericReading, context: CaseContext): boolean =>
  capabilityOf(reading, context) === 'shown';
