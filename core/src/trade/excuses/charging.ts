/** What else may make an alternator, or what drives it, look bad. */
import { threshold } from '../../criteria/weights';
import { CHARGES_ANYWAY } from '../../evidence/is-charging';
import { pathIsGood } from '../../evidence/path-is-good';
import { isOutside } from '../../evidence/limit-of';
import type { WeighedCase } from '../../evidence/derived-case';
import type { GradedCase } from '../../evidence/case-context';
import { latest, notPossible, observed, readingsOf } from '../../evidence/case-context';
import { has, fails, seen, goodPath } from './excuse';
import type { ExcuseRow } from './excuse';

const NOT_TOLD = {
  cause: 'missing excitation or command',
  first: 'rule out missing excitation or command',
  steps: ['excitation-voltage', 'field-duty'],
} as const;
/** A terminal whose volts were judged: what was only noted, as of a terminal that nobody named, tells nothing. */
const isTerminalJudged = (gradedCase: GradedCase): boolean => {
  const reading = latest(gradedCase, 'excitation-voltage');
  return reading !== undefined && gradedCase.grades.get(reading.id)?.grade !== 'noted';
};
/** A terminal was read, and the alternator holds its volts: it is excited, whatever the terminal shows. */
const isExcitedAnyway = (gradedCase: GradedCase): boolean =>
  gradedCase.grades.get(latest(gradedCase, 'excitation-voltage')?.id ?? '')?.because.code === CHARGES_ANYWAY;
const isTold = ({ gradedCase, probability }: WeighedCase): boolean =>
  (isTerminalJudged(gradedCase) || isExcitedAnyway(gradedCase) || has(gradedCase, 'field-duty')) &&
  probability['charge-control'] < threshold('suspected');

/**
 * Results that speak for a bad diode, of different kinds: humps that were counted as missing, ripple in volts, a static
 * check that fails, output under its rating. A good result is evidence for the excuse and excludes nothing.
 */
function kindsOfBadDiode(gradedCase: GradedCase): number {
  const waves = readingsOf(gradedCase, 'ripple-waveform');
  const kinds = [
    waves.some(({ conditions }) => (conditions?.humpsMissing ?? 0) >= 1),
    fails(gradedCase, 'ripple-ac') ||
      waves.some((wave) => isOutside(gradedCase, wave) && !wave.conditions?.humpsMissing),
    fails(gradedCase, 'diode-forward') || fails(gradedCase, 'diode-reverse'),
    fails(gradedCase, 'alternator-current'),
  ];
  return kinds.filter(Boolean).length;
}

/** Humps counted as missing in two readings are no slip. */
const isCountedTwice = (gradedCase: GradedCase): boolean =>
  readingsOf(gradedCase, 'ripple-waveform').filter(({ conditions }) => (conditions?.humpsMissing ?? 0) >= 1).length >=
  2;

export const CHARGING_EXCUSES = {
  'belt-slips': {
    cause: 'a slipping belt',
    first: 'rule out a slipping belt',
    steps: ['belt'],
    excluded: seen('belt', 'good'),
  },
  'belt-not-seen': {
    first: 'look at the belt',
    steps: ['belt'],
    excluded: ({ gradedCase }) => observed(gradedCase, 'belt') !== undefined,
  },
  'low-output-not-read': {
    first: 'read the charging voltage',
    steps: ['charging-voltage', 'alternator-current'],
    // a belt that looks worn may still drive: only low output shows that it does not
    excluded: ({ gradedCase }) =>
      fails(gradedCase, 'charging-voltage') ||
      fails(gradedCase, 'alternator-current') ||
      notPossible(gradedCase, 'charging-voltage'),
  },
  'output-path-open': {
    cause: 'an open output path',
    first: 'rule out an open output path',
    steps: ['alternator-stud-voltage'],
    excluded: ({ gradedCase }) =>
      pathIsGood(gradedCase, 'alternator-stud-voltage') ||
      pathIsGood(gradedCase, 'drop-charge-positive') ||
      pathIsGood(gradedCase, 'drop-charge-total'),
  },
  'not-told-to-charge': { ...NOT_TOLD, excluded: isTold },
  'not-told-with-this-belt': {
    ...NOT_TOLD,
    // a belt that is not there drives nothing, whoever tells it to
    excluded: (evidence) => seen('belt', 'missing')(evidence) || isTold(evidence),
  },
  'sense-wire': {
    cause: 'a bad sense connection',
    first: 'rule out a bad sense connection',
    steps: ['excitation-voltage'],
    excluded: ({ gradedCase }) =>
      gradedCase.case.system.alternator?.senseWire === false ||
      (isTerminalJudged(gradedCase) && !fails(gradedCase, 'excitation-voltage')),
  },
  'charging-cable': {
    cause: 'a loss in the charging cable',
    first: 'rule out a loss in the charging cable',
    steps: ['drop-charge-positive', 'drop-charge-total'],
    excluded: (evidence) =>
      pathIsGood(evidence.gradedCase, 'drop-charge-total') ||
      goodPath('drop-charge-positive', 'charge-cable-positive')(evidence),
  },
  'alternator-ground': {
    cause: 'a loss in the alternator’s ground',
    first: 'rule out a loss in the alternator’s ground',
    steps: ['drop-charge-ground', 'drop-charge-total'],
    excluded: (evidence) =>
      pathIsGood(evidence.gradedCase, 'drop-charge-total') ||
      goodPath('drop-charge-ground', 'charge-cable-ground')(evidence),
  },
  'strap-broken': {
    cause: 'a broken ground strap',
    first: 'rule out a broken ground strap',
    steps: ['ground-strap'],
    excluded: ({ gradedCase }) =>
      observed(gradedCase, 'ground-strap') === 'sound' || pathIsGood(gradedCase, 'drop-charge-ground'),
  },
  'ripple-one-way': {
    cause: 'one ripple reading that erred',
    first: 'confirm the ripple with a second kind of test',
    steps: ['ripple-waveform', 'diode-reverse', 'alternator-current'],
    excluded: ({ gradedCase }) => kindsOfBadDiode(gradedCase) >= 2 || isCountedTwice(gradedCase),
  },
  'volts-seen-once': {
    cause: 'one reading that erred',
    first: 'confirm it with a second reading',
    steps: ['charging-voltage', 'module-voltage'],
    excluded: ({ gradedCase }) =>
      readingsOf(gradedCase, 'charging-voltage').filter((reading) => isOutside(gradedCase, reading)).length >= 2 ||
      (gradedCase.case.complaint?.symptoms ?? []).some(
        (symptom) => symptom === 'bright-lamps' || symptom === 'battery-smell',
      ),
  },
} as const satisfies Record<string, ExcuseRow>;
