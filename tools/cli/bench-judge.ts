/**
 * `npm run bench:judge`: how well the judge judges, on vehicles of the circuit model drawn with a spread
 * that it was not tuned by, beside a plain judge with fixed limits in the same run.
 */
import {
  BALANCED,
  FAULTS,
  FAULT_NAMES,
  FULL_SET,
  SimulatedVisit,
  TESTING_SPREAD,
  TUNING_SPREAD,
  judge,
  simulateCase,
} from '@tetrad/core';
import type { Case, FaultName, Judgement, StepName } from '@tetrad/core';
import { plainJudge } from './plain-judge';

const words = new Set(process.argv.slice(2));
const spread = words.has('--tuning') ? TUNING_SPREAD : TESTING_SPREAD;
const FIRST_SEED = words.has('--tuning') ? 1_000_000 : 5_000_000;
const PER_FAULT = 120;
/** Share of readings taken with one of the usual mistakes, where mistakes are made. */
const MISTAKES = 0.06;
const MOST_STEPS = 40;

interface Tally {
  cases: number;
  faultRight: number;
  partRight: number;
  wrongReplacements: number;
  healthyRepaired: number;
  healthy: number;
  plainPartRight: number;
  plainWrongReplacements: number;
}

const partOf = (fault: FaultName, subject: Case): string | null =>
  FAULTS[fault].part(subject.system);
const calledPart = ({ decision }: Judgement): string | null =>
  decision.action === 'replace' || decision.action === 'repair' ? decision.part : null;
const REPLACEABLE = new Set(['battery', 'starter', 'alternator']);

function fullSets(mistakes = 0): {
  tally: Tally;
  misses: Map<string, number>;
  bins: { predicted: number; truths: number; count: number }[];
} {
  const tally: Tally = {
    cases: 0,
    faultRight: 0,
    partRight: 0,
    wrongReplacements: 0,
    healthyRepaired: 0,
    healthy: 0,
    plainPartRight: 0,
    plainWrongReplacements: 0,
  };
  const misses = new Map<string, number>();
  const bins = Array.from({ length: 10 }, () => ({ predicted: 0, truths: 0, count: 0 }));
  FAULT_NAMES.forEach((fault, f) => {
    for (let i = 0; i < PER_FAULT; i++) {
      const subject = simulateCase({ faults: [fault], seed: FIRST_SEED + f * 1000 + i, mistakes, spread });
      const said = judge(subject, BALANCED);
      const top = said.faults[0]!.fault;
      const truePart = partOf(fault, subject);
      tally.cases += 1;
      if (top === fault) tally.faultRight += 1;
      else misses.set(`${fault} → ${top}`, (misses.get(`${fault} → ${top}`) ?? 0) + 1);
      if (partOf(top, subject) === truePart) tally.partRight += 1;
      const called = calledPart(said);
      if (said.decision.action === 'replace' && called !== truePart && REPLACEABLE.has(called ?? ''))
        tally.wrongReplacements += 1;
      if (fault === 'none') {
        tally.healthy += 1;
        if (called !== null) tally.healthyRepaired += 1;
      }
      const plain = plainJudge(subject);
      if (plain === truePart) tally.plainPartRight += 1;
      else if (plain !== null && REPLACEABLE.has(plain)) tally.plainWrongReplacements += 1;
      for (const { fault: name, probability } of said.faults) {
        if (name === 'none' && fault === 'none') continue;
        const bin = bins[Math.min(9, Math.floor(probability * 10))]!;
        bin.predicted += probability;
        bin.count += 1;
        if (name === fault) bin.truths += 1;
      }
    }
  });
  return { tally, misses, bins };
}

/** A visit with something to complain of: nobody brings a vehicle whose fault nobody notices. */
function complaining(fault: FaultName, seed: number): SimulatedVisit {
  for (let severity = ((seed * 7919) % 97) / 100; ; severity = Math.min(1, severity + 0.1)) {
    const visit = new SimulatedVisit({ faults: [fault], severity, seed, spread });
    const unnoticed = visit.case.complaint?.symptoms?.every((symptom) => symptom === 'cranks-normally');
    if (!unnoticed || fault === 'none' || severity === 1) return visit;
  }
}

