/** Stops and cautions: what must not be done to this vehicle, and what to mind at the next step. */
import { freezingCelsius } from '../battery/state-of-charge';
import type { NextStep, StepName } from '../case/judgement-shape';
import { observed } from './situation';
import type { Situation } from './situation';

const UNSAFE: Readonly<Record<string, string>> = {
  frozen: 'The battery is frozen: never test, charge or jump it. Thaw it in the warm, then look for cracks.',
  cracked: 'The battery case is cracked: never test, charge or jump it. Take it out with gloves and goggles on.',
  swollen: 'The battery case is swollen: never test, charge or jump it. Take it out with gloves and goggles on.',
};

/** Why nothing may be tested now, or null. */
export function whyStop(situation: Situation): { because: string; replace: boolean } | null {
  const found = observed(situation, 'battery-case');
  const because = found === undefined ? undefined : UNSAFE[found];
  if (because) return { because, replace: found !== 'frozen' };
  const { charge, celsius, celsiusKnown } = situation;
  if (
    charge !== null &&
    celsiusKnown &&
    celsius < freezingCelsius(charge) &&
    observed(situation, 'battery-case') === undefined
  )
    return {
      because: `At ${celsius} °C a battery this empty may be frozen: warm it through and look at the case before anything else.`,
      replace: false,
    };
  return null;
}

const LOCAL_RULES = 'Local rules, the maker’s instructions and licensed practice come first.';

/** Cautions by name: each is acknowledged once a job, by name and time. */
export const CAUTIONS = {
  cranking:
    'Stop the fuel, not only the spark. Parking brake on, gearbox in neutral. Crank at most 15 s, then let the starter cool for 60 s.',
  acid: 'Goggles and gloves on, rings and watches off. Ventilate: no sparks or flame near the battery.',
  running:
    'Keep leads and sleeves clear of belts, fans and hot exhaust. Never disconnect a battery with the engine running.',
  disconnect: 'Negative clamp off first and on last; some vehicles need a memory saver or registration.',
  stud: 'The alternator stud is live at all times: use an insulated probe.',
  'by-hand': 'Key out, gearbox in neutral, before you turn the engine by hand.',
} as const;
export type CautionName = keyof typeof CAUTIONS;
export const CAUTION_NAMES = Object.keys(CAUTIONS) as readonly CautionName[];

const BY_STEP: Readonly<Partial<Record<StepName, readonly CautionName[]>>> = {
  'load-test': ['acid'],
  charge: ['acid'],
  electrolyte: ['acid'],
  'specific-gravity': ['acid'],
  'charge-acceptance': ['acid'],
  'hold-charge': ['disconnect'],
  'cranking-voltage': ['cranking'],
  'inrush-voltage': ['cranking'],
  'inrush-current': ['cranking'],
  'starter-draw': ['cranking'],
  'cranking-speed': ['cranking'],
  'drop-positive-post': ['cranking'],
  'drop-negative-post': ['cranking'],
  'drop-starter-positive': ['cranking'],
  'drop-solenoid': ['cranking'],
  'drop-starter-ground': ['cranking'],
  'drop-engine-ground': ['cranking'],
  'drop-body-ground': ['cranking'],
  'starter-control-voltage': ['cranking'],
  'charging-voltage': ['running'],
  'ripple-ac': ['running'],
  'ripple-waveform': ['running'],
  'alternator-current': ['running', 'stud'],
  'battery-current': ['running'],
  'drop-charge-positive': ['running', 'stud'],
  'drop-charge-ground': ['running'],
  'alternator-stud-voltage': ['stud'],
  'crank-by-hand': ['by-hand'],
  'belt-removed-crank': ['by-hand', 'cranking'],
  'plugs-removed-crank': ['by-hand', 'cranking'],
  'diode-forward': ['disconnect', 'stud'],
  'diode-reverse': ['disconnect', 'stud'],
};

/** Cautions of one step, in the order they are read. */
export const cautionsOfStep = (step: StepName): readonly CautionName[] => BY_STEP[step] ?? [];

/** Cautions for this judgement: the stop, what the next steps ask for, and whose rules come first. */
export function cautionsFor(situation: Situation, next: readonly NextStep[]): readonly string[] {
  const stop = whyStop(situation);
  const steps = next.slice(0, 2).flatMap(({ test }) => cautionsOfStep(test).map((name) => CAUTIONS[name]));
  return [...new Set([stop?.because, ...steps, LOCAL_RULES].filter((text) => text !== undefined))];
}
