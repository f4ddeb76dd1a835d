/** The fields of a label in their order: figures that are typed, by their rules, and words that are chosen. */
import { LABEL_FIGURES } from '@tetrad/core';
import type { FigureRule } from '../kit/forms/figure';
import type { Option } from '../kit/value-control';
import type { SystemDraft } from './typed-system';

/** Fields that hold a figure as text. */
export type FigureField = {
  [K in keyof SystemDraft]: SystemDraft[K] extends string ? (string extends SystemDraft[K] ? K : never) : never;
}[keyof SystemDraft];

const { ratingAmps, capacityAh, count, cylinders, displacementLitres, alternatorAmps, drawAmps, volts } = LABEL_FIGURES;

/** What each figure of a label may be. */
export const SYSTEM_FIGURES: Readonly<Record<FigureField, FigureRule>> = {
  rating: { shape: ratingAmps, unit: 'A' },
  capacity: { shape: capacityAh, unit: 'Ah' },
  count: { shape: count, unit: '' },
  cylinders: { shape: cylinders, unit: '' },
  litres: { shape: displacementLitres, unit: 'l' },
  alternator: { shape: alternatorAmps, unit: 'A' },
  drawMin: { shape: drawAmps, unit: 'A' },
  drawMax: { shape: drawAmps, unit: 'A' },
  chargeMin: { shape: volts, unit: 'V' },
  chargeMax: { shape: volts, unit: 'V' },
  crankMin: { shape: volts, unit: 'V' },
};

export type SystemRow =
  | { readonly kind: 'figure'; readonly field: FigureField; readonly label: string }
  | {
      readonly kind: 'word';
      readonly field: 'arrangement' | 'caps' | 'fuel' | 'regulation';
      readonly label: string;
      readonly options: readonly Option[];
    };

const figure = (field: FigureField, label: string): SystemRow => ({ kind: 'figure', field, label });
const word = (
  field: Extract<SystemRow, { kind: 'word' }>['field'],
  label: string,
  ...options: readonly (readonly [value: string, label: string])[]
): SystemRow => ({
  kind: 'word',
  field,
  label,
  options: options.map(([value, text]) => ({ value, label: text })),
});
const NOT_KNOWN = ['', 'not known'] as const;

/** The fields behind the fold. */
export const SYSTEM_ROWS: readonly SystemRow[] = [
  word('arrangement', 'Batteries', ['single', 'one'], ['parallel', 'in parallel'], ['series', 'in series']),
  figure('count', 'How many'),
  figure('capacity', 'Capacity, Ah'),
  word('caps', 'Caps', NOT_KNOWN, ['yes', 'with caps'], ['no', 'sealed']),
  figure('cylinders', 'Cylinders'),
  word('fuel', 'Fuel', NOT_KNOWN, ['petrol', 'petrol'], ['diesel', 'diesel']),
  figure('litres', 'Displacement, l'),
  figure('alternator', 'Alternator, A'),
  word('regulation', 'Regulation', NOT_KNOWN, ['fixed', 'fixed'], ['commanded', 'commanded']),
  figure('drawMin', 'Starter draw, least A'),
  figure('drawMax', 'Starter draw, most A'),
  figure('chargeMin', 'Charging, least V'),
  figure('chargeMax', 'Charging, most V'),
  figure('crankMin', 'Cranking, least V'),
];
