import { FormControl, FormGroup } from '@angular/forms';
import type { RatingStandard, System } from '@tetrad/core';
import { figureOf, fitsFigure } from '../kit/forms/figure';
import type { FigureRule } from '../kit/forms/figure';
import { SYSTEM_FIGURES } from './system-rows';
import type { FigureField } from './system-rows';
import type { SystemDraft } from './typed-system';

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

/** Nobody has looked at a label yet. */
export const BLANK_DRAFT = draftOf({ nominalVolts: 12, battery: { chemistry: 'flooded' } });

/** A label as a form: every text by its rule. */
export type SystemForm = FormGroup<{ [K in keyof SystemDraft]: FormControl<SystemDraft[K]> }>;

export function systemForm(draft: SystemDraft = BLANK_DRAFT): SystemForm {
  const controls = Object.entries(draft).map(([field, value]) => {
    const rule = SYSTEM_FIGURES[field as FigureField] as FigureRule | undefined;
    return [field, new FormControl(value, { nonNullable: true, validators: rule ? [fitsFigure(rule)] : [] })];
  });
  return new FormGroup(Object.fromEntries(controls)) as SystemForm;
}

/** Understands a draft that fits; fields that nobody filled are absent. What it does not know is kept from `before`. */
export function systemOf(draft: SystemDraft, before?: System): System {
  const number = (field: FigureField): number | undefined => figureOf(draft[field], SYSTEM_FIGURES[field]);
  const isPack = draft.arrangement !== 'single';
  const ratingAmps = draft.standard === 'JIS' ? undefined : number('rating');
  const capacityAh = number('capacity');
  const count = isPack ? (number('count') ?? 2) : undefined;
  const cylinders = number('cylinders');
  const displacementLitres = number('litres');
  const ratedAmps = number('alternator');
  const draw = range(number('drawMin'), number('drawMax'));
  const volts = range(number('chargeMin'), number('chargeMax'));
  const crank = range(number('crankMin'), before?.specified?.crankingVolts?.max);
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
  } as System;
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
