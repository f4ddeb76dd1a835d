import { notCompared } from '../../evidence/void/not-compared';
import { farUnderResting } from '../../evidence/ask-back';
import { weightOf } from '../../criteria/weights';
import { lostOnOutput } from '../../evidence/capability';
import { limitOf } from '../../evidence/limit-of';
import { targetsOf } from '../../criteria/rules/commanded';
import { limitsOf } from '../../criteria/criteria-set';
import type { CriteriaSet } from '../../criteria/criteria-set';
import { latest, latestUnder } from '../../evidence/case-context';
import type { NumericReading, GradedCase } from '../../evidence/case-context';
import { causes, fixed, weighed } from '../../evidence/finding';
import type { Finding } from '../../evidence/finding';
import { faultsShowing } from '../faults-showing';
import { cannot, done, round } from '../../evidence/simulated-bench';
import { sayer } from '../../format/message';
import type { Voice } from '../../format/message';
import { alternatorGives } from '../alternator-gives';
import { noOutput } from '../no-output';
import { POST_VOLTS } from '../measures';
import { atPosts } from '../../circuit/points';
import { RUNNING_STEP, informs } from '../../evidence/step';
import type { Begins, ReadingPlace } from '../route';
import type { Test } from '../test';
import type { TestModel } from '../test-model';
import type { TestGuide } from '../test-guide';

const CHARGE_PATHS = faultsShowing('charge-path');
const LOW_OUTPUT = faultsShowing('low-output');
const SILENT = faultsShowing('silent-alternator');
const WEAK_OUTPUT = faultsShowing('weak-output');
/** Of what leaves the output low, what takes volts on the way and is no fault of the alternator or its drive. */
const LOSES_OUTPUT = LOW_OUTPUT.filter(({ fault }) => !WEAK_OUTPUT.some((weak) => weak.fault === fault));
/** At or under this much above resting (12 V) nothing is charged, V. */
const NOT_CHARGING_VOLTS = 0.15;
const USUAL_RESTING_VOLTS = 12.6;
/** What counts of a sag under load where it was low without load already. */
const LOW_ANYWAY = 0.3;
const CHARGING_RPM = 2000;

const phrases = {
  'commanded-target-missing': (w: { value: number }, voice: Voice) =>
    `${voice.volts(w.value)}: the target of a commanded alternator moves; read the commanded target and enter it beside this.`,
  'charging-unloaded': (w: { value: number }, voice: Voice) => `${voice.volts(w.value)} charging, loads off`,
  'not-charging': (w: { value: number }, voice: Voice) =>
    `${voice.volts(w.value)} charging, loads off: it is not charging`,
  'held-at-alternator': (w: { value: number; lost: number }, voice: Voice) =>
    `${voice.volts(w.value)} charging, loads on, and ${voice.volts(w.lost)} lost on the way: the alternator itself holds its volts`,
  'charging-loaded': (w: { value: number }, voice: Voice) => `${voice.volts(w.value)} charging, loads on`,
};
const say = sayer(phrases);

/** Targets that the set reckons with, V per 12 V: of one that was not read only what lies beyond them tells anything. */
function commandedTargets(criteria: CriteriaSet): { min: number; max: number } {
  const rules = limitsOf(criteria, 'charging-voltage').map(({ rule }) => rule);
  return targetsOf(rules.find((rule) => rule.kind === 'commanded') ?? {});
}

/** Distance of a charging voltage under and over its window, V per 12 V. */
function offWindow(reading: NumericReading, gradedCase: GradedCase): { under: number; over: number } {
  const volts = reading.value / gradedCase.scale;
  const limit = limitOf(gradedCase, reading);
  const { min, max } = limit
    ? { min: limit.min / gradedCase.scale, max: limit.max / gradedCase.scale }
    : commandedTargets(gradedCase.criteria);
  return { under: min - volts, over: volts - max };
}

/** What the drops lose is as much as is missing under load: the alternator itself holds its volts. */
function isLostOnTheWay(reading: NumericReading | undefined, gradedCase: GradedCase): boolean {
  if (!reading) return false;
  const { under } = offWindow(reading, gradedCase);
  return under > 0 && lostOnOutput(gradedCase) / gradedCase.scale >= under;
}

function unloaded(
  reading: NumericReading | undefined,
  gradedCase: GradedCase,
  isExplained: boolean,
): readonly Finding[] {
  if (!reading) return [];
  const { under, over } = offWindow(reading, gradedCase);
  const { value } = reading;
  const source = { reading: reading.id };
  const says = say('charging-unloaded', { value });
  const high = weighed('charging-over', over, { causes: causes('regulator-high'), source, says });
  const rest = gradedCase.resting ?? USUAL_RESTING_VOLTS * gradedCase.scale;
  if (value <= rest + NOT_CHARGING_VOLTS * gradedCase.scale)
    return [
      high,
      weighed('charging-dead', under, {
        causes: noOutput(gradedCase),
        atLeast: weightOf('not-charging'),
        source,
        says: say('not-charging', { value }),
      }),
    ];
  if (under > 0)
    return [
      high,
      weighed('charging-low', under, {
        causes: isExplained ? LOSES_OUTPUT : [...LOW_OUTPUT, ...causes('charge-control')],
        atLeast: weightOf('below-window'),
        source,
        says,
      }),
    ];
  return [
    high,
    fixed('charges', SILENT, source, says),
    fixed('charges-slightly', [...causes('alternator-weak', 'belt-slip'), ...CHARGE_PATHS], source, says),
  ];
}

