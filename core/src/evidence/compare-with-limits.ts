/** A reading beside every limit of the set that applies to it; the worst counts. */
import { limitsOf } from '../criteria/criteria-set';
import type { Limit } from '../criteria/criteria-set';
import type { LimitInput } from '../criteria/limit-input';
import { temperatureFactor } from '../criteria/limit-temperature';
import type { ResolvedLimit } from '../criteria/resolved-limit';
import { RULES } from '../criteria/rules';
import { openRange } from '../criteria/rules/rule';
import type { Rule, RuleFigures } from '../criteria/rules/rule';
import { isPathTest, pathOf } from '../circuit/paths';
import type { Case } from '../format/case-shape';
import type { Reading } from '../format/reading-shape';
import { finiteEnds } from '../format/message';
import { showsCapability } from './capability';
import { isNumeric, loadsOf } from './case-context';
import type { CaseContext } from './case-context';
import { message } from './messages';
import { isOpen, toldAmps, usualAmps } from './path-amps';
import { crankedBeside } from './told-to-crank';

/** The maker's figure for a test, in its unit; it wins over every school's. */
export interface SpecifiedRange {
  readonly min?: number;
  readonly max?: number;
}

/** What of a test's row its limits need to know. */
export interface LimitedTest {
  /** True where limits are proportional to nominal volts. */
  readonly scales: boolean;
  readonly isPartial?: ((reading: Reading) => boolean) | undefined;
  readonly isPartGraded?: true | undefined;
  readonly isUnlimited?: ((reading: Reading, context: CaseContext) => boolean) | undefined;
  readonly specified?: ((system: Case['system'], reading: Reading) => SpecifiedRange | undefined) | undefined;
}

export type LimitGrade = 'within' | 'near' | 'outside';

/** How a reading stands to the limit that decides. */
export interface Comparison {
  readonly grade: LimitGrade;
  readonly resolved: ResolvedLimit;
}

const SEVERITY: Readonly<Record<LimitGrade, number>> = { within: 0, near: 1, outside: 2 };

/** How far inside its limit a figure lies; below 0 it is outside. */
export const marginOf = ({ value, min, max }: ResolvedLimit): number => Math.min(value - min, max - value);

/** True where the reading's own uncertainty reaches to the limit. */
export const isTooClose = (limit: ResolvedLimit, uncertainty = 0): boolean =>
  Math.abs(marginOf(limit)) < uncertainty * limit.perUnit;

/** Within, near (inside its uncertainty of the limit, or in the borderline zone) or outside. */
function gradeAgainst(limit: ResolvedLimit, uncertainty: number | undefined): LimitGrade {
  if (isTooClose(limit, uncertainty)) return 'near';
  const margin = marginOf(limit);
  if (margin < 0) return 'outside';
  return margin < limit.borderline ? 'near' : 'within';
}

/** Does the limit speak of readings taken under these conditions? */
function applies({ when }: Limit, reading: Reading, { regulation, fuel }: CaseContext): boolean {
  if (!when) return true;
  if (when.loads && when.loads !== loadsOf(reading)) return false;
  if (when.regulation && when.regulation !== regulation) return false;
  if (when.fuel && when.fuel !== fuel) return false;
  // the vehicle's own data is as slow as an eye on a display
  const { method = 'watched' } = reading.conditions ?? {};
  return !when.methods || when.methods.includes(method === 'scan-tool' ? 'watched' : method);
}

const NO_CONDITIONS: LimitInput['conditions'] = {};

/** The load of a load test beside the rating of what it loads. */
function loadOf({ test, conditions }: Reading, { packCca: cca, labelDoubt }: CaseContext): LimitInput['load'] {
  const amps = test === 'load-test' ? conditions?.amps : undefined;
  return amps === undefined || amps <= 0 || cca === null || labelDoubt !== null ? null : { amps, cca };
}

