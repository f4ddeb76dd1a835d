import type { EntryFault } from '@tetrad/core';

/** Why an entry was not understood, for people. */
export function entryProblem(fault: EntryFault): string {
  switch (fault.code) {
    case 'empty':
      return '';
    case 'not-a-number':
      return `“${fault.found}” is no number. Allowed: 12.61, 12,61, 610m, 230 mV.`;
    case 'wrong-unit':
      return `“${fault.found}” is another unit; this one is in ${fault.wanted}.`;
    default:
      throw new Error(`unknown entry fault ${JSON.stringify(fault satisfies never)}`);
  }
}
