/** How a figure is spread without and with the fault: fitted from the circuit model, or stated with its source. */
import { FITTED_SPREADS } from './fitted-spreads';

/** How a figure is spread (normal) without and with the fault. */
export interface EvidenceSpread {
  readonly sound: readonly [mean: number, sd: number];
  readonly faulty: readonly [mean: number, sd: number];
}

const ONE_SIDED =
  'Weighed only where the reading is past its limit already, so the model has no other side to fit; the middle of the ' +
  'sound side is the limit less the usual margin, widths as wide as the limits of the schools differ';

/** Spreads that cannot be fitted, each with its source; {@link FITTED_SPREADS} holds the others. */
export const STATED_SPREADS = {
  'hold-loss': {
    sound: [0.12, 0.25],
    faulty: [3, 1.5],
    source: 'docs/criteria.md, “Holding its charge”: shares of its limit',
  },
  age: {
    sound: [2.5, 2],
    faulty: [5.5, 2.5],
    source: 'docs/criteria.md, “Age”: years of service, a hint and never proof',
  },
  drop: {
    sound: [-1.15, 0.5],
    faulty: [0.18, 0.8],
    source: 'docs/judging.md, “Paths”: from a third of the limit, to past it; faulty in volts (12 V)',
  },
  'draw-low-typical': {
    sound: [0, 0.28],
    faulty: [-0.85, 0.35],
    source: 'The mirror of the high draw, which is fitted: a worn starter takes less as a dragging one takes more',
  },
  'draw-low-specified': {
    sound: [0, 0.16],
    faulty: [-0.6, 0.3],
    source: 'The mirror of the high draw, which is fitted',
  },
  'charging-dead': { sound: [-0.55, 0.35], faulty: [1.3, 0.55], source: ONE_SIDED },
  'charging-low': { sound: [-0.55, 0.3], faulty: [0.5, 0.3], source: ONE_SIDED },
  'charging-loaded': { sound: [-0.4, 0.25], faulty: [0.8, 0.4], source: ONE_SIDED },
  'ripple-waveform': {
    sound: [-1.2, 0.5],
    faulty: [0.8, 0.6],
    source: 'The ripple in AC volts, which is fitted, at the peak-to-peak limit',
  },
  output: { sound: [1.19, 0.09], faulty: [0.62, 0.19], source: ONE_SIDED },
} as const satisfies Record<string, EvidenceSpread & { readonly source: string }>;

const SPREADS = { ...STATED_SPREADS, ...FITTED_SPREADS } satisfies Record<string, EvidenceSpread>;
export type SpreadName = keyof typeof SPREADS;

/** @returns the spread of a figure; `npm run fit` writes those that the circuit model can tell. */
export const spreadOf = (name: SpreadName): EvidenceSpread => SPREADS[name];