function loaded(reading: NumericReading | undefined, gradedCase: GradedCase, isExplained: boolean): readonly Finding[] {
  if (!reading) return [];
  const { under } = offWindow(reading, gradedCase);
  const source = { reading: reading.id };
  const says = say('charging-loaded', { value: reading.value });
  if (under <= 0)
    return [
      fixed('holds-loaded', WEAK_OUTPUT, source, says),
      // a path that loses volts takes nothing from the output
      fixed('holds-loaded-path', CHARGE_PATHS, source, says),
      fixed('charges-loaded', SILENT, source, says),
    ];
  if (isExplained) {
    const held = say('held-at-alternator', { value: reading.value, lost: lostOnOutput(gradedCase) });
    return [fixed('holds-loaded', WEAK_OUTPUT, source, held), fixed('charges-loaded', SILENT, source, held)];
  }
  const without = latestUnder(gradedCase, 'charging-voltage', 'off');
  const heldWithout = without !== undefined && offWindow(without, gradedCase).under <= 0;
  return [
    weighed('charging-loaded', under, {
      causes: heldWithout || !without ? LOW_OUTPUT : noOutput(gradedCase),
      atLeast: without && !heldWithout ? 0 : weightOf('sags-loaded'),
      factor: without && !heldWithout ? LOW_ANYWAY : 1,
      source,
      says,
    }),
  ];
}

/** By a meter at the posts, or as a module tells it. */
const AT_MODULE = {
  asks: { method: null, offsetVolts: null },
  row: {
    askedWith: { offsetVolts: ['method', 'scan-tool'] },
    offers: { method: ['watched', 'scan-tool'] },
  },
} as const satisfies { asks: Begins; row: Partial<ReadingPlace> };

export const chargingVoltage: Test = {
  ...POST_VOLTS,
  usual: 14.2,
  name: 'Charging voltage',
  conditions: ['rpm', 'loads', 'minutesAfterStart', 'commandedVolts', 'method', 'offsetVolts'],
  places: [
    {
      group: 'Charging',
      at: 1,
      how: 'At the posts, loads off.',
      fixed: { loads: 'off' },
      asks: { rpm: CHARGING_RPM, commandedVolts: null, ...AT_MODULE.asks },
      ...AT_MODULE.row,
      ticks: ['speed-held', 'loads-off'],
      note: true,
    },
    {
      group: 'Charging',
      at: 2,
      name: 'Charging, loads on',
      how: 'At the posts, loads on.',
      fixed: { loads: 'on' },
      asks: { rpm: 1500, commandedVolts: null, ...AT_MODULE.asks },
      ...AT_MODULE.row,
      ticks: ['loads-on'],
    },
  ],
  leads: atPosts('charging'),
  step: {
    ...RUNNING_STEP,
    minutes: 1.5,
    place: 'running',
    informs: [
      ...informs(0.7, 'alternator-dead', 'regulator-high', 'charge-control'),
      ...informs(0.4, 'alternator-weak', 'belt-slip', 'charge-cable-positive', 'charge-cable-ground'),
    ],
    settles: 'Shows whether the alternator charges and does not overcharge.',
    when: alternatorGives,
  },
  askBack: farUnderResting,
  voids: [notCompared],
  required: [
    { by: ['none', 'charging', 'overcharge'], loads: 'off' },
    { by: ['none', 'charging'], loads: 'on' },
  ],
  keeps: [{ as: 'charging' }],
  asked: (gradedCase) => ({
    rpm: CHARGING_RPM,
    loads: latest(gradedCase, 'charging-voltage') ? 'on' : 'off',
  }),
  // a commanded target that was read is nearer to the truth than any window
  specified: ({ specified }, { conditions }) =>
    conditions?.commandedVolts === undefined ? specified?.chargingVolts : undefined,
  noted: ({ value, conditions }, { regulation }) =>
    regulation === 'commanded' && conditions?.commandedVolts === undefined && typeof value === 'number'
      ? say('commanded-target-missing', { value })
      : null,
  phrases,
  findings: ({ gradedCase }) => {
    const [off, on] = [
      latestUnder(gradedCase, 'charging-voltage', 'off'),
      latestUnder(gradedCase, 'charging-voltage', 'on'),
    ];
    const isExplained = isLostOnTheWay(on, gradedCase);
    return [...unloaded(off, gradedCase, isExplained), ...loaded(on, gradedCase, isExplained)];
  },
};

export const chargingVoltageModel: TestModel = {
  visitPlace: 160,
  reads: ({ vehicle, starts, running, loads, random, volts }) => {
    if (!starts) return cannot('did-not-start');
    const isCommanded = vehicle.system.alternator?.regulation === 'commanded';
    const target =
      isCommanded && vehicle.regulatorVolts < targetsOf({}).max * vehicle.scale
        ? round(random.between(13.2, 14.6) * vehicle.scale, 1)
        : undefined;
    const { postVolts } = running(loads, CHARGING_RPM, target);
    return done(volts(postVolts), {
      rpm: CHARGING_RPM,
      loads,
      ...(target !== undefined && { commandedVolts: target }),
    });
  },
};

export const chargingVoltageGuide: TestGuide = {
  why: ['It shows whether the alternator charges, and whether its regulator stops in time.'],
  spoils: [
    'A flat battery pulls the voltage down and hides a good alternator.',
    'Idle speed: read with the engine held up.',
    'A commanded (smart) alternator moves its target on purpose: judge against the target, or load it until it must answer.',
  ],
  means: [
    'Inside its window unloaded and loaded: the charging side works.',
    'Under resting voltage: it does not charge at all.',
    'Over the ceiling at any speed: overcharging. A flat battery or lost volts never excuse it.',
    'Good unloaded and low with loads on: too little comes out, or too little arrives.',
  ],
};
