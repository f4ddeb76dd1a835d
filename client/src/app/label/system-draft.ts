import { LABEL_FIGURES, allowedWords, checkShape, parseEntry } from '@tetrad/core';
import type { Chemistry, EntryUnit, NominalVolts, RatingStandard, Shape, System } from '@tetrad/core';

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
  readonly crankMin: string;
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
    crankMin: text(specified?.crankingVolts?.min),
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
  const number = (field: keyof SystemDraft, unit: EntryUnit, shape: Shape<number>): number | undefined => {
    const typed = draft[field] as string;
    const entry = parseEntry(typed, unit);
    if (!entry.ok && entry.fault.code === 'empty') return undefined;
    if (entry.ok && checkShape(shape, entry.value).misfits.length === 0) return entry.value;
    problems.push({ field, text: `Found “${typed}”; allowed is ${allowedWords(shape.wanted)}.` });
    return undefined;
  };
  const { ratingAmps: rated, drawAmps, volts: volt, ...figures } = LABEL_FIGURES;
  const isPack = draft.arrangement !== 'single';
  const ratingAmps = draft.standard === 'JIS' ? undefined : number('rating', 'A', rated);
  const capacityAh = number('capacity', 'Ah', figures.capacityAh);
  const count = isPack ? (number('count', '', figures.count) ?? 2) : undefined;
  const cylinders = number('cylinders', '', figures.cylinders);
  const displacementLitres = number('litres', 'l', figures.displacementLitres);
  const ratedAmps = number('alternator', 'A', figures.alternatorAmps);
  const draw = range(number('drawMin', 'A', drawAmps), number('drawMax', 'A', drawAmps));
  const volts = range(number('chargeMin', 'V', volt), number('chargeMax', 'V', volt));
  const crank = range(number('crankMin', 'V', volt), before?.specified?.crankingVolts?.max);
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
  const { starterDrawAmps: _d, chargingVolts: _v, crankingVolts: _k, ...otherSpecified } = oldSpecified ?? {};
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
    ...(crank && { crankingVolts: crank }),
  };
  return {
    ok: true,
    system: {
      ...rest,
      nominalVolts: draft.nominal,
      battery: {
        ...battery,
        chemistry: draft.chemistry,
        ...(ratingAmps !== undefined && { rating: ratingOf(ratingAmps, draft.standard, oldBattery?.rating) }),
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

/** A rating that was confirmed stays so until another figure or standard is entered. */
const ratingOf = (
  value: number,
  standard: RatingStandard,
  before: System['battery']['rating'],
): NonNullable<System['battery']['rating']> =>
  before?.confirmed === true && before.value === value && before.standard === standard ? before : { value, standard };
