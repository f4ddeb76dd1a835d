/** Who an instrument is: maker, model, serial number, firmware (IEEE 488.2-1992, 10.14). */
const FIELDS = 4;

/** What is said of something that answers `*IDN?` otherwise. */
export const NO_INSTRUMENT = 'what answers there is no instrument (IEEE 488.2, *IDN?)';

/** @param line The answer to `*IDN?`. @returns its four fields joined; null for an answer that no instrument gives. */
export function parseIdentity(line: string): string | null {
  const fields = line.split(',').map((field) => field.trim());
  return fields.length === FIELDS ? fields.join(', ') : null;
}
