import { FAULTS, TESTS, isTestName } from '../case/vocabulary';
import type { FaultName, OBSERVATION_NAMES } from '../case/vocabulary';
import type { StepName } from '../case/judgement-shape';

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** A fault's name at the start of a sentence. */
export const nameOf = (fault: FaultName): string => capital(FAULTS[fault].name);

const OBSERVATION_WORDS: Readonly<Record<(typeof OBSERVATION_NAMES)[number], string>> = {
  terminals: 'Look at the terminals',
  'battery-case': 'Look at the battery case',
  electrolyte: 'Look at the electrolyte level',
  belt: 'Look at the belt',
  'charge-lamp': 'Watch the charge lamp',
  'alternator-noise': 'Listen to the alternator',
  'crank-by-hand': 'Turn the engine by hand',
  'belt-removed-crank': 'Crank with the belt off',
  'plugs-removed-crank': 'Crank with the plugs out',
  'ground-strap': 'Look at the ground strap',
  'fusible-link': 'Look at the fusible link',
};

/** A step's name for people. */
export function stepName(step: StepName): string {
  if (step === 'charge') return 'Charge the battery';
  return isTestName(step) ? TESTS[step].name : OBSERVATION_WORDS[step];
}