function steps(): { right: number; cases: number; steps: number; wrong: Map<string, number>; replaced: number } {
  const wrong = new Map<string, number>();
  let right = 0;
  let cases = 0;
  let taken = 0;
  let replaced = 0;
  FAULT_NAMES.forEach((fault, f) => {
    for (let i = 0; i < PER_FAULT / 2; i++) {
      const visit = complaining(fault, FIRST_SEED + 500_000 + f * 1000 + i);
      const subject0 = visit.case;
      visit.do('resting-voltage');
      let said = judge(visit.case);
      let count = 1;
      let charged = false;
      while (
        count < MOST_STEPS &&
        (said.decision.action === 'test-next' ||
          (said.decision.action === 'charge-first' && fault !== 'battery-discharged')) &&
        said.next.length > 0
      ) {
        const step = said.next[0]!;
        if (step.test === 'charge' && charged) break;
        charged ||= step.test === 'charge';
        visit.do(step.test as StepName, step.conditions);
        said = judge(visit.case);
        count += 1;
      }
      cases += 1;
      taken += count;
      const truePart = partOf(fault, subject0);
      const called = calledPart(said);
      const isRight =
        fault === 'none'
          ? said.decision.action === 'none-found'
          : fault === 'battery-discharged'
            ? said.decision.action === 'charge-first'
            : called === truePart;
      if (isRight) right += 1;
      else {
        const key = `${fault} → ${said.decision.action} ${said.decision.fault ?? ''}`;
        wrong.set(key, (wrong.get(key) ?? 0) + 1);
        if (process.env['TRACE'] === key)
          console.error(
            JSON.stringify(visit.case.complaint?.symptoms),
            visit.case.readings
              .map((r) => `${r.test} ${JSON.stringify(r.value)} ${said.readings.find((g) => g.id === r.id)?.grade}`)
              .join(' | '),
            visit.case.observations?.map((o) => `${o.about}:${o.finding}`).join(' '),
            said.decision.because,
            said.faults
              .slice(0, 4)
              .map((f) => `${f.fault} ${f.probability}`)
              .join(' '),
            said.next.map((n) => n.test).join(),
          );
        if (said.decision.action === 'replace') replaced += 1;
      }
    }
  });
  return { right, cases, steps: taken / cases, wrong, replaced };
}

/** Two faults at once that do not hide each other's parts. */
function pairs(): { both: number; cases: number; misses: Map<string, number> } {
  const list: (readonly [FaultName, FaultName])[] = [
    ['battery-worn', 'cable-starter-ground'],
    ['battery-worn', 'alternator-diode'],
    ['connection-positive-post', 'alternator-weak'],
    ['starter-dragging', 'belt-slip'],
    ['battery-worn', 'parasitic-drain'],
    ['solenoid-contacts', 'connection-negative-post'],
    ['cable-starter-positive', 'alternator-dead'],
    ['engine-drag', 'charge-cable-positive'],
    ['battery-worn', 'starter-dragging'],
    ['regulator-high', 'battery-worn'],
  ];
  const misses = new Map<string, number>();
  let both = 0;
  let cases = 0;
  list.forEach((faults, p) => {
    for (let i = 0; i < PER_FAULT / 2; i++) {
      const said = judge(
        simulateCase({
          faults,
          severity: 0.15 + (0.7 * ((i * 7919) % 100)) / 100,
          seed: FIRST_SEED + 900_000 + p * 1000 + i,
          spread,
        }),
      );
      const found = faults.every((fault) => said.faults.find((entry) => entry.fault === fault)!.probability > 0.5);
      cases += 1;
      if (found) both += 1;
      else misses.set(faults.join(' + '), (misses.get(faults.join(' + ')) ?? 0) + 1);
    }
  });
  return { both, cases, misses };
}

const percent = (part: number, whole: number): string => `${((100 * part) / whole).toFixed(1)} %`;
const sorted = (counts: Map<string, number>): [string, number][] => [...counts].sort((a, b) => b[1] - a[1]);

