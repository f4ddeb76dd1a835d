/**
 * The practice bay: a vehicle with a hidden fault, in time, with leads that are put on its points. Not part of the core's
 * main entry: a page loads it in its worker only.
 */
export { PracticeBay } from './bay';
export type { Written } from './bay';
export type { Exercise } from './exercise';
export { readExercise, writeExercise } from './exercise-file';
export type { ExerciseResult } from './exercise-file';
export { EXERCISES, EXERCISE_GROUPS, anyVehicle, exerciseOf } from './exercises';
export { BAY_FUNCTIONS, isTakenByHand } from './hands';
export type { BayFunction, Hands } from './hands';
export { SAFETY_EVENTS } from './safety';
export type { SafetyEvent } from './safety';
export { isSolved, judgesPath } from './judges-path';
export type { JudgesPath } from './judges-path';
export type { PracticeCall, Score } from './score';
export { benchCase, foundAt, isForBench, scoreBenchVisit } from './bench-visit';
export { PracticeSession } from './session';
export type { Done, Hint, LeftVisit } from './session';
export { VOLT_RANGES } from './instruments';
export type { VoltRange } from './instruments';
export { REFUSALS } from './refusals';
export type { Refusal } from './refusals';
export { SENSES } from './senses';
export type { Sense } from './senses';
export type { InstrumentFaults, Setting } from './setting';
export { NOTHING_OFF } from './taken-off';
export type { TakenOff } from './taken-off';
