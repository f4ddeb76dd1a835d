/** What a shop measures params: kinds of instrument, what each reads, and what is looked at before the first car of a day. */
import { number, object, word } from '../format/shape';
import type { Infer } from '../format/shape';
import type { ObservationName } from '../format/names';
import { OBSERVATIONS, isObservationName } from './tables';
import type { TestUnit } from './test';

interface InstrumentRow {
  readonly name: string;
  /** The units it reads. */
  readonly units: readonly TestUnit[];
  /** What is looked at in its check, in working order (practice: check the meter before the car). */
  readonly checks: readonly ObservationName[];
}

export const INSTRUMENTS = {
  meter: { name: 'Meter', units: ['V', 'ohm'], checks: ['meter-leads', 'meter-ac'] },
  clamp: { name: 'Clamp', units: ['A'], checks: ['clamp-zero'] },
  'meter-and-clamp': {
    name: 'Meter with a clamp',
    units: ['V', 'ohm', 'A'],
    checks: ['meter-leads', 'meter-ac', 'clamp-zero'],
  },
  'battery-tester': { name: 'Battery tester', units: ['A', 'ohm'], checks: [] },
  scope: { name: 'Scope', units: ['V', 'A'], checks: ['meter-leads'] },
  'vehicle-data': { name: 'Vehicle data', units: [], checks: [] },
  hydrometer: { name: 'Hydrometer', units: ['SG'], checks: [] },
} as const satisfies Record<string, InstrumentRow>;
export type InstrumentKind = keyof typeof INSTRUMENTS;
export const INSTRUMENT_KINDS = Object.keys(INSTRUMENTS) as readonly InstrumentKind[];

/** What is looked at in the check of a kind. */
export const checksOf = (kind: InstrumentKind): readonly ObservationName[] => INSTRUMENTS[kind].checks;

const MAX = { V: 50, A: 500, ohm: 10, SG: 0.1 } as const;

/** How far an instrument may be wrong, by the unit it reads. */
export const uncertaintyShape = object(
  {},
  {
    V: number({ min: 0, max: MAX.V, unit: 'V' }),
    A: number({ min: 0, max: MAX.A, unit: 'A' }),
    ohm: number({ min: 0, max: MAX.ohm, unit: 'ohm' }),
    SG: number({ min: 0, max: MAX.SG }),
  },
  { isClosed: true },
);
export type Uncertainty = Readonly<Partial<Record<TestUnit, number>>>;

/** What a check found. */
export const findingsShape = object(
  {},
  {
    'meter-leads': word(OBSERVATIONS['meter-leads'].findings),
    'meter-ac': word(OBSERVATIONS['meter-ac'].findings),
    'clamp-zero': word(OBSERVATIONS['clamp-zero'].findings),
  },
  { isClosed: true },
);
export type CheckFindings = Infer<typeof findingsShape>;

/** Good where everything that was looked at was as it should be: the first finding of each. What nobody knows is not good. */
export const isGoodCheck = (findings: CheckFindings): boolean =>
  Object.entries(findings).every(
    ([about, finding]) => isObservationName(about) && OBSERVATIONS[about].findings[0] === finding,
  );

const LEADS_JUMP =
  'A broken lead shows a jumping figure. Short the leads on ohms and wiggle both ends: it must stay steady.';
const SEES_DC = 'An AC range that does not block DC shows volts on a plain battery, and its ripple is worthless.';
const CLAMP_VICES = [
  'Zero it at the place and angle of use, jaws closed: a small clamp is magnetized and picks up the earth’s field.',
  'A wrong scale in millivolts per amp is a factor of ten.',
  'A small clamp saturates: current that stays flat while the volts pulse is its ceiling.',
  'All conductors of the post must lie in the jaws. A minus sign is only the arrow.',
] as const;

/** How each kind of instrument misleads; a value of its own, so that the judge is bundled without it. */
export const INSTRUMENT_VICES: Readonly<Record<InstrumentKind, readonly string[]>> = {
  meter: [
    LEADS_JUMP,
    SEES_DC,
    'A watched display misses the dip of a crank. Note the method: watched, min/max or fast peak.',
    'OL on a millivolt or amp range means over range, not a fault in the vehicle.',
    'A reading nearer to its limit than its accuracy is too close to call.',
  ],
  clamp: CLAMP_VICES,
  'meter-and-clamp': [
    LEADS_JUMP,
    SEES_DC,
    ...CLAMP_VICES,
    'Volts and amps belong together only where they are of the same moment.',
  ],
  'battery-tester': [
    'It believes the label that was typed in: a wrong standard makes health wrong by the same factor.',
    'Dirty posts and steel bolts are measured along with the battery.',
    'A load that is too small or too short passes nothing.',
  ],
  scope: [
    LEADS_JUMP,
    'A 14 V scale hides ripple: couple AC and zoom in.',
    'It sees the inrush, which is far deeper than a steady crank: never judge it by a limit made for that.',
  ],
  'vehicle-data': [
    'Its volts are read at a module. Compare them once with the post, key on, and add the difference.',
    'It updates a few times a second and misses the dip.',
  ],
  hydrometer: [
    'Correct it for temperature, unless it does so by itself.',
    'Water that was just added lies on top: charge first, then read.',
    'Goggles and gloves: what it holds is acid.',
  ],
};
