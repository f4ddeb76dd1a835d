/**
 * What must be read before a vehicle is called sound, by what it came in for; and what must be read before a
 * part is said to be good. Nothing found is a claim too: a test that was not possible is said to be missing,
 * never taken as passed. The table is that of docs/judging.md, “Nothing found”.
 */
import type { Reading } from '../../format/case-shape';
import type { StepName, TestName } from '../../format/names';
import type { JudgedPart } from '../../format/words';
import { missingUnits } from './missing-units';
import { isJudged, isOutside } from '../../evidence/limit-of';
import { latest, latestUnder, readingsOf } from '../../evidence/case-context';
import type { GradedCase } from '../../evidence/case-context';
import { isStill } from '../../evidence/flow';
import { HEALTH_TESTS } from '../../trade/health-tests';
import { SYMPTOMS } from '../../trade/symptoms';
import type { SymptomKind, SymptomName } from '../../trade/symptoms';

/** One thing that must be known: any one of its steps tells it. */
export interface MustBeRead {
  readonly anyOf: readonly StepName[];
  /** Only under these loads. */
  readonly loads?: 'on' | 'off';
  /** Only where this holds. */
  readonly when?: (gradedCase: GradedCase) => boolean;
}

const one = (...anyOf: readonly StepName[]): MustBeRead => ({ anyOf });

/** More amps than the middle of the usual range: something may be holding the engine. */
const asksALot = (gradedCase: GradedCase): boolean =>
  (latest(gradedCase, 'starter-draw')?.value ?? 0) > gradedCase.draw.reference;

const RESTING = one('resting-voltage');
const STARTING: readonly MustBeRead[] = [
  one('cranking-voltage'),
  one('starter-draw'),
  one('drop-starter-positive'),
  one('drop-starter-ground'),
  one('terminals'),
];
const CHARGING: readonly MustBeRead[] = [
  { anyOf: ['charging-voltage'], loads: 'off' },
  { anyOf: ['charging-voltage'], loads: 'on' },
  one('ripple-ac', 'ripple-waveform'),
  one('drop-charge-positive'),
  one('drop-charge-ground'),
  one('belt'),
];
const HEALTH = one(...HEALTH_TESTS);
const hasCaps = ({ case: { system } }: GradedCase): boolean => system.battery.serviceable === true;

/** By kind of complaint; without one, and where parts were replaced already, the whole baseline. */
const BY_KIND: Readonly<Record<SymptomKind, readonly MustBeRead[]>> = {
  none: [RESTING, ...STARTING, ...CHARGING],
  starting: [
    RESTING,
    ...STARTING,
    HEALTH,
    { anyOf: ['crank-by-hand'], when: asksALot },
    // what tells the solenoid to close comes before any part
    { anyOf: ['starter-control-voltage'], when: isStill },
  ],
  charging: [RESTING, ...CHARGING, one('alternator-current', 'field-duty')],
  standing: [one('parasitic-draw'), HEALTH, one('hold-charge', 'load-test')],
  ripple: [RESTING, one('ripple-ac'), one('ripple-waveform')],
  overcharge: [RESTING, { anyOf: ['charging-voltage'], loads: 'off' }, { anyOf: ['specific-gravity'], when: hasCaps }],
};

/** Symptoms that a bad body ground gives as well as what they are named for. */
const BODY_SYMPTOMS = ['resets-on-crank', 'dim-at-idle', 'lamps-dim-on-crank'] as const;
const BODY = one('drop-body-ground');

const ASKED = new Map<string, readonly MustBeRead[]>();

/** Everything that must be known of this vehicle before nothing may be found. */
export function mustBeRead(gradedCase: GradedCase): readonly MustBeRead[] {
  const { symptoms = [], partsAlreadyReplaced = [] } = gradedCase.case.complaint ?? {};
  const hasNewParts = partsAlreadyReplaced.length > 0;
  const key = `${symptoms.join()}${hasNewParts}`;
  let asked = ASKED.get(key);
  if (!asked) ASKED.set(key, (asked = askedBy(symptoms, hasNewParts)));
  return asked.filter(({ when }) => !when || when(gradedCase));
}

