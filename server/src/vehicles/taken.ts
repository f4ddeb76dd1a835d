/** A plate or a VIN that another vehicle of the shop has. */
import { Refusal, problem } from '../platform/http/problem';

/** By the index that keeps it unique: the field, and what it is called. */
const UNIQUE: Readonly<Record<string, readonly [field: string, words: string]>> = {
  vehicle_plate: ['plate', 'plate'],
  vehicle_vin: ['vin', 'VIN'],
};

/** @throws Refusal 409 that names the field where the work would give two vehicles one plate or VIN. */
export async function refuseTaken<T>(
  work: () => Promise<T>,
  given: Readonly<Record<string, unknown>> = {},
): Promise<T> {
  try {
    return await work();
  } catch (error) {
    const taken = UNIQUE[(error as { constraint?: string } | null)?.constraint ?? ''];
    if (!taken) throw error;
    const [field, words] = taken;
    const found = typeof given[field] === 'string' ? given[field] : `a ${words} of this change`;
    throw new Refusal(
      problem(409, 'taken', `Another vehicle of this shop has this ${words}. Nothing was stored.`, [
        { field, found, allowed: `a ${words} that no other vehicle of this shop has` },
      ]),
    );
  }
}
