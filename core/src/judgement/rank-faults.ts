import { FAULT_NAMES } from '../case/vocabulary';
import type { FaultName } from '../case/vocabulary';
import type { FaultEvidence, RankedFault } from '../case/judgement-shape';
import type { Finding } from './findings/finding';
import { PRIOR } from './findings/priors';

/** Rounds of message passing; the graph is small and settles after three. */
const ROUNDS = 4;
/** Evidence under this weight is not worth a line. */
const LEAST_WEIGHT = 0.15;
/** No fault is more certain than this: something outside the model is always possible. */
const CERTAIN = 0.995;

const sigmoid = (x: number): number => 1 / (1 + Math.exp(-x));
const logit = (p: number): number => Math.log(p / (1 - p));

/**
 * The probability of every fault, each its own: several may be true at once.
 *
 * Faults and findings form a two-layer network: a finding appears if any of its causes is there
 * (noisy or). Each cause hears from a finding only what the other causes do not already explain, by
 * belief propagation: a drop that is measured to be bad takes the slow crank upon itself, and the
 * starter is no longer suspected for it.
 */
export function rankFaults(findings: readonly Finding[]): readonly RankedFault[] {
  const prior = FAULT_NAMES.map((fault) => logit(PRIOR[fault]));
  const index = new Map(FAULT_NAMES.map((fault, i) => [fault, i]));
  const links = findings.map(({ causes, weight }) => ({
    factor: Math.exp(weight) - 1,
    causes: causes.map(({ fault, share }) => ({ fault: index.get(fault)!, share, message: 0 })),
  }));
  const total = [...prior];
  for (let round = 0; round < ROUNDS; round++) {
    for (const { factor, causes } of links) {
      const open = causes.map(({ fault, share, message }) => 1 - share * sigmoid(total[fault]! - message));
      const allOpen = open.reduce((product, value) => product * value, 1);
      causes.forEach((cause, i) => {
        const others = open[i]! > 1e-9 ? 1 - allOpen / open[i]! : 1;
        const without = 1 + factor * others;
        const withCause = 1 + factor * (cause.share + (1 - cause.share) * others);
        const message = Math.log(Math.max(withCause, 1e-9) / Math.max(without, 1e-9));
        total[cause.fault]! += message - cause.message;
        cause.message = message;
      });
    }
  }
  const evidence = new Map<FaultName, FaultEvidence[]>();
  links.forEach(({ causes }, k) => {
    for (const { fault, message } of causes) {
      if (Math.abs(message) < LEAST_WEIGHT) continue;
      const name = FAULT_NAMES[fault]!;
      const { says, source } = findings[k]!;
      const list = evidence.get(name) ?? [];
      list.push({ ...source, weight: Math.round(message * 100) / 100, says });
      evidence.set(name, list);
    }
  });
  const named = FAULT_NAMES.map((fault, i) => ({ fault, probability: Math.min(CERTAIN, sigmoid(total[i]!)) })).filter(
    ({ fault }) => fault !== 'none',
  );
  const none = named.reduce((product, { probability }) => product * (1 - probability), 1);
  return [...named, { fault: 'none' as const, probability: Math.min(CERTAIN, none) }]
    .map(({ fault, probability }) => ({
      fault,
      probability: Math.round(probability * 1e4) / 1e4,
      evidence: (evidence.get(fault) ?? []).sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight)),
    }))
    .sort((a, b) => b.probability - a.probability);
}
