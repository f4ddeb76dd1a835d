/** From the complaint and the resting voltage on, doing what the judgement asks for until it decides. */
import { BALANCED, FAULT_NAMES, FULL_SET, SimulatedVisit, engineOf, judge, withSteadyMinutes } from '@tetrad/core';
import type { CriteriaSet, EngineState, FaultName, Judgement } from '@tetrad/core';
import { medianSorted } from 'simple-statistics';
import { Counts, PER_FAULT, calledPart, condemns, isOutvoted, isThawedFirst, percent, truePart } from './setting';
import type { Row, Setting } from './setting';

const MAX_STEPS = 40;
/** A charge as a technician waits for it while doing something else, min. */
const FIXED_ORDER_MINUTES = 197;

export interface Following {
  cases: number;
  right: number;
  condemned: number;
  undecided: number;
  outvoted: number;
  steps: number;
  minutes: number;
  /** Changes of what the engine does, of each visit. */
  readonly changes: number[];
  /** Steps after which more minutes were told to be left than before, and all of them. */
  grew: number;
  /** Minutes told after the first reading, over minutes that it took, of each visit. */
  readonly told: number[];
  readonly wrong: Counts;
}

/** A visit with something to complain of: nobody brings a vehicle whose fault nobody notices. */
function complaining(fault: FaultName, seed: number, { spread }: Setting, mistakes: number): SimulatedVisit {
  for (let severity = ((seed * 7919) % 97) / 100; ; severity = Math.min(1, severity + 0.1)) {
    const visit = new SimulatedVisit({ faults: [fault], severity, seed, spread, mistakes });
    const isUnnoticed = visit.case.complaint?.symptoms?.every((symptom) => symptom === 'cranks-normally');
    if (!isUnnoticed || fault === 'none' || severity === 1) return visit;
  }
}

const isOpen = ({ decision, next }: Judgement, fault: FaultName): boolean =>
  next.length > 0 &&
  (decision.action === 'test-next' || (decision.action === 'charge-first' && fault !== 'battery-discharged'));

/** @param criteria The set that judges. @param mistakes Share of readings taken with one of the usual mistakes. */
export function following(setting: Setting, criteria: CriteriaSet = BALANCED, mistakes = 0): Following {
  const found: Following = {
    cases: 0,
    right: 0,
    condemned: 0,
    undecided: 0,
    outvoted: 0,
    steps: 0,
    minutes: 0,
    changes: [],
    grew: 0,
    told: [],
    wrong: new Counts(),
  };
  FAULT_NAMES.forEach((fault, f) => {
    for (let i = 0; i < PER_FAULT / 2; i++) {
      const visit = complaining(fault, setting.seed + 500_000 + f * 1000 + i, setting, mistakes);
      visit.do('resting-voltage');
      let said = judge(visit.case, criteria);
      let count = 1;
      let minutes = 1;
      let isCharged = false;
      let engine: EngineState = 'off';
      let changes = 0;
      const told = said.decision.minutes ?? 0;
      while (count < MAX_STEPS && isOpen(said, fault)) {
        const step = said.next[0]!;
        if (step.test === 'charge' && isCharged) break;
        isCharged ||= step.test === 'charge';
        const needs = engineOf(step.test, step.conditions['loads']);
        if (needs !== engine) changes += 1;
        engine = needs;
        const before = said.decision.minutes ?? 0;
        visit.do(step.test, step.conditions);
        said = withSteadyMinutes(said, judge(visit.case, criteria));
        if ((said.decision.minutes ?? 0) > before) found.grew += 1;
        count += 1;
        minutes += step.minutes;
      }
      note(found, fault, said, visit);
      found.steps += count;
      found.changes.push(changes);
      if (minutes > 1) found.told.push(told / (minutes - 1));
      found.minutes += minutes;
    }
  });
  return found;
}

function note(found: Following, fault: FaultName, said: Judgement, visit: SimulatedVisit): void {
  const subject = visit.case;
  const part = truePart(fault, subject);
  const { action } = said.decision;
  found.cases += 1;
  const isRight =
    isThawedFirst(said) ||
    (fault === 'none'
      ? action === 'none-found'
      : fault === 'battery-discharged'
        ? action === 'charge-first'
        : calledPart(said) === part);
  if (isRight) found.right += 1;
  else found.wrong.add(`${fault} → ${action} ${said.decision.fault ?? ''}`);
  if (condemns(said, part)) found.condemned += 1;
  if (action === 'test-next') found.undecided += 1;
  if (isOutvoted(said, subject)) found.outvoted += 1;
  const key = `${fault} → ${action} ${said.decision.fault ?? ''}`;
  if (process.env['TRACE'] === key)
    console.error(
      JSON.stringify({
        symptoms: subject.complaint?.symptoms,
        readings: subject.readings.map(
          ({ test, value }, k) => `${test} ${JSON.stringify(value)} ${said.readings[k]?.grade}`,
        ),
        seen: subject.observations?.map(({ about, finding }) => `${about}: ${finding}`),
        because: said.decision.because,
        faults: said.faults.slice(0, 4).map((entry) => `${entry.fault} ${entry.probability}`),
      }),
    );
}

export function followingRows(found: Following): readonly Row[] {
  const { cases } = found;
  return [
    [`right by following next (${cases} cases)`, percent(found.right, cases), '98.5 %', '–'],
    ['sound part condemned by following next', percent(found.condemned, cases), 'at most 0.1 %', '–'],
    ['undecided', percent(found.undecided, cases), 'at most 0.5 %', '–'],
    ['outvoted by following next', String(found.outvoted), 'never', '–'],
    ['steps taken, mean', (found.steps / cases).toFixed(1), 'at most 10', `${FULL_SET.length + 9}, the fixed order`],
    [
      'changes of what the engine does, median',
      String(medianSorted(found.changes.toSorted((a, b) => a - b))),
      'at most 3',
      '–',
    ],
    [
      'minutes told at the first reading, of those it took, median',
      medianSorted(found.told.toSorted((a, b) => a - b)).toFixed(2),
      '–',
      '–',
    ],
    ['steps after which more minutes were told than before', percent(found.grew, found.steps), '–', '–'],
    [
      'minutes taken, mean',
      (found.minutes / cases).toFixed(0),
      'at most 45',
      `${FIXED_ORDER_MINUTES}, the fixed order`,
    ],
  ];
}
