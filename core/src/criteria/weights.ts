/**
 * How much a figure or a finding says: every weight and threshold of the judge, in one table with its source.
 *
 * A spread tells how a figure lies in vehicles without and with the fault; the weight of a reading is the
 * logarithm of the ratio of the two densities at that figure. Figures are taken relative to the limit of the
 * criteria set in use wherever a limit speaks of them, so that a set that is edited moves its evidence too.
 */

const ORDER = 'Order and strength of the symptoms in docs/judging.md, “What symptoms suggest”; a prior, never proof';
const SEEN =
  'Share of faulty over share of sound vehicles that show it in the circuit model, held back for a hurried eye';
const BOUND = 'Holds back what a missing consequence or a remote reading may say';
const DIRECT = 'A reading that leaves one cause: about one in a hundred such readings is a slip';

/** Logarithms of likelihood ratios for findings that are no figure, each with its source. */
export const WEIGHTS = {
  'symptom-slow-crank': [3, ORDER],
  'symptom-silent': [2.2, ORDER],
  'symptom-click': [2, ORDER],
  'symptom-spins-free': [4.5, ORDER],
  'symptom-none': [0, ORDER],
  'symptom-slight': [0.8, ORDER],
  'symptom-lamp': [2.5, ORDER],
  'symptom-goes-flat': [1.8, ORDER],
  'symptom-dim': [1.2, ORDER],
  'symptom-bright': [3, ORDER],
  'symptom-whine': [2.2, ORDER],
  'symptom-smell': [2, ORDER],
  'symptom-squeal': [2, ORDER],
  'symptom-normal-crank': [-0.5, ORDER],
  'symptom-cranks': [-3, ORDER],
  'symptom-clicks': [-1.5, ORDER],

  'terminals-corroded': [1.1, SEEN],
  'terminals-loose': [1.5, SEEN],
  'terminals-clean': [-0.7, SEEN],
  'case-loose': [0.6, SEEN],
  'electrolyte-low': [0.5, SEEN],
  'belt-good': [-3.5, SEEN],
  'belt-glazed': [2.2, SEEN],
  'belt-loose': [2.4, SEEN],
  'belt-missing': [6, SEEN],
  'lamp-dead': [1.5, SEEN],
  'lamp-running': [1.5, SEEN],
  'lamp-works': [-0.8, SEEN],
  'alternator-noisy': [0.5, SEEN],
  'hand-turns': [-3, SEEN],
  'hand-tight': [3, SEEN],
  'hand-tight-not-starter': [-2, SEEN],
  'hand-locked': [3.2, SEEN],
  'belt-off-freed': [5.5, SEEN],
  'belt-off-not-else': [-3, SEEN],
  'belt-off-unchanged': [-4, SEEN],
  'plugs-out-freed': [2.5, SEEN],
  'plugs-out-not-starter': [-3, SEEN],
  'plugs-out-unchanged': [1, SEEN],
  'plugs-out-not-engine': [-1, SEEN],
  'hand-turns-not-jammed': [-4, SEEN],
  'loosened-turns': [5, DIRECT],
  'loosened-turns-not-engine': [-5, DIRECT],
  'loosened-locked': [5, DIRECT],
  'loosened-locked-not-starter': [-5, DIRECT],
  'bench-run-weak': [3.5, DIRECT],
  'bench-run-dead': [4.5, DIRECT],
  'bench-run-strong': [-4.5, DIRECT],
  'accessory-binds': [5.5, DIRECT],
  'accessories-free': [-3, SEEN],
  'solenoid-clicks': [-2, SEEN],
  'solenoid-chatters': [1.5, SEEN],
  'solenoid-silent': [1.5, SEEN],
  'tap-turned': [4, SEEN],
  'tap-unchanged': [-0.3, SEEN],
  'strap-damaged': [2, SEEN],
  'strap-sound': [-0.5, SEEN],
  'link-blown': [4.5, SEEN],
  'link-sound': [-0.7, SEEN],

  'dead-cell-volts': [5, DIRECT],
  'all-cells-answer': [-3, DIRECT],
  'read-twice': [3, DIRECT],
  'fails-twice': [2, DIRECT],
  'few-cells-answer': [-1, BOUND],
  'still-low': [2.5, SEEN],
  'full-at-least': [-2.5, BOUND],
  'gravity-at-least': [-3, BOUND],
  'takes-little': [0.8, SEEN],
  'takes-enough': [-0.6, SEEN],
  'no-bounce': [0.8, SEEN],
  'bounces-back': [-0.3, SEEN],
  fades: [1.6, SEEN],
  'age-at-most': [0.9, BOUND],
  'age-at-least': [-0.8, BOUND],
  'deep-inrush': [0.9, SEEN],
  'easy-inrush': [-0.5, SEEN],
  'stalled-inrush': [1.2, SEEN],
  'open-path': [6, DIRECT],
  'no-flow': [4, DIRECT],
  'no-flow-not-drag': [-4, DIRECT],
  'flow-not-control': [-5, DIRECT],
  'spins-free': [3.5, DIRECT],
  'not-open': [-4, DIRECT],
  'starter-open': [5, DIRECT],
  'motor-is-open': [5, DIRECT],
  'motor-not-reached': [-4, DIRECT],
  'volts-arrive': [-4, DIRECT],
  'volts-do-not-arrive': [3, DIRECT],
  'motor-gets-its-volts': [-2, BOUND],
  absent: [-0.4, BOUND],
  'engine-stands': [2, SEEN],
  'engine-turns': [-4, DIRECT],
  'motor-at-least': [-3, BOUND],
  'did-not-crank': [1.5, SEEN],
  'not-charging': [3, DIRECT],
  'below-window': [1, SEEN],
  'sags-loaded': [0.8, SEEN],
  charges: [-4.5, DIRECT],
  'charges-slightly': [-0.4, BOUND],
  'holds-loaded': [-2, SEEN],
  'holds-loaded-path': [-0.5, BOUND],
  'charges-loaded': [-3, DIRECT],
  'gives-output': [-4, DIRECT],
  'gives-plenty': [-2.5, SEEN],
  'gives-rated': [-4, DIRECT],
  'ripple-at-least': [-3, BOUND],
  'ripple-at-least-with-waveform': [-2, BOUND],
  'humps-missing': [4.5, DIRECT],
  'humps-even': [-3, DIRECT],
  'diode-bad': [4, DIRECT],
  'diode-good': [-0.3, BOUND],
  'no-stud-volts': [5, DIRECT],
  'low-stud-volts': [1.5, SEEN],
  'stud-volts': [-0.3, BOUND],
  'stud-volts-none-charged': [-3, DIRECT],
  'field-takes-other': [3, DIRECT],
  'field-takes-enough': [-0.8, BOUND],
  'field-full': [-3, DIRECT],
  'field-absent': [2.5, SEEN],
  'field-partial': [0.3, BOUND],
  'no-reserve': [1.2, SEEN],
  'has-reserve': [-1.5, SEEN],
  'takes-much-running': [0.8, SEEN],
  'module-low': [0.6, SEEN],
} as const satisfies Record<string, readonly [number, string]>;
export type WeightName = keyof typeof WEIGHTS;

