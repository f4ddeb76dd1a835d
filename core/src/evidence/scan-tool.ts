/** Volts that a scan tool shows: read at a module, brought to the post by the difference that was found once at key-on. */
import type { Reading } from '../format/reading-shape';

/** True for volts that were read at a module. */
export const isFromModule = ({ conditions }: Reading): boolean => conditions?.method === 'scan-tool';

/** The reading at the post; as it is where nobody compared the two. */
export function atThePost(reading: Reading): Reading {
  const offset = reading.conditions?.offsetVolts;
  return isFromModule(reading) && offset !== undefined && typeof reading.value === 'number'
    ? { ...reading, value: Number((reading.value + offset).toFixed(6)) }
    : reading;
}
