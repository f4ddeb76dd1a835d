/** Limits that schools set differently: a school gives the figure, the rest of the limit stands here. */
import { PATHS, PATH_TESTS } from '../circuit/paths';
import type { PathTest } from '../circuit/paths';
import { PRACTICE } from './common-limits';
import type { Limit } from './criteria-set';
import type { NoteName } from './limit-notes';
import type { LimitTemperature } from './limit-temperature';

/** Width of the borderline zone of a drop, as a share of its limit. */
const DROP_ZONE = 0.2;
/** A good regulator aims up to 0.4 V higher in the cold: over 15.0 V it is never, by more than that (12 V). */
const COLD_CEILING_VOLTS = 15.3;

/**
 * The drop limits of a school: the strict or the lenient figure of every path, or the school's own.
 *
 * @param own Figures of this school alone, V at the usual current.
 */
export const dropLimits = (
  school: 'strictVolts' | 'lenientVolts',
  own: Readonly<Partial<Record<PathTest, number>>> = {},
): readonly Limit[] =>
  PATH_TESTS.map((test) => {
    const max = own[test] ?? PATHS[test][school];
    return {
      test,
      rule: { kind: 'drop', max },
      borderline: max * DROP_ZONE,
      // at the usual amps of the engine, which ask more in the cold
      temperature: { none: 'by-rule' },
      source: PRACTICE,
      note: `note-${PATHS[test].loadedBy}-path`,
    };
  });

/**
 * Cranking floor at the posts for readings that are sustained, not the first dip.
 *
 * @param borderline Width of the borderline zone, V.
 */
export const crankingFloor = (
  rule: Limit['rule'],
  borderline: number,
  note: NoteName,
  temperature: LimitTemperature = { none: 'by-rule' },
): Limit => ({
  test: 'cranking-voltage',
  when: { methods: ['watched', 'min-max', 'scope'] },
  rule,
  borderline,
  temperature,
  source: PRACTICE,
  note,
});

/**
 * Charging window: of fixed regulation with loads off and on, of commanded regulation around its target.
 *
 * @param min Lowest with loads off, V at 12 V nominal.
 * @param max Highest, V at 12 V nominal.
 */
export function chargingWindow(min: number, max: number): readonly Limit[] {
  const fixed = { regulation: 'fixed' } as const;
  return [
    {
      test: 'charging-voltage',
      when: { regulation: 'commanded' },
      rule: { kind: 'commanded', tolerance: 0.3, minVolts: 12.5, maxVolts: 15 },
      temperature: { none: 'compared' },
      source: PRACTICE,
      note: 'note-commanded',
    },
    {
      test: 'charging-voltage',
      when: { ...fixed, loads: 'off' },
      rule: { kind: 'band', min, max, perCelsius: 0.01, ceiling: COLD_CEILING_VOLTS },
      borderline: 0.05,
      temperature: { none: 'by-rule' },
      source: PRACTICE,
      note: 'note-regulator',
    },
    {
      test: 'charging-voltage',
      when: { ...fixed, loads: 'on' },
      rule: { kind: 'band', min: 13.5, max, perCelsius: 0.01, ceiling: COLD_CEILING_VOLTS },
      borderline: 0.05,
      temperature: { none: 'by-rule' },
      source: PRACTICE,
      note: 'note-loads-on',
    },
  ];
}

/** Ripple at the posts or the stud. @param max Highest, V AC. @param borderline Width of the borderline zone, V AC. */
export const rippleLimit = (max: number, borderline: number, note: NoteName): Limit => ({
  test: 'ripple-ac',
  rule: { kind: 'band', max },
  borderline,
  temperature: { none: 'hardly' },
  source: PRACTICE,
  note,
});

/**
 * Measured over rated conductance, in the same standard.
 *
 * @param minShare Of the rating, 0 to 1.
 * @param borderline Width of the borderline zone, a share of the rating.
 */
export const conductanceLimit = (minShare: number, borderline: number): Limit => ({
  test: 'conductance',
  rule: { kind: 'rated-share', minShare },
  borderline,
  temperature: { none: 'corrected' },
  source: PRACTICE,
  note: 'note-conductance',
});

/**
 * Alternator output against its rating, once it is loaded enough to show its limit.
 *
 * @param minShare Of the alternator's rating, 0 to 1.
 */
export const outputLimit = (minShare: number): Limit => ({
  test: 'alternator-current',
  rule: { kind: 'output-share', minShare },
  borderline: 0.05,
  temperature: { none: 'kinder' },
  source: PRACTICE,
  note: 'note-output',
});

/** Current into the battery some minutes after a normal start. @param max Into the battery, A. */
export const batteryCurrentLimit = (max: number): Limit => ({
  test: 'battery-current',
  rule: { kind: 'into-battery', maxAmps: max, fromMinutes: 2 },
  borderline: 1,
  temperature: { none: 'by-rule' },
  source: PRACTICE,
  note: 'note-into-battery',
});
