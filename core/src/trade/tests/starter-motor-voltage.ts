import { latest } from '../../evidence/case-context';
import type { GradedCase, NumericReading } from '../../evidence/case-context';
import { isFlowless } from '../../evidence/flow';
import { causes, fixed } from '../../evidence/finding';
import type { Finding } from '../../evidence/finding';
import { done } from '../../evidence/simulated-bench';
import { lacksControlVolts, voltsUnderKey } from '../../evidence/told-to-crank';
import { ofFigure } from '../../evidence/void/void-rule';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { POST_VOLTS } from '../measures';
import { across } from '../../circuit/points';
import { CRANKING_STEP, informs } from '../../evidence/step';
import { faultsShowing } from '../faults-showing';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

const STARTER = causes('starter-worn');
/** What keeps the volts from the motor: everything that stops the current but the motor itself. */
const BEFORE_MOTOR = faultsShowing('no-flow').filter(({ fault }) => fault !== 'starter-worn');
/** Up to this (12 V) under the battery the volts arrive; both sides of the path may lose so much, V. */
const ARRIVES_WITHIN_VOLTS = 1;

const phrases = {
  'motor-not-told': (w: { control: number }, voice: Voice) =>
    `Only ${voice.volts(w.control)} at the control terminal: the solenoid stays open and nothing reaches the motor. Repair the control side first.`,
  'volts-arrive-none-flow': (w: { value: number }, voice: Voice) =>
    `${voice.volts(w.value)} arrive at the motor and no current flows: it is open inside`,
  'volts-do-not-arrive': (w: { value: number; there: number }, voice: Voice) =>
    `only ${voice.volts(w.value)} of the battery’s ${voice.volts(w.there)} arrive at the motor`,
  'motor-gets-its-volts': (w: { value: number; there: number }, voice: Voice) =>
    `${voice.volts(w.value)} of the battery’s ${voice.volts(w.there)} arrive at the motor while it draws`,
};
const say = sayer(phrases);

function findings(reading: NumericReading, gradedCase: GradedCase): readonly Finding[] {
  const source = { reading: reading.id };
  const { value } = reading;
  const there = voltsUnderKey(reading, gradedCase);
  const figures = { value, there };
  if (there - value > ARRIVES_WITHIN_VOLTS * gradedCase.scale) {
    const says = say('volts-do-not-arrive', figures);
    return [
      fixed('volts-do-not-arrive', BEFORE_MOTOR, source, says),
      ...(isFlowless(gradedCase) ? [fixed('motor-not-reached', STARTER, source, says)] : []),
    ];
  }
  if (!isFlowless(gradedCase))
    return [fixed('motor-gets-its-volts', BEFORE_MOTOR, source, say('motor-gets-its-volts', figures))];
  const says = say('volts-arrive-none-flow', { value });
  return [fixed('motor-is-open', STARTER, source, says), fixed('volts-arrive', BEFORE_MOTOR, source, says)];
}

export const starterMotorVoltage: Test = {
  ...POST_VOLTS,
  usual: 10.5,
  name: 'Starter motor voltage',
  conditions: [],
  places: [
    {
      group: 'Starting',
      at: 7.5,
      how: 'Red on the motor terminal, black on the starter’s own case, key at start: what the motor itself gets.',
      asks: {},
      ticks: ['neutral', 'key-start'],
    },
  ],
  leads: across('solenoid-motor', 'starter-case', 'cranking'),
  step: {
    ...CRANKING_STEP,
    minutes: 2,
    place: 'starter',
    informs: informs(0.9, 'starter-worn'),
    settles: 'Shows whether the volts arrive at the motor: with none flowing, that it is open inside.',
    needsTold: true,
    when: isFlowless,
  },
  required: [],
  voids: [
    ofFigure((_reading, context) =>
      lacksControlVolts(context)
        ? say('motor-not-told', { control: latest(context, 'starter-control-voltage')!.value })
        : null,
    ),
  ],
  phrases,
  findings: ({ gradedCase }) => {
    const reading = latest(gradedCase, 'starter-motor-voltage');
    return reading ? findings(reading, gradedCase) : [];
  },
};

export const starterMotorVoltageModel: TestModel = {
  visitPlace: null,
  reads: ({ vehicle, cranking, volts }) => done(volts(vehicle.controlVolts ? 0 : cranking.motorVolts)),
};

export const starterMotorVoltageGuide: TestGuide = {
  why: ['It shows whether the volts arrive at the motor.'],
  spoils: [
    'The wrong terminal of the solenoid: the motor’s is the one on the strap or braid.',
    'The key not held at start.',
  ],
  means: ['Battery voltage and no current: the starter itself is open. Next to nothing: the loss lies before it.'],
};
