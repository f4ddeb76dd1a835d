import type { Judgement } from '../case/judgement-shape';
import type { Verdict } from '../case/vocabulary';
import { nameOf } from '../judgement/wording';

const PART_WORDS: Readonly<Record<string, string>> = {
  battery: 'the battery',
  starter: 'the starter',
  alternator: 'the alternator',
  connections: 'the connection',
  control: 'the control circuit',
  belt: 'the belt',
  mechanical: 'the engine side',
  drain: 'the drain',
};

/** The decision in a few words, for a heading. */
export function decisionWords({ action, part, fault }: Judgement['decision']): string {
  const name = PART_WORDS[part ?? ''] ?? '';
  switch (action) {
    case 'replace':
      return `Replace ${name}`;
    case 'repair':
      return part === 'drain' ? 'Find the drain' : part === 'mechanical' ? `Free ${name}` : `Repair ${name}`;
    case 'charge-first':
      return 'Charge first, then repeat';
    case 'none-found':
      return 'Nothing found';
    case 'stop':
      return 'Stop';
    case 'test-next':
      return fault ? `Not proven yet: ${nameOf(fault).toLowerCase()}?` : 'Not proven yet';
    default:
      throw new Error(`unknown action ${JSON.stringify(action satisfies never)}`);
  }
}

/** How a decision is toned: what must be done, what is open, what is good. */
export const decisionTone = ({ action }: Judgement['decision']): 'act' | 'open' | 'good' =>
  action === 'none-found' ? 'good' : action === 'test-next' || action === 'charge-first' ? 'open' : 'act';

export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  keep: 'Keep',
  replace: 'Replace',
  repair: 'Repair',
  'charge-first': 'Charge first',
  'not-proven': 'Not proven yet',
};
