/** The fields behind the fold of a label, in their order: figures that are typed, and words that are chosen. */
import type { SystemDraft } from './system-draft';

export type SystemRow =
  | { readonly field: keyof SystemDraft; readonly label: string; readonly mode: 'decimal' | 'numeric' }
  | {
      readonly field: keyof SystemDraft;
      readonly label: string;
      readonly options: readonly (readonly [string, string])[];
    };

const NOT_KNOWN = ['', 'not known'] as const;

/** The battery's rating stands by itself, before the fold. */
export const RATING_ROW: SystemRow = { field: 'rating', label: 'Battery rating, A', mode: 'decimal' };

export const SYSTEM_ROWS: readonly SystemRow[] = [
  {
    field: 'arrangement',
    label: 'Batteries',
    options: [
      ['single', 'one'],
      ['parallel', 'in parallel'],
      ['series', 'in series'],
    ],
  },
  { field: 'count', label: 'How many', mode: 'numeric' },
  { field: 'capacity', label: 'Capacity, Ah', mode: 'decimal' },
  { field: 'caps', label: 'Caps', options: [NOT_KNOWN, ['yes', 'with caps'], ['no', 'sealed']] },
  { field: 'cylinders', label: 'Cylinders', mode: 'numeric' },
  { field: 'fuel', label: 'Fuel', options: [NOT_KNOWN, ['petrol', 'petrol'], ['diesel', 'diesel']] },
  { field: 'litres', label: 'Displacement, l', mode: 'decimal' },
  { field: 'alternator', label: 'Alternator, A', mode: 'decimal' },
  { field: 'regulation', label: 'Regulation', options: [NOT_KNOWN, ['fixed', 'fixed'], ['commanded', 'commanded']] },
  { field: 'drawMin', label: 'Starter draw, least A', mode: 'decimal' },
  { field: 'drawMax', label: 'Starter draw, most A', mode: 'decimal' },
  { field: 'chargeMin', label: 'Charging, least V', mode: 'decimal' },
  { field: 'chargeMax', label: 'Charging, most V', mode: 'decimal' },
  { field: 'crankMin', label: 'Cranking, least V', mode: 'decimal' },
];
