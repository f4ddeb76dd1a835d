import { FormControl, FormGroup } from '@angular/forms';
import { InstrumentBody } from '@tetrad/contracts';
import type { InstrumentView } from '@tetrad/contracts';
import { INSTRUMENTS, numberShape } from '@tetrad/core';
import type { EntryUnit, InstrumentKind, TestUnit, Uncertainty } from '@tetrad/core';
import { bodyOf } from '../../kit/forms/body-form';
import { figureOf, fitsFigure } from '../../kit/forms/figure';
import type { FigureRule } from '../../kit/forms/figure';

const UNITS = ['V', 'A', 'ohm', 'SG'] as const;
type Unit = (typeof UNITS)[number];
const rule = (unit: Unit): FigureRule => ({ shape: numberShape({ min: 0 }), unit: unit as EntryUnit });
const text = (value: string, validators: Parameters<typeof fitsFigure>[0] | null = null): FormControl<string> =>
  new FormControl(value, { nonNullable: true, validators: validators ? [fitsFigure(validators)] : [] });

const SCALE: FigureRule = { shape: numberShape({ min: 0.01, max: 1000 }), unit: '' };

/** An instrument as it is filled in. */
export const instrumentForm = (known: InstrumentView | null) => {
  const of = (unit: Unit): FormControl<string> => text(String(known?.uncertainty[unit] ?? ''), rule(unit));
  return new FormGroup({
    name: text(known?.name ?? ''),
    address: text(known?.address ?? ''),
    scale: text(String(known?.millivoltsPerAmp ?? ''), SCALE),
    kind: new FormControl<InstrumentKind>(known?.kind ?? 'meter', { nonNullable: true }),
    uncertainty: new FormGroup({ V: of('V'), A: of('A'), ohm: of('ohm'), SG: of('SG') }),
  });
};
export type InstrumentForm = ReturnType<typeof instrumentForm>;

/** The units a kind reads, for which it may be wrong. */
export const unitsOf = (kind: InstrumentKind): readonly Unit[] =>
  UNITS.filter((unit) => (INSTRUMENTS[kind].units as readonly TestUnit[]).includes(unit));

/** The body that stores it, or null where something does not fit. */
export function instrumentOf(form: InstrumentForm): InstrumentBody | null {
  const { name, kind, uncertainty, address, scale } = form.getRawValue();
  const millivoltsPerAmp = figureOf(scale, SCALE);
  const known: Uncertainty = Object.fromEntries(
    unitsOf(kind).flatMap((unit) => {
      const figure = figureOf(uncertainty[unit], rule(unit));
      return figure === undefined ? [] : [[unit, figure]];
    }),
  );
  return bodyOf(InstrumentBody, form, {
    name: name.trim(),
    kind,
    uncertainty: known,
    address: address.trim(),
    ...(millivoltsPerAmp !== undefined && { millivoltsPerAmp }),
  });
}