function askedBy(symptoms: readonly SymptomName[], hasNewParts: boolean): readonly MustBeRead[] {
  const kinds = new Set<SymptomKind>(symptoms.flatMap((symptom) => SYMPTOMS[symptom].kinds));
  if (kinds.size === 0 || hasNewParts) kinds.add('none');
  const body = symptoms.some((symptom) => BODY_SYMPTOMS.includes(symptom as never)) ? [BODY] : [];
  const asked = [...[...kinds].flatMap((kind) => BY_KIND[kind]), ...body];
  const seen = new Set<string>();
  return asked.filter(({ anyOf, loads }) => {
    const key = `${anyOf.join()} ${loads ?? ''}`;
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}

function isJudgedUnder(test: TestName, loads: 'off' | 'on', gradedCase: GradedCase): boolean {
  const reading = latestUnder(gradedCase, test, loads);
  return reading !== undefined && isJudged(gradedCase, reading);
}

/** True where the thing is known: read, not void and not only noted (of a pack on every battery), or seen. */
export const isRead = ({ anyOf, loads }: MustBeRead, gradedCase: GradedCase): boolean =>
  anyOf.some((step) => {
    if (gradedCase.observed.has(step as never)) return true;
    const test = step as TestName;
    return loads === undefined
      ? readingsOf(gradedCase, test).some((reading) => reading.value !== null && isJudged(gradedCase, reading)) &&
          missingUnits(test, gradedCase).length === 0
      : isJudgedUnder(test, loads, gradedCase);
  });

/** What must be known of a part before it may be kept: any one of these tests tells it. */
export interface NeededToKeep {
  readonly anyOf: readonly TestName[];
  /** What this part gives or takes itself: outside its limit it keeps nothing, whoever is to blame for it. */
  readonly passed?: (reading: Reading, gradedCase: GradedCase) => boolean;
}

const isWithin = (reading: Reading, gradedCase: GradedCase): boolean => !isOutside(gradedCase, reading);
/** Of a pack every battery: a good one says nothing of its neighbour. */
const isOfAll = ({ test }: Reading, gradedCase: GradedCase): boolean => missingUnits(test, gradedCase).length === 0;

/** Under this sag (12 V) nothing was asked of the battery, V. */
const MIN_SAG_VOLTS = 0.3;
/** Under this share of the usual amps neither. */
const MIN_DRAW_SHARE = 0.5;

/** A cranking voltage tells of the battery only where the starter asked for something. */
function isLoaded({ test, value }: Reading, gradedCase: GradedCase): boolean {
  if (test !== 'cranking-voltage' || typeof value !== 'number') return true;
  const amps = latest(gradedCase, 'starter-draw')?.value;
  if (amps !== undefined) return amps >= gradedCase.draw.min * MIN_DRAW_SHARE;
  return gradedCase.resting === null || gradedCase.resting - value >= MIN_SAG_VOLTS * gradedCase.scale;
}

/** What tells of a part alone: outside its limit, no other test that it passed outweighs it. */
export const TELLS_OF: Readonly<Record<JudgedPart, readonly TestName[]>> = {
  battery: [...HEALTH_TESTS, 'specific-gravity', 'hold-charge'],
  starter: ['starter-draw', 'cranking-speed'],
  alternator: ['ripple-ac', 'ripple-waveform', 'diode-forward', 'diode-reverse'],
  connections: [],
};

/** One of each list must be read of a part before it may be kept. */
export const NEEDED_TO_KEEP: Readonly<Record<JudgedPart, readonly NeededToKeep[]>> = {
  battery: [
    { anyOf: ['resting-voltage'], passed: isOfAll },
    {
      anyOf: [...HEALTH_TESTS, 'specific-gravity', 'cranking-voltage'],
      passed: (reading, gradedCase) =>
        isWithin(reading, gradedCase) && isLoaded(reading, gradedCase) && isOfAll(reading, gradedCase),
    },
  ],
  starter: [{ anyOf: ['cranking-voltage'] }, { anyOf: ['starter-draw', 'cranking-speed'], passed: isWithin }],
  alternator: [{ anyOf: ['charging-voltage'] }, { anyOf: ['ripple-ac', 'ripple-waveform'] }],
  connections: [
    { anyOf: ['drop-starter-positive', 'drop-positive-post'] },
    { anyOf: ['drop-starter-ground', 'drop-engine-ground', 'drop-negative-post'] },
  ],
};
