import type { FaultName } from '../../format/names';
import { FAULTS, FAULT_NAMES } from '../../trade/tables';
import { noneOf } from './none-of';
import { placeOf } from '../../evidence/finding';
import type { Finding } from '../../evidence/finding';

/** A fault with its probability and the findings that speak for or against it, strongest first. */
export interface Ranked {
  readonly fault: FaultName;
  readonly probability: number;
  readonly lines: readonly { readonly finding: Finding; readonly weight: number }[];
}

/** Most rounds of message passing; the graph is small and mostly settles after three. */
const MAX_ROUNDS = 3;
/** A round that moves no fault's log-odds by more than this was the last. */
const SETTLED = 0.1;
/** Evidence under this weight is not worth a line. */
const MIN_WEIGHT = 0.15;
/** Lines of evidence listed with one fault, and the probability from which a fault has any. */
const MAX_LINES = 4;
const MIN_PROBABILITY = 0.05;
/** No fault is more certain than this: something outside the model is always possible. */
const CERTAIN = 0.995;

const sigmoid = (x: number): number => 1 / (1 + Math.exp(-x));
const COUNT = FAULT_NAMES.length;
/** Faults by their place in the network, and their prior odds. */
const BY_PLACE: readonly FaultName[] = [...FAULT_NAMES].sort((a, b) => placeOf(a) - placeOf(b));
const NONE = placeOf('none');
const PRIOR_ODDS = Float64Array.from(BY_PLACE, (fault) => {
  const { prior } = FAULTS[fault];
  return Math.log(prior / (1 - prior));
});

/** Findings, and what each of their causes has heard from each, in one flat table. */
interface Network {
  readonly findings: readonly Finding[];
  /** Where the messages of each finding begin. */
  readonly begins: readonly number[];
  readonly messages: Float64Array;
  readonly odds: Float64Array;
}

/**
 * The probability of every fault, each its own: several may be true at once.
 *
 * Faults and findings form a two-layer network: a finding appears if any of its causes is there
 * (noisy or). Each cause hears from a finding only what the other causes do not already explain, by
 * belief propagation: a drop that is measured to be bad takes the slow crank upon itself, and the
 * starter is no longer suspected for it.
 */
export function rankFaults(findings: readonly Finding[]): readonly Ranked[] {
  const network = layOut(findings);
  for (let round = 0; round < MAX_ROUNDS; round++) {
    let moved = 0;
    for (let k = 0; k < findings.length; k++) moved = Math.max(moved, pass(network, k));
    if (moved < SETTLED) break;
  }
  return ranked(network);
}

/** Room for messages and odds; one ranking ends before the next begins, so all share it. */
let room = new Float64Array(512);
const roomForOdds = new Float64Array(COUNT);
const open = new Float64Array(COUNT);

function layOut(findings: readonly Finding[]): Network {
  const begins: number[] = [];
  let count = 0;
  for (const { causes } of findings) {
    begins.push(count);
    count += causes.length;
  }
  if (room.length < count) room = new Float64Array(2 * count);
  room.fill(0, 0, count);
  roomForOdds.set(PRIOR_ODDS);
  return { findings, begins, messages: room, odds: roomForOdds };
}

const NO_LINES: Ranked['lines'] = [];

/** Sends one finding's messages to its causes. @returns the largest change. */
function pass({ findings, begins, messages, odds }: Network, k: number): number {
  const { causes, weight } = findings[k]!;
  const begin = begins[k]!;
  if (causes.length === 1 && causes[0]!.share === 1) {
    if (messages[begin] !== 0) return 0;
    messages[begin] = weight;
    odds[causes[0]!.place]! += weight;
    return 0;
  }
  const factor = Math.exp(weight) - 1;
  let allOpen = 1;
  for (let i = 0; i < causes.length; i++) {
    const { share, place: index } = causes[i]!;
    const chance = Math.max(1e-9, 1 - share * sigmoid(odds[index]! - messages[begin + i]!));
    open[i] = chance;
    allOpen *= chance;
  }
  let moved = 0;
  for (let i = 0; i < causes.length; i++) {
    const { share, place: index } = causes[i]!;
    const others = 1 - allOpen / open[i]!;
    const without = Math.max(1 + factor * others, 1e-9);
    const withCause = Math.max(1 + factor * (share + (1 - share) * others), 1e-9);
    const message = Math.log(withCause / without);
    const change = message - messages[begin + i]!;
    moved = Math.max(moved, Math.abs(change));
    odds[index]! += change;
    messages[begin + i] = message;
  }
  return moved;
}

function ranked(network: Network): readonly Ranked[] {
  const probabilities: number[] = [];
  for (let i = 0; i < COUNT; i++) probabilities.push(Math.min(CERTAIN, sigmoid(network.odds[i]!)));
  probabilities[NONE] = Math.min(CERTAIN, noneOf(network.findings, PRIOR_ODDS, NONE));
  const lines = linesOf(network, probabilities);
  return BY_PLACE.map((fault, i) => ({
    fault,
    probability: Math.round(probabilities[i]! * 1e4) / 1e4,
    lines: lines[i]!,
  })).sort((a, b) => b.probability - a.probability || (a.fault < b.fault ? -1 : 1));
}

/** The strongest findings of every fault that is worth any. */
function linesOf(
  { findings, begins, messages }: Network,
  probabilities: readonly number[],
): readonly Ranked['lines'][] {
  const heard = new Map<number, { finding: Finding; weight: number }[]>();
  findings.forEach((finding, k) => {
    for (let i = 0; i < finding.causes.length; i++) {
      const index = finding.causes[i]!.place;
      if (probabilities[index]! < MIN_PROBABILITY) continue;
      const weight = Math.round(messages[begins[k]! + i]! * 100) / 100;
      if (Math.abs(weight) < MIN_WEIGHT) continue;
      const own = heard.get(index);
      if (own) own.push({ finding, weight });
      else heard.set(index, [{ finding, weight }]);
    }
  });
  return probabilities.map((_, index) => {
    const own = heard.get(index);
    return own ? own.sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight)).slice(0, MAX_LINES) : NO_LINES;
  });
}
