/** Short words for headings: a decision, a verdict, and what the customer is told. */
import { isSameDecision } from '../../format/same-decision';
import type { DrainCircuit } from '../../evidence/fuses';
import type { Decision } from '../../format/judgement-shape';
import type { Verdict } from '../../format/words';
import type { Part } from '../../format/words';
import type { Reading } from '../../format/reading-shape';
import { figureFormat } from '../../quantities/figure-format';
import type { FigureFormat } from '../../quantities/figure-format';
import { isPathTest } from '../../circuit/paths';
import { SIGNAL_PIECES } from '../../circuit/start-signal';
import type { SignalPiece } from '../../circuit/start-signal';
import { FAULTS, TESTS } from '../../trade/tables';
import { PART_WORDS, lower, nameOf } from './names';
import { readingWords } from './readings';

/** What a heading is made of: a decision, with the figures of its sentence where it has any. */
export type HeadedDecision = Pick<Decision, 'action' | 'part' | 'fault'> & { readonly with?: unknown };

/**
 * The decision in a few words, for a heading.
 *
 * @param figures How the reader wants figures written; plain where nothing is said.
 * @throws Error for an action that the format does not have.
 * @example decisionWords({ action: 'replace', part: 'battery', fault: 'battery-worn' }) // 'Replace the battery'
 */
export function decisionWords(decision: HeadedDecision, figures: FigureFormat = figureFormat()): string {
  const { action, part, fault } = decision;
  const name = part ? PART_WORDS[part] : '';
  switch (action) {
    case 'replace':
      return `Replace ${name}`;
    case 'repair':
      return part === 'drain' ? 'Find the drain' : part === 'mechanical' ? `Free ${name}` : `Repair ${name}`;
    case 'repaired':
      return `Repaired: ${fault ? FAULTS[fault].repairs : name}${sinceRepair(decision, figures)}`;
    case 'charge-first':
      return 'Charge first, then repeat';
    case 'none-found':
      return nothingWords(decision);
    case 'stop':
      return 'Stop';
    case 'test-next':
      return fault ? `Not proven yet: ${lower(nameOf(fault))}?` : 'Not proven yet';
    default:
      throw new Error(`unknown action ${JSON.stringify(action satisfies never)}`);
  }
}

/** A reading outside its limit that points to no part is something found: it is not passed over in the heading. */
function nothingWords({ with: said }: HeadedDecision): string {
  const { outside = [] } = (said ?? {}) as { readonly outside?: readonly Reading[] };
  if (outside.length === 0) return 'Nothing found';
  return `No part at fault, ${outside.length} ${outside.length === 1 ? 'reading' : 'readings'} outside`;
}

/** What was read before and after a repair: “. Lost 1.72 V, now 14 mV”; empty where that is not known. */
function sinceRepair({ with: said }: HeadedDecision, figures: FigureFormat): string {
  const { before, after } = (said ?? {}) as { readonly before?: Reading; readonly after?: Reading };
  if (!before || !after) return '';
  const was = isPathTest(before.test) ? 'Lost' : `${TESTS[before.test].name} was`;
  return `. ${was} ${readingWords(before, figures)}, now ${readingWords(after, figures)}`;
}

/** What was decided and done when a job was signed off. */
export interface SignedDecision {
  readonly action: Decision['action'];
  readonly part: Part | null;
  readonly partsFitted: readonly string[];
  readonly solved: boolean | null;
  /** The judge's decision at that time. */
  readonly judged: HeadedDecision | null;
}

/** A sign-off in a few words: what was done, where it was done. */
export function signedWords(signed: SignedDecision, figures?: FigureFormat): string {
  const { action, part, partsFitted, solved, judged } = signed;
  if (judged && isSameDecision(judged, signed) && action === 'repaired') return decisionWords(judged, figures);
  const fault = judged?.part === part ? judged.fault : null;
  if (action === 'replace' && partsFitted.length > 0 && part) return `Replaced: ${part}`;
  if (action === 'repair' && solved) return decisionWords({ action: 'repaired', part, fault }, figures);
  return decisionWords({ action, part, fault }, figures);
}

/**
 * The one line that says how a job stands: a repair that the readings prove, else what was signed off, else the decision.
 */
export function headline(
  decision: HeadedDecision,
  signed: SignedDecision | null,
  figures?: FigureFormat,
): { readonly words: string; readonly tone: DecisionTone } {
  if (!signed || decision.action === 'repaired')
    return { words: decisionWords(decision, figures), tone: decisionTone(decision) };
  return { words: signedWords(signed, figures), tone: signed.solved ? 'good' : decisionTone(signed) };
}

export type DecisionTone = 'act' | 'open' | 'good';

/** How a decision is toned: what must be done, what is open, what is good. */
export const decisionTone = ({ action }: Pick<Decision, 'action'>): DecisionTone =>
  action === 'none-found' || action === 'repaired'
    ? 'good'
    : action === 'test-next' || action === 'charge-first'
      ? 'open'
      : 'act';

export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  keep: 'Keep',
  'not-tested': 'Not tested',
  replace: 'Replace',
  repair: 'Repair',
  'charge-first': 'Charge first',
  'not-proven': 'Not proven yet',
};

/** Where in the part it is: the fuse that feeds a drain, the open piece of the start signal. */
function whereWords({ with: { circuit, open } = {} }: Partial<Pick<Decision, 'with'>>): string {
  const fuse = (circuit as DrainCircuit | undefined)?.fuse;
  if (fuse !== undefined) return ` It flows through fuse ${fuse}.`;
  const [piece, ...others] = (open as readonly SignalPiece[] | undefined) ?? [];
  return piece !== undefined && others.length === 0 ? ` It is the ${SIGNAL_PIECES[piece]}.` : '';
}

/** The finding in plain words for the customer: no figures that need a trade to read. */
export function customerWords(
  decision: Pick<Decision, 'action' | 'fault' | 'because'> & Partial<Pick<Decision, 'with'>>,
): string {
  const { action, fault, because } = decision;
  switch (action) {
    case 'stop':
      return because;
    case 'test-next':
      return 'The tests are not finished: no part should be replaced on what is known so far.';
    case 'charge-first':
      return FAULTS['battery-discharged'].customer;
    case 'none-found':
      return FAULTS.none.customer;
    case 'repaired':
      return 'What was bad before the repair is within its limits now.';
    default:
      return fault ? `${FAULTS[fault].customer}${whereWords(decision)}` : because;
  }
}
