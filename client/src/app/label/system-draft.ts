import { parseEntry } from '@tetrad/core';
import type { Chemistry, EntryUnit, NominalVolts, RatingStandard, System } from '@tetrad/core';

/** A system as it is typed: texts, so that nothing typed is lost before it is understood. */
export interface SystemDraft {
  readonly nominal: NominalVolts;
  readonly chemistry: Chemistry;
  readonly rating: string;
  readonly standard: RatingStandard;
  readonly capacity: string;
  readonly arrangement: 'single' | 'parallel' | 'series';
  readonly count: string;
  readonly caps: '' | 'yes' | 'no';
  readonly cylinders: string;
  readonly fuel: '' | 'petrol' | 'diesel';
  readonly litres: string;
  readonly alternator: string;
  readonly regulation: '' | 'fixed' | 'commanded';
  readonly drawMin: string;
  readonly drawMax: string;
  readonly chargeMin: string;
  readonly chargeMax: string;
}

const text = (value: number | undefined): string => (value === undefined ? '' : String(value));

export function draftOf({ nominalVolts, battery, engine, alternator, specified }: System): SystemDraft {
  return {
    nominal: nominalVolts,
    chemistry: battery.chemistry,
    rating: text(battery.rating?.value),
    standard: battery.rating?.standard ?? 'SAE',
    capacity: text(battery.capacityAh),
    arrangement: battery.arrangement ?? 'single',
    count: text(battery.count ?? 2),
    caps: battery.serviceable === undefined ? '' : battery.serviceable ? 'yes' : 'no',
    cylinders: text(engine?.cylinders),
    fuel: engine?.fuel ?? '',
    litres: text(engine?.displacementLitres),
    alternator: text(alternator?.ratedAmps),
    regulation: alternator?.regulation ?? '',
    drawMin: text(specified?.starterDrawAmps?.min),
    drawMax: text(specified?.starterDrawAmps?.max),
    chargeMin: text(specified?.chargingVolts?.min),
    chargeMax: text(specified?.chargingVolts?.max),
  };
}

/** A field that does not fit, with what it holds and what it may hold. */
export interface DraftProblem {
  readonly field: keyof SystemDraft;
  readonly text: string;
}

export type SystemResult =
  { readonly ok: true; readonly system: System } | { readonly ok: false; readonly problems: readonly DraftProblem[] };

/** Understands a draft; fields that nobody filled are absent. What the draft does not know is kept from `before`. */
export function systemOf(draft: SystemDraft, before?: System): SystemResult {
  const problems: DraftProblem[] = [];
  const number = (field: keyof SystemDraft, unit: EntryUnit, min: number, max: number): number | undefined => {
    const typed = draft[field] as string;
    const entry = parseEntry(typed, unit);
    if (entry.ok && entry.value >= min && entry.value <= max) return entry.value;
    if (!entry.ok && entry.fault.code === 'empty') return undefined;
    problems.push({ field, text: `Found “${typed}”; allowed is ${min} to ${max}${unit && ` ${unit}`}.` });
    return undefined;
  };
  const isPack = draft.arrangement !== 'single';
  const ratingAmps = draft.standard === 'JIS' ? undefined : number('rating', 'A', 1, 3000);
  const capacityAh = number('capacity', 'Ah', 1, 1000);
  const count = isPack ? (number('count', '', 2, 3) ?? 2) : undefined;
  const cylinders = number('cylinders', '', 1, 16);
  const displacementLitres = number('litres', 'l', 0.05, 30);
  const ratedAmps = number('alternator', 'A', 1, 600);
  const draw = range(number('drawMin', 'A', 0, 3000), number('drawMax', 'A', 0, 3000));
  const volts = range(number('chargeMin', 'V', 0, 60), number('chargeMax', 'V', 0, 60));
  if (problems.length > 0) return { ok: false, problems };
  const {
    battery: oldBattery,
    engine: oldEngine,
    alternator: oldAlternator,
    specified: oldSpecified,
    ...rest
  } = before ?? {};
  const { rating: _r, capacityAh: _a, count: _c, arrangement: _g, serviceable: _s, ...battery } = oldBattery ?? {};
  const { cylinders: _y, fuel: _f, displacementLitres: _l, ...otherEngine } = oldEngine ?? {};
  const { ratedAmps: _m, regulation: _u, ...otherAlternator } = oldAlternator ?? {};
  const { starterDrawAmps: _d, chargingVolts: _v, ...otherSpecified } = oldSpecified ?? {};
  const engine = {
    ...otherEngine,
    ...(cylinders !== undefined && { cylinders }),
    ...(draft.fuel && { fuel: draft.fuel }),
    ...(displacementLitres !== undefined && { displacementLitres }),
  };
  const alternator = {
    ...otherAlternator,
    ...(ratedAmps !== undefined && { ratedAmps }),
    ...(draft.regulation && { regulation: draft.regulation }),
  };
  const specified = {
    ...otherSpecified,
    ...(draw && { starterDrawAmps: draw }),
    ...(volts && { chargingVolts: volts }),
  };
  return {
    ok: true,
    system: {
      ...rest,
      nominalVolts: draft.nominal,
      battery: {
        ...battery,
        chemistry: draft.chemistry,
        ...(ratingAmps !== undefined && { rating: { value: ratingAmps, standard: draft.standard } }),
        ...(capacityAh !== undefined && { capacityAh }),
        ...(isPack && { count, arrangement: draft.arrangement }),
        ...(draft.caps && { serviceable: draft.caps === 'yes' }),
      },
      ...(Object.keys(engine).length > 0 && { engine }),
      ...(Object.keys(alternator).length > 0 && { alternator }),
      ...(Object.keys(specified).length > 0 && { specified }),
    } as System,
  };
}

const range = (min: number | undefined, max: number | undefined): { min?: number; max?: number } | null =>
  min === undefined && max === undefined
    ? null
    : { ...(min !== undefined && { min }), ...(max !== undefined && { max }) };
