/** Symptoms as customers and technicians say them. Which faults give them stands with each fault. */
import type { WeightName } from '../criteria/weights';
import type { ObservationName } from '../format/names';
import { SYMPTOM_WORDS } from '../format/words';
import type { SymptomName } from '../format/words';

/** What must be read before nothing may be found; see must-be-read.ts. */
export type SymptomKind = 'starting' | 'charging' | 'standing' | 'ripple' | 'overcharge' | 'none';

export interface SymptomRow {
  readonly name: string;
  readonly kinds: readonly SymptomKind[];
  /** How much it speaks for “one of the faults that give it is there”. */
  readonly weight: WeightName;
  /** What is looked at before anything is touched: it may not be safe. */
  readonly looksFirst?: ObservationName;
}

export const SYMPTOMS = {
  'slow-crank': { name: 'Cranks slowly', kinds: ['starting'], weight: 'symptom-slow-crank' },
  'no-crank-silent': { name: 'No crank, silent', kinds: ['starting'], weight: 'symptom-silent' },
  'no-crank-single-click': { name: 'No crank, one click', kinds: ['starting'], weight: 'symptom-click' },
  'no-crank-rapid-clicks': { name: 'No crank, rapid clicks', kinds: ['starting'], weight: 'symptom-click' },
  'spins-without-cranking': {
    name: 'Starter spins, engine does not',
    kinds: ['starting'],
    weight: 'symptom-spins-free',
  },
  'cranks-normally': { name: 'Cranks at normal speed', kinds: ['none'], weight: 'symptom-none' },
  'lamps-dim-on-crank': { name: 'Lamps dim on crank', kinds: ['starting'], weight: 'symptom-slight' },
  'resets-on-crank': { name: 'Clock or radio resets on crank', kinds: ['starting'], weight: 'symptom-slight' },
  'charge-lamp': { name: 'Battery lamp is on', kinds: ['charging'], weight: 'symptom-lamp' },
  'goes-flat': { name: 'Goes flat standing', kinds: ['charging', 'standing'], weight: 'symptom-goes-flat' },
  'dim-at-idle': { name: 'Lamps dim at idle', kinds: ['charging'], weight: 'symptom-dim' },
  'bright-lamps': { name: 'Lamps too bright', kinds: ['overcharge'], weight: 'symptom-bright' },
  'radio-whine': { name: 'Whine in the radio', kinds: ['ripple'], weight: 'symptom-whine' },
  'battery-smell': {
    name: 'Battery smells or is swollen',
    kinds: ['overcharge'],
    weight: 'symptom-smell',
    looksFirst: 'battery-case',
  },
  'belt-squeal': { name: 'Belt squeals', kinds: ['charging'], weight: 'symptom-squeal' },
} as const satisfies Record<SymptomName, SymptomRow>;

export type { SymptomName };
export const SYMPTOM_NAMES: readonly SymptomName[] = SYMPTOM_WORDS;
