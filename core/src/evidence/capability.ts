import { latest } from './case-context';
import type { NumericReading, CaseContext } from './case-context';

/** A field commanded at least this far shows all that the alternator can give, %. */
const FULL_FIELD_PERCENT = 95;
/** At or under this system voltage (12 V) the regulator asks for everything: 1 V under its target. */
const LIMITED_VOLTS = 13.0;

/** True where an alternator's amps are what it can give, and not only what the vehicle asked for. */
export function showsCapability({ conditions }: NumericReading, context: CaseContext): boolean {
  const { systemVolts, fieldPercent = 0 } = conditions ?? {};
  const system = systemVolts ?? latest(context, 'charging-voltage')?.value;
  return fieldPercent >= FULL_FIELD_PERCENT || (system !== undefined && system <= LIMITED_VOLTS * context.scale);
}
