/** Names for people: steps, faults, parts, tests. */
import type { FaultName, StepName } from '../../format/names';
import type { Part } from '../../format/words';
import { FAULTS, OBSERVATIONS, TESTS, isTestName } from '../../trade/tables';

/** As at the beginning of a sentence. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
/** As inside a sentence. */
export const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** A fault's name at the start of a sentence. */
export const nameOf = (fault: FaultName): string => capital(FAULTS[fault].name);

/** A step's name for people, at the start of a sentence. */
export function stepName(step: StepName): string {
  if (step === 'charge') return 'Charge the battery';
  if (step === 'label') return 'Look at the label again';
  return isTestName(step) ? TESTS[step].name : OBSERVATIONS[step].asks;
}

/** A finding, a symptom's or an observation's short name as words. */
export const spaced = (name: string): string => name.replaceAll('-', ' ');

/** A part as it stands inside a sentence. */
export const PART_WORDS: Readonly<Record<Part, string>> = {
  battery: 'the battery',
  starter: 'the starter',
  alternator: 'the alternator',
  connections: 'the connection',
  control: 'the control circuit',
  belt: 'the belt',
  mechanical: 'the engine side',
  drain: 'the drain',
};

/** Names one after the other, with “and” before the last. @param names One or more. */
export const listed = (names: readonly (string | number)[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

/** Ways to a battery's health, as they stand in a sentence. */
export const WAYS: Readonly<Record<string, string>> = {
  conductance: 'conductance',
  'load-test': 'the load test',
  'internal-resistance': 'internal resistance',
  cranking: 'cranking volts and amps',
};
