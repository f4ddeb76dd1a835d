/** The form of the label and the format of a case allow the same figures: neither takes what the other refuses. */
import { checkCase, describeMisfits } from '@tetrad/core';
import type { System } from '@tetrad/core';
import fc from 'fast-check';
import { draftOf, systemForm, systemOf } from '../src/app/label/system-draft';
import type { SystemDraft } from '../src/app/label/typed-system';

const bare: System = { nominalVolts: 12, battery: { chemistry: 'flooded' } };
const caseOf = (system: unknown) => checkCase({ format: 'tetrad-case/1', system, readings: [] });

/** Where a field of the form stands in a case. */
const PLACES: Readonly<Partial<Record<keyof SystemDraft, (value: number) => unknown>>> = {
  rating: (value) => ({ ...bare, battery: { ...bare.battery, rating: { value, standard: 'SAE' } } }),
  capacity: (capacityAh) => ({ ...bare, battery: { ...bare.battery, capacityAh } }),
  cylinders: (cylinders) => ({ ...bare, engine: { cylinders } }),
  litres: (displacementLitres) => ({ ...bare, engine: { displacementLitres } }),
  alternator: (ratedAmps) => ({ ...bare, alternator: { ratedAmps } }),
  drawMin: (min) => ({ ...bare, specified: { starterDrawAmps: { min } } }),
  drawMax: (max) => ({ ...bare, specified: { starterDrawAmps: { max } } }),
  chargeMin: (min) => ({ ...bare, specified: { chargingVolts: { min } } }),
  chargeMax: (max) => ({ ...bare, specified: { chargingVolts: { max } } }),
  crankMin: (min) => ({ ...bare, specified: { crankingVolts: { min } } }),
};

const figure = fc.oneof(
  fc.integer({ min: -10, max: 6000 }),
  fc.integer({ min: -20, max: 20 }).map((tenths) => tenths / 10),
  fc.constantFrom(0, 1, 16, 17, 50, 51, 100, 101, 1000, 1001, 5000, 5001),
);

it.each(Object.keys(PLACES) as (keyof typeof PLACES)[])('%s', (field) => {
  fc.assert(
    fc.property(figure, (value) => {
      const form = systemForm({ ...draftOf(bare), [field]: String(value) });
      const imported = caseOf(PLACES[field]!(value));
      expect([value, form.valid]).toEqual([value, imported.ok]);
      const wrong = Object.entries(form.controls).flatMap(([name, control]) => (control.invalid ? [name] : []));
      expect(wrong).toEqual(form.valid ? [] : [field]);
    }),
    { numRuns: 200 },
  );
});

it('whatever the form takes is a case that fits', () => {
  fc.assert(
    fc.property(fc.record(Object.fromEntries(Object.keys(PLACES).map((field) => [field, figure]))), (values) => {
      const form = systemForm({
        ...draftOf(bare),
        ...Object.fromEntries(Object.entries(values).map(([field, value]) => [field, String(value)])),
      });
      if (form.invalid) return;
      const result = caseOf(systemOf(form.getRawValue()));
      if (!result.ok) throw new Error(describeMisfits(result.misfits));
    }),
    { numRuns: 300 },
  );
});