/** @returns the weight of a finding: the natural logarithm of a likelihood ratio. */
export const weightOf = (name: WeightName): number => WEIGHTS[name][0];

/** Thresholds of the judge, each with its reason; probabilities unless said. */
export const THRESHOLDS = {
  outliers: [
    0.004,
    'Share of readings that follow neither spread: slips, odd vehicles. It bounds every weight; about one reading in 250 of a careful hand',
  ],
  directOutliers: [0.0004, 'The same for a reading straight across the fault, where only a slip of the hand is left'],
  outlierDensity: [0.15, 'How densely outliers lie, as flat as the widest spread of the tables below'],
  suspected: [
    0.3,
    'From here a fault is suspected: it is named as leading, explains what was read, keeps its part from being passed, and is no excuse that is excluded. Under it more than two of three such vehicles have nothing of it. Nothing is called by it; from 0.2 to 0.4 no figure of docs/benchmarks.md moves by more than 0.2 %',
  ],
  wellOutside: [
    2,
    'Times its limit: a valid reading this far outside straight across a fault is no sound vehicle, and a slip of the hand is left in one of ten (docs/judging.md, “What a finding weighs”)',
  ],
  directReading: [0.9, 'What such a reading makes of the faults it lies across together, whatever speaks against them'],
  directTwice: [0.99, 'The same where it was read twice: a slip of the hand seldom happens twice alike'],
  agreesUnder: [
    0.8,
    'A way to a battery’s health agrees that it is worn: the upper end of the borderline (docs/criteria.md)',
  ],
} as const satisfies Record<string, readonly [number, string]>;

/** @returns a threshold of the judge. */
export const threshold = (name: keyof typeof THRESHOLDS): number => THRESHOLDS[name][0];
