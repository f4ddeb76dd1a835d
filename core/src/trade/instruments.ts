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
