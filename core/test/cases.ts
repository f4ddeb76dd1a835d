/** Cases for the tests, built from a sound vehicle by changing what the test is about. */
import type { Case, Observation, Reading } from '@tetrad/core';

export const SOUND_SYSTEM: Case['system'] = {
  nominalVolts: 12,
  engine: { cylinders: 4, fuel: 'petrol', displacementLitres: 1.8 },
  battery: { chemistry: 'flooded', serviceable: true, rating: { value: 560, standard: 'SAE' }, capacityAh: 60 },
  alternator: { ratedAmps: 110, regulation: 'fixed' },
};

let counter = 0;
export const read = (
  test: Reading['test'],
  value: Reading['value'],
  conditions: Reading['conditions'] = {},
  more: Partial<Reading> = {},
): Reading => ({
  id: `r${(counter += 1)}`,
  test,
  value,
  conditions,
  ...more,
});
export const rest = (volts: number): Reading => read('resting-voltage', volts, { surfaceChargeRemoved: true });
export const crank = (volts: number, method: 'min-max' | 'fast-peak' = 'min-max'): Reading =>
  read('cranking-voltage', volts, { method, seconds: 8 });
export const charging = (volts: number, loads: 'on' | 'off' = 'off'): Reading =>
  read('charging-voltage', volts, { rpm: 2000, loads });
export const ripple = (volts: number): Reading => read('ripple-ac', volts, { rpm: 2000, loads: 'on', at: 'battery' });

export const caseOf = (
  readings: readonly Reading[],
  more: {
    system?: Case['system'];
    celsius?: number;
    symptoms?: readonly string[];
    observations?: readonly Observation[];
  } = {},
): Case =>
  ({
    format: 'tetrad-case/1',
    system: more.system ?? SOUND_SYSTEM,
    complaint: { symptoms: more.symptoms ?? [] },
    conditions: { batteryCelsius: more.celsius ?? 21, ambientCelsius: more.celsius ?? 21 },
    observations: more.observations ?? [],
    readings,
  }) as Case;

/** A case in which everything that is read is sound. */
export const soundReadings = (): Reading[] => [rest(12.65), crank(10.6), charging(14.2), ripple(0.04)];
