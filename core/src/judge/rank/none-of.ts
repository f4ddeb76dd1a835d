/** How probable it is that nothing is wrong. */
import type { Finding } from '../../evidence/finding';

/** From these odds against “nothing” on a fault is a rival of the others; the rest is as independent as before any reading. */
const RIVAL = 0.1;

let weights = new Float64Array(32);
let pairs = new Float64Array(1024);

/**
 * The weight of “nothing” against that of every single fault and of every two of them. The faults’ own probabilities do
 * not tell it: where one of several must be there to explain a reading, each may be improbable, and so is “nothing”.
 * Three at once weigh next to nothing where “nothing” is worth asking for.
 *
 * @param priorOdds Logarithms of the odds of each fault by its place.
 * @param none The place that is no fault.
 */
export function noneOf(findings: readonly Finding[], priorOdds: Float64Array, none: number): number {
  const count = priorOdds.length;
  if (weights.length < count) [weights, pairs] = [new Float64Array(count), new Float64Array(count * count)];
  for (let i = 0; i < count; i++) weights[i] = i === none ? 0 : Math.exp(priorOdds[i]!);
  for (const { causes, weight } of findings) {
    const factor = Math.exp(weight) - 1;
    for (const { place, share } of causes) weights[place]! *= 1 + factor * share;
  }
  let rivals = 1;
  let others = 1;
  for (let i = 0; i < count; i++)
    if (weights[i]! < RIVAL) others *= 1 + weights[i]!;
    else rivals += weights[i]!;
  return 1 / (others * (rivals + twoRivals(findings, count)));
}

/** The weight of every two rivals. What both explain they explain no better together than one of them alone. */
function twoRivals(findings: readonly Finding[], count: number): number {
  pairs.fill(1, 0, count * count);
  for (const { causes, weight } of findings) {
    if (causes.length < 2) continue;
    const factor = Math.exp(weight) - 1;
    for (let a = 1; a < causes.length; a++) {
      const { place: i, share: one } = causes[a]!;
      if (weights[i]! < RIVAL) continue;
      for (let b = 0; b < a; b++) {
        const { place: j, share: other } = causes[b]!;
        if (weights[j]! < RIVAL) continue;
        const both = 1 + factor * (1 - (1 - one) * (1 - other));
        pairs[Math.max(i, j) * count + Math.min(i, j)]! *= both / ((1 + factor * one) * (1 + factor * other));
      }
    }
  }
  let sum = 0;
  for (let i = 1; i < count; i++) {
    if (weights[i]! < RIVAL) continue;
    for (let j = 0; j < i; j++) if (weights[j]! >= RIVAL) sum += weights[i]! * weights[j]! * pairs[i * count + j]!;
  }
  return sum;
}
