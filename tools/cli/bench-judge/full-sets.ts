/** Full sets of readings of vehicles with one clear fault, with a careful hand or with mistakes. */
import { FAULT_NAMES, judge, simulateCase } from '@tetrad/core';
import { plainJudge } from '../plain-judge';
import { Counts, PER_FAULT, SLIGHTEST, calledPart, condemns, isOutvoted, percent, truePart } from './setting';
import type { Row, Setting } from './setting';

interface Tally {
  cases: number;
  faultRight: number;
  partRight: number;
  condemned: number;
  sound: number;
  soundRepaired: number;
  soundFound: number;
  outvoted: number;
  plainRight: number;
  plainCondemned: number;
}

export interface Bin {
  predicted: number;
  truths: number;
  count: number;
}

export interface FullSets {
  readonly tally: Tally;
  readonly misses: Counts;
  /** Faults by the probability that was said, in tenths. */
  readonly bins: readonly Bin[];
}

export function fullSets(
  { spread, seed }: Setting,
  hand: { readonly mistakes?: number; readonly oneMistake?: boolean } = {},
): FullSets {
  const tally: Tally = {
    cases: 0,
    faultRight: 0,
    partRight: 0,
    condemned: 0,
    sound: 0,
    soundRepaired: 0,
    soundFound: 0,
    outvoted: 0,
    plainRight: 0,
    plainCondemned: 0,
  };
  const misses = new Counts();
  const bins: Bin[] = Array.from({ length: 10 }, () => ({ predicted: 0, truths: 0, count: 0 }));
  FAULT_NAMES.forEach((fault, f) => {
    // sound vehicles are what most of the aims are about: more of them
    const count = fault === 'none' ? 5 * PER_FAULT : PER_FAULT;
    for (let i = 0; i < count; i++) {
      const severity = SLIGHTEST + (1 - SLIGHTEST) * (((i * 7919) % 97) / 96);
      const subject = simulateCase({ faults: [fault], severity, seed: seed + f * 1000 + i, spread, ...hand });
      const said = judge(subject);
      const top = said.faults[0]!.fault;
      const part = truePart(fault, subject);
      tally.cases += 1;
      if (top === fault) tally.faultRight += 1;
      else misses.add(`${fault} → ${top}`);
      if (truePart(top, subject) === part) tally.partRight += 1;
      if (condemns(said, part)) {
        tally.condemned += 1;
        misses.add(`condemned ${said.decision.part}: ${fault} (${said.decision.fault})`);
      }
      if (isOutvoted(said, subject)) {
        tally.outvoted += 1;
        misses.add(`outvoted: ${fault} (${said.decision.action})`);
      }
      if (fault === 'none') {
        tally.sound += 1;
        if (calledPart(said) !== null) tally.soundRepaired += 1;
        if (said.decision.action === 'none-found') tally.soundFound += 1;
        else misses.add(`sound: ${said.decision.action} ${said.decision.fault ?? said.decision.because.split(':')[0]}`);
      }
      const plain = plainJudge(subject);
      if (plain === part) tally.plainRight += 1;
      else if (plain !== null && ['battery', 'starter', 'alternator'].includes(plain)) tally.plainCondemned += 1;
      for (const { fault: name, probability } of said.faults) {
        const bin = bins[Math.min(9, Math.floor(probability * 10))]!;
        bin.predicted += probability;
        bin.count += 1;
        if (name === fault) bin.truths += 1;
      }
    }
  });
  return { tally, misses, bins };
}

/** Mean error of the probabilities from the given tenth on. */
export function calibrationError(bins: readonly Bin[], fromTenth: number): number {
  const spoken = bins.slice(fromTenth);
  const total = spoken.reduce((sum, { count }) => sum + count, 0);
  return spoken.reduce(
    (sum, { predicted, truths, count }) => sum + (count ? Math.abs(predicted - truths) / total : 0),
    0,
  );
}

export function fullRows(careful: FullSets, once: FullSets, often: FullSets): readonly Row[] {
  const { tally, bins } = careful;
  return [
    [`top fault right, full sets (${tally.cases} cases)`, percent(tally.faultRight, tally.cases), '99 %', '–'],
    ['part right, full sets', percent(tally.partRight, tally.cases), '99 %', percent(tally.plainRight, tally.cases)],
    [
      'sound part called for replacement',
      percent(tally.condemned, tally.cases),
      'at most 0.1 %',
      percent(tally.plainCondemned, tally.cases),
    ],
    [`sound vehicles (${tally.sound}) sent for repair`, percent(tally.soundRepaired, tally.sound), 'none', '–'],
    ['sound vehicles called sound', percent(tally.soundFound, tally.sound), '97 %', '–'],
    [
      'a reading straight across a fault outvoted',
      String(tally.outvoted + once.tally.outvoted + often.tally.outvoted),
      'never',
      '–',
    ],
    [
      'one mistake in every case: sound part condemned',
      percent(once.tally.condemned, once.tally.cases),
      'at most 0.5 %',
      percent(once.tally.plainCondemned, once.tally.cases),
    ],
    [
      'one mistake in every case: sound vehicles sent for repair',
      percent(once.tally.soundRepaired, once.tally.sound),
      'at most 0.5 %',
      '–',
    ],
    ['one mistake in every case: top fault right', percent(once.tally.faultRight, once.tally.cases), '–', '–'],
    ['6 % of readings mistaken: top fault right', percent(often.tally.faultRight, often.tally.cases), '–', '–'],
    [
      '6 % of readings mistaken: sound part condemned',
      percent(often.tally.condemned, often.tally.cases),
      'at most 0.5 %',
      percent(often.tally.plainCondemned, often.tally.cases),
    ],
    ['error of probabilities, all', calibrationError(bins, 0).toFixed(3), 'at most 0.03', '–'],
    ['error of probabilities of 0.2 or more', calibrationError(bins, 2).toFixed(3), 'at most 0.03', '–'],
  ];
}