const full = fullSets();
const slips = fullSets(MISTAKES).tally;
const followed = steps();
const two = pairs();
const { tally, bins } = full;
const total = bins.reduce((sum, { count }) => sum + count, 0);
const ece = bins.reduce(
  (sum, { predicted, truths, count }) => sum + (count ? Math.abs(predicted - truths) / total : 0),
  0,
);
/** The error among probabilities that say something: most of the table is faults that are plainly absent. */
const spoken = bins.slice(1);
const spokenTotal = spoken.reduce((sum, { count }) => sum + count, 0);
const spokenEce = spoken.reduce(
  (sum, { predicted, truths, count }) => sum + (count ? Math.abs(predicted - truths) / spokenTotal : 0),
  0,
);
const batch = Array.from({ length: 500 }, (_, i) =>
  simulateCase({ faults: [FAULT_NAMES[i % FAULT_NAMES.length]!], seed: FIRST_SEED + i, spread }),
);
for (const subject of batch) judge(subject);
const begun = performance.now();
for (const subject of batch) judge(subject);
const judged = performance.now() - begun;
const plainBegun = performance.now();
for (const subject of batch) plainJudge(subject);
const plainMs = performance.now() - plainBegun;

const rows: readonly (readonly [string, string, string, string])[] = [
  [`top fault right, full sets (${tally.cases} cases)`, percent(tally.faultRight, tally.cases), '97 % or more', '–'],
  [
    'part right, full sets',
    percent(tally.partRight, tally.cases),
    '98 % or more',
    percent(tally.plainPartRight, tally.cases),
  ],
  [
    'sound part called for replacement',
    percent(tally.wrongReplacements, tally.cases),
    'at most 0.5 %',
    percent(tally.plainWrongReplacements, tally.cases),
  ],
  ['healthy vehicles sent for repair', percent(tally.healthyRepaired, tally.healthy), 'at most 1 %', '–'],
  [`with ${MISTAKES * 100} % of readings mistaken: top fault right`, percent(slips.faultRight, slips.cases), '–', '–'],
  [
    'with mistakes: sound part called for replacement',
    percent(slips.wrongReplacements, slips.cases),
    'at most 0.5 %',
    percent(slips.plainWrongReplacements, slips.cases),
  ],
  [
    'with mistakes: healthy vehicles sent for repair',
    percent(slips.healthyRepaired, slips.healthy),
    'at most 1 %',
    '–',
  ],
  [`right by following next (${followed.cases} cases)`, percent(followed.right, followed.cases), '95 % or more', '–'],
  ['sound part replaced by following next', percent(followed.replaced, followed.cases), 'at most 0.5 %', '–'],
  [
    'steps taken, mean',
    followed.steps.toFixed(1),
    `at most ${(((FULL_SET.length + 9) * 2) / 3).toFixed(1)}`,
    `${FULL_SET.length + 9}, the fixed order`,
  ],
  [`two faults, both above 0.5 (${two.cases} cases)`, percent(two.both, two.cases), '80 % or more', '–'],
  ['expected calibration error, all probabilities', ece.toFixed(3), 'at most 0.05', '–'],
  ['the same, probabilities of 0.1 or more', spokenEce.toFixed(3), '–', '–'],
  [
    'cases judged per second, full sets of about 35, one core',
    String(Math.round((batch.length * 1000) / judged)),
    '2000 or more',
    String(Math.round((batch.length * 1000) / plainMs)),
  ],
];
console.log('| what | judge | aim | plain limits |\n| --- | --- | --- | --- |');
for (const row of rows) console.log(`| ${row.join(' | ')} |`);
console.log('\n| said | true | cases |\n| --- | --- | --- |');
for (const { predicted, truths, count } of bins)
  if (count > 0) console.log(`| ${(predicted / count).toFixed(2)} | ${(truths / count).toFixed(2)} | ${count} |`);
if (words.has('--misses')) {
  console.error('full sets:', sorted(full.misses));
  console.error('following next:', sorted(followed.wrong));
  console.error('pairs:', sorted(two.misses));
}
