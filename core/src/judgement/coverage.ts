/** The least that must be read before a vehicle may be called sound, by what it came in for. */
import type { StepName } from '../case/judgement-shape';
import type { SymptomName, TestName } from '../case/vocabulary';
import { latest, notPossible, observed, readingsOf } from './situation';
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
const CHARGING: readonly SymptomName[] = ['charge-lamp', 'goes-flat', 'dim-at-idle', 'belt-squeal'];
const STANDING: readonly SymptomName[] = ['goes-flat'];

const ALWAYS: readonly TestName[] = ['resting-voltage', 'cranking-voltage', 'charging-voltage', 'ripple-ac'];
const FOR_STARTING: readonly TestName[] = [
  'starter-draw',
  'cranking-speed',
  'drop-starter-positive',
  'drop-starter-ground',
];

/** Tests the complaint asks for that have neither a reading nor a reason why not. */
export function uncoveredTests(situation: Situation): readonly StepName[] {
  const symptoms = situation.case.complaint?.symptoms ?? [];
  const has = (list: readonly SymptomName[]): boolean => symptoms.some((symptom) => list.includes(symptom));
  const asked = [
    ...ALWAYS,
    ...(has(STARTING) ? FOR_STARTING : []),
    ...(has(STANDING) ? (['parasitic-draw'] as const) : []),
  ];
  const open = asked.filter((test) => readingsOf(situation, test).length === 0 && !notPossible(situation, test));
  const loaded = readingsOf(situation, 'charging-voltage').some(
    ({ conditions, value }) => conditions?.loads === 'on' || value === null,
  );
  const tight =
    symptoms.includes('slow-crank') && asksALot(situation) && observed(situation, 'crank-by-hand') === undefined;
  const all: StepName[] = tight ? [...open, 'crank-by-hand'] : open;
  return has(CHARGING) && !loaded && !all.includes('charging-voltage') ? [...all, 'charging-voltage'] : all;
}

/** More amps than the middle of the usual range: something may be holding the engine. */
const asksALot = (situation: Situation): boolean =>
  (latest(situation, 'starter-draw')?.value ?? 0) > situation.draw.reference;
