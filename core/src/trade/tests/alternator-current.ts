import { limitOf } from '../../evidence/limit-of';
import { isNumeric, latest } from '../../evidence/case-context';
import { causes, fixed, weighed } from '../../evidence/finding';
import { faultsShowing } from '../faults-showing';
import { cannot, done } from '../../evidence/simulated-bench';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { capabilityOf, lostOnOutput, showsCapability } from '../../evidence/capability';
import { ampsBetween } from '../measures';
import { noOutput } from '../no-output';
import { atPosts } from '../../circuit/points';
import { LOADED_STEP, informs } from '../../evidence/step';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

const SILENT = faultsShowing('silent-alternator');
const WEAK_OUTPUT = faultsShowing('weak-output');
/** Under this share of the rating nothing comes out; from the other on there is plenty, whatever the load. */
const NOTHING_SHARE = 0.06;
const PLENTY_SHARE = 0.75;
const FULL_RPM = 2000;
/** The system is loaded until it is near this (12 V), never lower, V. */
const LOADED_VOLTS = 12.6;

const phrases = {
  'needs-output-rating': (w: { value: number }, voice: Voice) =>
    `${voice.amps(w.value)}: the alternator’s rating is needed to judge it; or read its field duty.`,
  'only-demand': (w: { value: number }, voice: Voice) =>
    `${voice.amps(w.value)} is what the vehicle asked for, not what the alternator can give: load it until the system is at 13.0 V or less.`,
  'holds-at-alternator': (w: { value: number; lost: number }, voice: Voice) =>
    `${voice.amps(w.value)} is all that was asked: the alternator holds its volts, and ${voice.volts(w.lost)} are lost on the way.`,
  'amps-at-limit': (w: { value: number; rated: number }, voice: Voice) =>
    `${voice.amps(w.value)} of ${voice.amps(w.rated)} rated at its limit`,
  'gives-current': (w: { value: number }, voice: Voice) => `${voice.amps(w.value)} from the alternator: it does work`,
};
const say = sayer(phrases);

export const alternatorCurrent: Test = {
  ...ampsBetween(-50, 1000, 60),
  name: 'Alternator current',
  conditions: ['rpm', 'loads', 'systemVolts', 'fieldPercent'],
  places: [
    {
      group: 'Charging',
      at: 4,
      how: 'At the output wire, loaded until the system is near 12.6 V, never lower.',
      asks: { rpm: FULL_RPM, systemVolts: null, fieldPercent: null },
      ticks: ['speed-held', 'clamp-zeroed', 'loads-on'],
    },
  ],
  leads: { ...atPosts('charging'), clamp: 'alternator-output' },
  step: {
    ...LOADED_STEP,
    minutes: 4,
    place: 'alternator',
    informs: informs(0.75, 'alternator-weak', 'belt-slip', 'alternator-diode'),
    settles: 'Shows the most that the alternator can deliver.',
    cautions: ['running', 'stud'],
  },
  required: [{ by: ['charging'], as: 'output' }],
  asked: ({ scale }) => ({ rpm: FULL_RPM, loads: 'on', systemVolts: Number((LOADED_VOLTS * scale).toFixed(1)) }),
  retaken: ['only-demand'],
  noted: (reading, context) => {
    if (!isNumeric(reading)) return null;
    const { value } = reading;
    if (context.case.system.alternator?.ratedAmps === undefined) return say('needs-output-rating', { value });
    return capabilityOf(reading, context) === 'lost'
      ? say('holds-at-alternator', { value, lost: lostOnOutput(context, value) })
      : say('only-demand', { value });
  },
  phrases,
  findings: ({ gradedCase }) => {
    const reading = latest(gradedCase, 'alternator-current');
    const rated = gradedCase.case.system.alternator?.ratedAmps;
    if (!reading || rated === undefined) return [];
    const { value } = reading;
    const source = { reading: reading.id };
    const gives = say('gives-current', { value });
    const limit = limitOf(gradedCase, reading);
    const isAtLimit = limit !== null && showsCapability(reading, gradedCase);
    if (value >= rated * PLENTY_SHARE) {
      const isAll = limit !== null && isAtLimit && value >= limit.min;
      return [
        fixed(isAll ? 'gives-rated' : 'gives-plenty', WEAK_OUTPUT, source, gives),
        fixed('gives-output', SILENT, source, gives),
      ];
    }
    if (!limit || !isAtLimit) return [];
    const says = say('amps-at-limit', { value, rated });
    if (value < rated * NOTHING_SHARE) return [fixed('not-charging', noOutput(gradedCase), source, says)];
    return [
      weighed('output', limit.value / limit.min, {
        causes: causes('alternator-weak', ['alternator-diode', 0.7], ['belt-slip', 0.9]),
        source,
        says,
      }),
      fixed('gives-output', SILENT, source, gives),
    ];
  },
};

export const alternatorCurrentModel: TestModel = {
  visitPlace: 170,
  reads: ({ starts, full, amps, volts }) =>
    starts
      ? done(amps(full.outputAmps), {
          rpm: FULL_RPM,
          loads: 'on',
          systemVolts: volts(full.postVolts, 1),
          fieldPercent: Math.round(full.fieldPercent),
        })
      : cannot('did-not-start'),
};

export const alternatorCurrentGuide: TestGuide = {
  why: ['The car asks for what it needs. What the alternator can give shows only under a load that it cannot satisfy.'],
  spoils: [
    'Reading what the car asks for on a full battery: that is demand, not capability.',
    'A clamp on the wrong scale, at its ceiling, or not around the whole output wire.',
    'Engine speed too low, or loads not on.',
  ],
  means: [
    'Near its rating with the system pulled down to resting voltage: the alternator is good.',
    'Low while the voltage still holds up: nothing asked for more. Add load and read again.',
    'Low with the voltage pulled down: rule out belt, stud, excitation and both drops before the alternator.',
  ],
};
