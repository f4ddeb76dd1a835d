/** Short words for headings: a decision, a verdict, and what the customer is told. */
import type { Decision } from '../../format/judgement-shape';
import type { Verdict } from '../../format/words';
import { FAULTS } from '../../trade/tables';
import { PART_WORDS, lower, nameOf } from './names';

/**
 * The decision in a few words, for a heading.
 *
 * @throws Error for an action that the format does not have.
 * @example decisionWords({ action: 'replace', part: 'battery', fault: 'battery-worn' }) // 'Replace the battery'
 */
export function decisionWords({ action, part, fault }: Pick<Decision, 'action' | 'part' | 'fault'>): string {
  const name = part ? PART_WORDS[part] : '';
  switch (action) {
    case 'replace':
      return `Replace ${name}`;
    case 'repair':
      return part === 'drain' ? 'Find the drain' : part === 'mechanical' ? `Free ${name}` : `Repair ${name}`;
    case 'repaired':
      return `Repaired: ${name}`;
    case 'charge-first':
      return 'Charge first, then repeat';
    case 'none-found':
      return 'Nothing found';
    case 'stop':
      return 'Stop';
    case 'test-next':
      return fault ? `Not proven yet: ${lower(nameOf(fault))}?` : 'Not proven yet';
    default:
      throw new Error(`unknown action ${JSON.stringify(action satisfies never)}`);
  }
}

/** How a decision is toned: what must be done, what is open, what is good. */
export const decisionTone = ({ action }: Pick<Decision, 'action'>): 'act' | 'open' | 'good' =>
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

/** The finding in plain words for the customer: no figures that need a trade to read. */
export function customerWords({ action, fault, because }: Pick<Decision, 'action' | 'fault' | 'because'>): string {
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
      return fault ? FAULTS[fault].customer : because;
  }
}
