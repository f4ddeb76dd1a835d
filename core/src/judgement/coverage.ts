/** The least that must be read before a vehicle may be called sound, by what it came in for. */
import type { StepName } from '../case/judgement-shape';
import type { SymptomName, TestName } from '../case/vocabulary';
import { notPossible } from './situation';
import type { Situation } from './situation';

const STARTING: readonly SymptomName[] = [
  'slow-crank',
  'no-crank-silent',
  'no-crank-single-click',
  'no-crank-rapid-clicks',
  'spins-without-cranking',
  'lamps-dim-on-crank',
  'resets-on-crank',
];
const STANDING: readonly SymptomName[] = ['goes-flat'];

/** Tests the complaint asks for that have neither a reading nor a reason why not. */
export function uncoveredTests(situation: Situation): readonly StepName[] {
  const symptoms = situation.case.complaint?.symptoms ?? [];
  const asked = new Set<TestName>(['resting-voltage', 'cranking-voltage', 'charging-voltage', 'ripple-ac']);
  if (symptoms.some((symptom) => STARTING.includes(symptom))) asked.add('starter-draw');
  if (symptoms.some((symptom) => STANDING.includes(symptom))) asked.add('parasitic-draw');
  return [...asked].filter(
    (test) => !situation.readings.some((reading) => reading.test === test) && !notPossible(situation, test),
  );
}
