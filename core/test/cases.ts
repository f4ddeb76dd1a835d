/** Cases for the tests, built from a sound vehicle by changing what the test is about. */
import { BALANCED, ENGLISH, assessCase } from '@tetrad/core';
import type { Case, CriteriaSet, Limit, Observation, Reading, TestName } from '@tetrad/core';

export const SOUND_SYSTEM: Case['system'] = {
  nominalVolts: 12,
  engine: { cylinders: 4, fuel: 'petrol', displacementLitres: 1.8 },
  battery: { chemistry: 'flooded', serviceable: true, rating: { value: 560, standard: 'SAE' }, capacityAh: 60 },
  alternator: { ratedAmps: 110, regulation: 'fixed' },
};
/** The same, once somebody has looked at the label again. */
export const LABEL_CONFIRMED: Case['system'] = {
  ...SOUND_SYSTEM,
  battery: { ...SOUND_SYSTEM.battery, rating: { value: 560, standard: 'SAE', confirmed: true } },
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

/** A test that was asked for and could not be done. */
export const cannot = (test: Reading['test'], why: NonNullable<Reading['notPossible']> = 'did-not-crank'): Reading => ({
  ...read(test, null),
  notPossible: why,
});
export const drop = (test: Reading['test'], volts: number, amps = 140): Reading => read(test, volts, { amps });
export const saw = (about: Observation['about'], finding: string): Observation => ({ about, finding });

/** The four notes of a sound vehicle. */
export const fourNotes = (): Reading[] => [rest(12.65), crank(10.6), charging(14.2), ripple(0.04)];

/** Everything that must be read before a vehicle without a complaint is called sound, and all of it good. */
export const soundReadings = (): Reading[] => [
  ...fourNotes(),
  charging(14.0, 'on'),
  read('starter-draw', 130),
  drop('drop-starter-positive', 0.18),
  drop('drop-starter-ground', 0.06),
  drop('drop-charge-positive', 0.1, 85),
  drop('drop-charge-ground', 0.03, 85),
];
export const SOUND_LOOKS: readonly Observation[] = [saw('terminals', 'clean'), saw('belt', 'good')];

/** A copy of a set with other limits for one test, as a shop would edit it. */
export const edited = (set: CriteriaSet, test: TestName, change: (limit: Limit) => Limit): CriteriaSet => ({
  ...set,
  id: 'shop',
  limits: set.limits.map((limit) => (limit.test === test ? change(limit) : limit)),
});

/** A reading's grade with its reason as a sentence. */
export const lastOf = (
  readings: readonly Reading[],
  criteria: CriteriaSet = BALANCED,
  more: Parameters<typeof caseOf>[1] = {},
): { readonly grade: string; readonly because: string; readonly limit: string } => {
  const { grade, because, resolved } = assessCase(caseOf(readings, more), criteria).at(-1)!;
  return { grade, because: ENGLISH.say(because), limit: resolved ? ENGLISH.say(resolved.bound) : '' };
};
