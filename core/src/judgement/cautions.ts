/** Stops and cautions: what must not be done to this vehicle, and what to mind at the next step. */
import { freezingCelsius } from '../battery/state-of-charge';
import type { NextStep } from '../case/judgement-shape';
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
const CRANKING =
  'Stop the fuel, not only the spark. Parking brake on, gearbox in neutral. Crank at most 15 s, then let the starter cool for 60 s.';
const ACID = 'Goggles and gloves on, rings and watches off. Ventilate: no sparks or flame near the battery.';
const RUNNING = 'Keep leads and sleeves clear of belts, fans and hot exhaust.';

const BY_STEP: Readonly<Record<string, string>> = {
  'load-test': ACID,
  charge: ACID,
  'specific-gravity': ACID,
  'hold-charge': 'Negative clamp off first and on last; some vehicles need a memory saver.',
  'cranking-voltage': CRANKING,
  'starter-draw': CRANKING,
  'charging-voltage': RUNNING,
  'ripple-ac': RUNNING,
  'alternator-current': RUNNING,
  'alternator-stud-voltage': 'The alternator stud is live at all times: use an insulated probe.',
  'crank-by-hand': 'Key out, gearbox in neutral, before you turn the engine by hand.',
  'diode-reverse': 'Disconnect the battery first, negative clamp first.',
};

/** Cautions for this judgement: the stop, what the next steps ask for, and whose rules come first. */
export function cautionsFor(situation: Situation, next: readonly NextStep[]): readonly string[] {
  const stop = whyStop(situation);
  const steps = next.slice(0, 2).map(({ test }) => (test.startsWith('drop-starter') ? CRANKING : BY_STEP[test]));
  return [...new Set([stop?.because, ...steps, LOCAL_RULES].filter((text) => text !== undefined))];
}
