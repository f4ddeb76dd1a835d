/** What is wrong with a set beyond its shape: ends that are the wrong way round, limits that contradict each other. */
import { PATHS, PATH_TESTS } from '../circuit/paths';
import type { PathTest } from '../circuit/paths';
import type { TestName } from '../format/names';
import type { CriteriaSet, Limit, LimitConditions } from './criteria-set';
import { RULES } from './rules';

/** One thing that is wrong, with its place in the document. */
export interface CriteriaFault {
  readonly field: string;
  readonly found: string;
  readonly allowed: string;
}

const show = (value: unknown): string => (value === undefined ? 'nothing' : JSON.stringify(value));

export function checkCriteria({ limits, expectedDraw }: CriteriaSet): readonly CriteriaFault[] {
  return [
    ...limits.flatMap((limit, at) => limitFaults(limit, `limits[${at}]`)),
    ...conflicts(limits),
    ...wholesUnderParts(limits),
    ...expectedDraw.flatMap(({ minAmps, maxAmps }, at) =>
      minAmps < maxAmps
        ? []
        : [{ field: `expectedDraw[${at}].maxAmps`, found: show(maxAmps), allowed: `more than ${minAmps}` }],
    ),
    ...(['petrol', 'diesel'] as const)
      .filter((fuel) => !expectedDraw.some((row) => row.fuel === fuel))
      .map((fuel) => ({ field: 'expectedDraw', found: 'nothing', allowed: `a row for ${fuel}` })),
  ];
}

function limitFaults({ test, rule, borderline }: Limit, field: string): readonly CriteriaFault[] {
  const faults: CriteriaFault[] = [];
  const { tests }: { readonly tests?: readonly TestName[] } = RULES[rule.kind];
  // a limit that no reading of the test can be brought to would be accepted and never applied
  if (tests && !tests.includes(test))
    faults.push({
      field: `${field}.test`,
      found: test,
      allowed: `a test that “${rule.kind}” can judge: ${tests.join(', ')}`,
    });
  if (rule.kind === 'band') {
    const { min, max, ceiling } = rule;
    if (min === undefined && max === undefined)
      faults.push({ field: `${field}.rule`, found: 'no end', allowed: 'min, max or both' });
    if (min !== undefined && max !== undefined && min >= max)
      faults.push({ field: `${field}.rule.max`, found: show(max), allowed: `more than ${min}` });
    if (max !== undefined && ceiling !== undefined && ceiling < max)
      faults.push({ field: `${field}.rule.ceiling`, found: show(ceiling), allowed: `at least ${max}` });
    if (min !== undefined && max !== undefined && borderline !== undefined && 2 * borderline >= max - min)
      faults.push({
        field: `${field}.borderline`,
        found: show(borderline),
        allowed: `less than ${(max - min) / 2}: half the width of its limit`,
      });
  }
  if (rule.kind === 'drop' && borderline !== undefined && borderline >= rule.max)
    faults.push({ field: `${field}.borderline`, found: show(borderline), allowed: `less than ${rule.max}` });
  if (rule.kind === 'temperature-floor')
    rule.points.forEach(([celsius, figure], at) => {
      const before = rule.points[at - 1];
      if (!before) return;
      const place = `${field}.rule.points[${at}]`;
      if (celsius <= before[0])
        faults.push({ field: place, found: show(celsius), allowed: `warmer than ${before[0]} °C` });
      // a cold battery is allowed less
      if (figure < before[1]) faults.push({ field: place, found: show(figure), allowed: `at least ${before[1]}` });
    });
  return faults;
}

const meet = <T>(a: T | undefined, b: T | undefined): boolean => a === undefined || b === undefined || a === b;
/** Whether one reading may fall under both. */
function overlap(a: LimitConditions = {}, b: LimitConditions = {}): boolean {
  const isOneMethod =
    a.methods === undefined || b.methods === undefined || a.methods.some((method) => b.methods!.includes(method));
  return meet(a.loads, b.loads) && meet(a.regulation, b.regulation) && meet(a.fuel, b.fuel) && isOneMethod;
}
/** For each test and rule the first limit that applies is used: a second for the same readings would never be. */
function conflicts(limits: readonly Limit[]): readonly CriteriaFault[] {
  return limits.flatMap((limit, at) => {
    const first = limits.findIndex(
      (other) => other.test === limit.test && other.rule.kind === limit.rule.kind && overlap(other.when, limit.when),
    );
    return first < at
      ? [
          {
            field: `limits[${at}]`,
            found: `a second ${limit.rule.kind} limit of ${limit.test} for the same readings`,
            allowed: `one: limits[${first}] is used`,
          },
        ]
      : [];
  });
}

const piecesOf = (test: PathTest): readonly string[] => PATHS[test].pieces;

/** A path may not be allowed less than a part of it. */
function wholesUnderParts(limits: readonly Limit[]): readonly CriteriaFault[] {
  const maxOf = (test: PathTest): { readonly max: number; readonly at: number } | null => {
    const at = limits.findIndex((limit) => limit.test === test && limit.rule.kind === 'drop');
    const found = limits[at]?.rule;
    return found?.kind === 'drop' ? { max: found.max, at } : null;
  };
  return PATH_TESTS.flatMap((whole) =>
    PATH_TESTS.flatMap((part) => {
      const isPart =
        part !== whole &&
        // of another current nothing follows
        PATHS[part].loadedBy === PATHS[whole].loadedBy &&
        piecesOf(part).every((piece) => piecesOf(whole).includes(piece)) &&
        piecesOf(part).length < piecesOf(whole).length;
      const [limitOfWhole, limitOfPart] = [maxOf(whole), maxOf(part)];
      if (!isPart || !limitOfWhole || !limitOfPart || limitOfWhole.max >= limitOfPart.max) return [];
      return [
        {
          field: `limits[${limitOfWhole.at}].rule.max`,
          found: String(limitOfWhole.max),
          allowed: `at least ${limitOfPart.max}, what ${part}, a part of it, may lose`,
        },
      ];
    }),
  );
}
