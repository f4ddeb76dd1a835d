/** Whatever a sound vehicle is brought in for: who does what the judge asks for ends with nothing found, and is never left alone. */
import { describe, expect, it } from '@jest/globals';
import { isTestName, judge } from '@tetrad/core';
import type { Case, Judgement, Observation, Reading } from '@tetrad/core';
import { caseOf, charging, read, rest, saw } from '../cases';

/** What each step shows: a 1.8 petrol with a battery of 560 A SAE. */
const SHOWS: Readonly<Record<string, Reading['value']>> = {
  conductance: 575,
  'load-test': 10.6,
  'internal-resistance': 0.0056,
  'hold-charge': 12.6,
  'cranking-voltage': 10.7,
  'starter-draw': 125,
  'cranking-speed': 205,
  'starter-control-voltage': 10.4,
  'drop-positive-post': 0.015,
  'drop-negative-post': 0.015,
  'drop-starter-positive': 0.24,
  'drop-solenoid': 0.11,
  'drop-starter-ground': 0.09,
  'drop-engine-ground': 0.06,
  'drop-body-ground': 0.03,
  'ripple-ac': 0.04,
  'ripple-waveform': 0.06,
  'alternator-current': 98,
  'field-duty': 55,
  'battery-current': 2.5,
  'alternator-stud-voltage': 12.6,
  'excitation-voltage': 12.3,
  'drop-charge-positive': 0.11,
  'drop-charge-ground': 0.03,
  'drop-charge-total': 0.14,
  'parasitic-draw': 0.025,
  'specific-gravity': [1.262, 1.265, 1.263, 1.264, 1.262, 1.266],
};
const LOOKS: Readonly<Record<string, Observation['finding']>> = {
  'battery-case': 'sound',
  terminals: 'clean',
  electrolyte: 'covered',
  belt: 'good',
  'charge-lamp': 'works',
  'alternator-noise': 'quiet',
  'ground-strap': 'sound',
  'fusible-link': 'sound',
  'crank-by-hand': 'turns',
  'belt-removed-crank': 'unchanged',
  'plugs-removed-crank': 'unchanged',
};
const AMPS = { cranking: 125, charging: 90 } as const;
const MAX_STEPS = 25;

/** What the step shows, under the conditions that it was asked with. */
function taken({ test, conditions }: Judgement['next'][number]): Reading {
  if (test === 'resting-voltage') return rest(12.64);
  if (test === 'charging-voltage') return conditions['loads'] === 'on' ? charging(13.9, 'on') : charging(14.2);
  const amps = test.startsWith('drop-charge') ? AMPS.charging : AMPS.cranking;
  return read(test as Reading['test'], SHOWS[test]!, {
    ...conditions,
    ...(test.startsWith('drop-') && { amps }),
    ...(test === 'cranking-voltage' && { method: 'watched', seconds: 8 }),
    ...(test === 'parasitic-draw' && { minutesAsleep: 40 }),
  });
}

function followed(symptoms: readonly string[]): { readonly said: Judgement; readonly steps: readonly string[] } {
  let subject: Case = caseOf([], { symptoms });
  let said = judge(subject);
  const steps: string[] = [];
  while (said.decision.action === 'test-next' && said.next[0] && steps.length < MAX_STEPS) {
    const step = said.next[0];
    steps.push(step.test);
    subject = isTestName(step.test)
      ? { ...subject, readings: [...subject.readings, taken(step)] }
      : {
          ...subject,
          observations: [...(subject.observations ?? []), saw(step.test as never, LOOKS[step.test]! as string)],
        };
    said = judge(subject);
  }
  return { said, steps };
}

describe('a sound vehicle that was brought in', () => {
  it.each([
    'for nothing named',
    'cranks-normally',
    'slow-crank',
    'goes-flat',
    'charge-lamp',
    'dim-at-idle',
    'lamps-dim-on-crank',
    'resets-on-crank',
    'bright-lamps',
    'radio-whine',
    'belt-squeal',
    'battery-smell',
    'slow-crank, lamps-dim-on-crank',
    'slow-crank, goes-flat',
  ])('%s', (complaint) => {
    const { said, steps } = followed(complaint === 'for nothing named' ? [] : complaint.split(', '));
    expect({ action: said.decision.action, steps }).toEqual({ action: 'none-found', steps });
    expect(new Set(steps).size).toBeGreaterThanOrEqual(steps.length - 1); // charging with loads off and on
  });
});
