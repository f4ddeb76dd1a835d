import { limitsOf } from '../../criteria/criteria-set';
import { latest, latestUnder } from '../../evidence/case-context';
import type { CaseContext, GradedCase } from '../../evidence/case-context';
import { CHARGES_ANYWAY, CHARGES_FROM_VOLTS } from '../../evidence/is-charging';
import { limitOf } from '../../evidence/limit-of';
import { causes, fixed, weighed } from '../../evidence/finding';
import { done } from '../../evidence/simulated-bench';
import { emf } from '../../circuit/model/cranking-circuit';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { POST_VOLTS } from '../measures';
import { across } from '../../circuit/points';
import { informs } from '../../evidence/step';
import type { Reading } from '../../format/reading-shape';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

/** What the battery has where nobody read it (12 V), V. */
const USUAL_VOLTS = 12.5;

const phrases = {
  'excitation-volts': (w: { value: number }, voice: Voice) => `${voice.volts(w.value)} of excitation, key on`,
  'which-terminal': (w: { value: number }, voice: Voice) =>
    `${voice.volts(w.value)} is right at a lamp or enable terminal and wrong at a supply: read it again and enter which terminal it is.`,
  [CHARGES_ANYWAY]: () => 'The alternator holds its volts: it is excited, whatever this terminal shows.',
  'lamp-feeds': (w: { value: number }, voice: Voice) => `${voice.volts(w.value)} at the lamp terminal, key on`,
  'enable-volts': (w: { value: number }, voice: Voice) => `${voice.volts(w.value)} on the enable line, key on`,
  'no-field-current': (w: { value: number }, voice: Voice) =>
    `${voice.volts(w.value)} at the lamp terminal: no field current flows through it`,
};
const say = sayer(phrases);

/** So near to its commanded target (12 V) an alternator holds it, V. */
const OFF_TARGET_VOLTS = 0.3;
/** A supply has the battery's volts, less what the set in use allows. */
function hasBatteryVolts(value: Reading['value'], { criteria, resting, scale }: CaseContext): boolean {
  if (resting === null || typeof value !== 'number') return false;
  for (const { rule } of limitsOf(criteria, 'excitation-voltage'))
    if (rule.kind === 'terminal-volts') return value >= resting - rule.underBattery * scale;
  return false;
}

/** It holds its volts, or its target: no terminal but the sense of one that overcharges tells anything more. */
function holdsItsVolts({ value, conditions }: Reading, context: CaseContext): boolean {
  const { resting, scale } = context;
  const { terminal } = conditions ?? {};
  const isSupply = terminal === undefined || terminal === 'supply';
  if (terminal === 'sense' || (isSupply && hasBatteryVolts(value, context))) return false;
  return (['off', 'on'] as const).some((loads) => {
    const reading = latestUnder(context, 'charging-voltage', loads);
    if (!reading) return false;
    const target = reading.conditions?.commandedVolts;
    return (
      (resting !== null && reading.value > resting + CHARGES_FROM_VOLTS * scale) ||
      (target !== undefined && Math.abs(reading.value - target) <= OFF_TARGET_VOLTS * scale)
    );
  });
}

const overcharges = (gradedCase: GradedCase): boolean =>
  (['off', 'on'] as const).some((loads) => {
    const reading = latestUnder(gradedCase, 'charging-voltage', loads);
    const limit = reading && limitOf(gradedCase, reading);
    return limit !== undefined && limit !== null && limit.value > limit.max;
  });