function inputOf(reading: Reading, { scales }: LimitedTest, context: CaseContext): LimitInput {
  const { test } = reading;
  const { system, conditions } = context.case;
  return {
    test,
    conditions: reading.conditions ?? NO_CONDITIONS,
    testScale: scales ? context.scale : 1,
    system,
    scale: context.scale,
    celsius: context.celsius,
    celsiusKnown: context.celsiusKnown,
    temperatureFactor: 1,
    ambientCelsius: conditions?.ambientCelsius ?? conditions?.batteryCelsius,
    resting: context.resting,
    cranking: () => crankedBeside(reading, context),
    draw: context.draw,
    packCca: context.packCca,
    isLabelDoubted: context.labelDoubt !== null,
    load: loadOf(reading, context),
    path:
      isPathTest(test) && isNumeric(reading)
        ? {
            amps: toldAmps(reading, context),
            usual: usualAmps(pathOf(test).loadedBy, context),
            isOpen: isOpen(reading, context),
          }
        : null,
    showsCapability: test === 'alternator-current' && isNumeric(reading) && showsCapability(reading, context),
  };
}

/** What brings a rule's figures to a reading. */
type ResolvingRule = Omit<Rule<never>, 'fields'>;

/** Brings a limit to a reading; null where the case lacks what the rule needs. */
function resolve(limit: Limit, reading: Reading, at: LimitInput): ResolvedLimit | null {
  const { rule: figures, borderline = 0, temperature } = limit;
  // most limits do not move: copying the input for each of them is slow
  const factor = temperatureFactor(temperature, at.celsius);
  const input = factor === 1 ? at : { ...at, temperatureFactor: factor };
  const rule: ResolvingRule = RULES[figures.kind];
  const made = make(rule, figures as never, reading, input);
  if (!made) return null;
  return {
    value: made.value ?? (isNumeric(reading) ? reading.value : Number.NaN),
    min: made.min ?? -Infinity,
    max: made.max ?? Infinity,
    borderline: made.near?.width ?? (rule.zone ? rule.zone(borderline, made, input) : borderline),
    perUnit: made.perUnit ?? 1,
    bound: made.bound,
    near: made.near?.because ?? null,
    limit,
    drawn: made.drawn ?? null,
  };
}

function make(rule: ResolvingRule, figures: never, { value }: Reading, input: LimitInput): RuleFigures | null {
  if (typeof value === 'number') return rule.resolve(figures, value, input);
  if (value === 'OL') return rule.resolveOpen?.(figures, input) ?? null;
  return Array.isArray(value) && rule.resolveList ? rule.resolveList(figures, value as readonly number[], input) : null;
}

/** The maker's figure: the only limit of the test where there is one. */
function specifiedLimit(reading: Reading, row: LimitedTest, { case: { system } }: CaseContext): ResolvedLimit | null {
  const range = row.specified?.(system, reading);
  if (!range || !isNumeric(reading)) return null;
  const ends = openRange(range);
  return {
    value: reading.value,
    ...ends,
    borderline: 0,
    perUnit: 1,
    bound: message('specified', { test: reading.test, ...finiteEnds(ends) }),
    near: null,
    limit: null,
    drawn: ends,
  };
}

/**
 * @param row The test's row.
 * @param context The case as the reading's own battery shows it.
 * @returns the limit that decides and how the reading stands to it; null where none applies.
 */
export function compareWithLimits(reading: Reading, row: LimitedTest, context: CaseContext): Comparison | null {
  const { uncertainty } = reading;
  if ((row.isPartial?.(reading) && !row.isPartGraded) || row.isUnlimited?.(reading, context)) return null;
  const specified = specifiedLimit(reading, row, context);
  if (specified) return { resolved: specified, grade: gradeAgainst(specified, uncertainty) };
  const limits = limitsOf(context.criteria, reading.test);
  if (limits.length === 0) return null;
  const input = inputOf(reading, row, context);
  let worst: Comparison | null = null;
  for (const limit of limits) {
    const resolved = applies(limit, reading, context) ? resolve(limit, reading, input) : null;
    if (!resolved) continue;
    const grade = gradeAgainst(resolved, uncertainty);
    if (!worst || SEVERITY[grade] > SEVERITY[worst.grade]) worst = { resolved, grade };
  }
  return worst;
}