export const excitationVoltage: Test = {
  ...POST_VOLTS,
  usual: 12,
  name: 'Excitation voltage, key on',
  conditions: ['terminal', 'enableVolts'],
  places: [
    {
      group: 'Charging',
      at: 7,
      how: 'Key on. Supply or sense, lamp, or enable: what is right depends on the terminal.',
      asks: { terminal: null, enableVolts: null },
      askedWith: { enableVolts: ['terminal', 'enable'] },
      ticks: ['key-on'],
    },
  ],
  leads: across('alternator-sense', 'negative-post', 'none'),
  step: {
    minutes: 2,
    place: 'alternator',
    informs: informs(0.8, 'charge-control'),
    settles: 'Shows whether the alternator is excited.',
    cautions: [],
  },
  required: [],
  isUnlimited: holdsItsVolts,
  // whoever suspects that it charges too much wants the terminal that it senses by
  asked: (gradedCase) => (overcharges(gradedCase) ? { terminal: 'sense' } : {}),
  retaken: ['which-terminal', CHARGES_ANYWAY],
  noted: (reading, context) => {
    const { value, conditions } = reading;
    if (typeof value !== 'number') return null;
    if (holdsItsVolts(reading, context)) return say(CHARGES_ANYWAY, {});
    return conditions?.terminal === undefined ? say('which-terminal', { value }) : null;
  },
  phrases,
  findings: ({ gradedCase }) => {
    const reading = latest(gradedCase, 'excitation-voltage');
    const grade = reading && gradedCase.grades.get(reading.id)?.grade;
    if (!reading || grade === 'noted') return [];
    const { value, conditions } = reading;
    const source = { reading: reading.id };
    const own = causes('charge-control');
    const isGood = grade !== 'outside';
    switch (conditions?.terminal) {
      case 'lamp': {
        const says = say('lamp-feeds', { value });
        if (isGood) return [fixed('terminal-has-volts', own, source, says)];
        // the battery's volts and no lamp: its current finds no way through the field
        const isLive = value > (limitOf(gradedCase, reading)?.max ?? Infinity);
        return isLive
          ? [fixed('lamp-unlit-live', causes('alternator-dead'), source, say('no-field-current', { value }))]
          : [fixed('terminal-has-none', own, source, says)];
      }
      case 'enable':
        return [
          fixed(isGood ? 'terminal-has-volts' : 'terminal-has-none', own, source, say('enable-volts', { value })),
        ];
      default: {
        const share = value / (gradedCase.resting ?? USUAL_VOLTS * gradedCase.scale);
        return [weighed('excitation', share, { causes: own, source, says: say('excitation-volts', { value }) })];
      }
    }
  },
};

/** What a lamp terminal and an enable line have, from and to (12 V), V. */
const LIT_VOLTS = [1.2, 2.6] as const;
const ENABLE_VOLTS = 5;

export const excitationVoltageModel: TestModel = {
  visitPlace: 210,
  reads: ({ vehicle, random, volts, spread, wanted }) => {
    const found = spread.terminals ? random.pick(spread.terminals) : 'supply';
    const terminal = wanted['terminal'] === 'sense' ? 'sense' : found;
    const isFed = vehicle.excited;
    if (terminal === 'lamp')
      return done(volts((isFed ? random.between(...LIT_VOLTS) : random.between(0, 0.3)) * vehicle.scale), { terminal });
    if (terminal === 'enable')
      return done(volts(isFed ? ENABLE_VOLTS - random.between(0, 0.4) : random.between(0, 0.3)), {
        terminal,
        enableVolts: ENABLE_VOLTS,
      });
    return done(volts(isFed ? emf(vehicle) - 0.3 * vehicle.scale : random.between(0, 5) * vehicle.scale), { terminal });
  },
};

export const excitationVoltageGuide: TestGuide = {
  why: ['An alternator that is not told to charge gives nothing, however good it is.'],
  spoils: [
    'The key off: supply and lamp are fed through it.',
    'A lamp terminal taken for a supply terminal: the lamp takes most of the volts there.',
  ],
  means: [
    'Supply or sense: the battery’s volts. Lamp: 1 to 3 V while the lamp is lit. Enable: 5 or 12 V, as the maker says.',
    'Next to nothing at any of them: fuse, switch, lamp or wire.',
    'The battery’s volts at a lamp terminal and no lamp: no field current flows, worn brushes or an open rotor.',
    'An alternator that holds its volts is excited, whatever was read here.',
  ],
};
