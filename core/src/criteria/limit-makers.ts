/** Limits that schools set differently: a school gives the figure, the rest of the limit stands here. */
import { PATHS, PATH_TESTS } from '../trade/paths';
import type { PathTest } from '../trade/paths';
import { PRACTICE } from './common-limits';
import type { Limit } from './criteria-set';

/** Width of the borderline zone of a drop, as a share of its limit. */
const DROP_ZONE = 0.2;

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
      source: PRACTICE,
      note: `Read across the path while the ${PATHS[test].loadedBy} current flows; without at least half of it the figure means nothing.`,
    };
  });

/** Cranking floor at the posts for readings that are sustained, not the first dip. */
export const crankingFloor = (rule: Limit['rule'], borderline: number, note: string): Limit => ({
  test: 'cranking-voltage',
  when: { methods: ['watched', 'min-max', 'scope'] },
  rule,
  borderline,
  source: PRACTICE,
  note,
});

/** Charging window of fixed regulation, loads off and on. */
export function chargingWindow(min: number, max: number): readonly Limit[] {
  const fixed = { regulation: 'fixed' } as const;
  return [
    {
      test: 'charging-voltage',
      when: { ...fixed, loads: 'off' },
      rule: { kind: 'band', min, max, perCelsius: 0.01, ceiling: 15.0 },
      borderline: 0.05,
      source: PRACTICE,
      note: 'At the posts, 1500 to 2500 rpm; a good regulator asks about 10 mV more per °C of cold. Never above 15.0 V.',
    },
    {
      test: 'charging-voltage',
      when: { ...fixed, loads: 'on' },
      rule: { kind: 'band', min: 13.5, max, perCelsius: 0.01, ceiling: 15.0 },
      borderline: 0.05,
      source: PRACTICE,
      note: 'High beam, blower, demister and wipers on, 1500 rpm: it must hold.',
    },
  ];
}

/** Ripple at the posts or the stud. */
export const rippleLimit = (max: number, borderline: number, note: string): Limit => ({
  test: 'ripple-ac',
  rule: { kind: 'band', max },
  borderline,
  source: PRACTICE,
  note,
});

/** Measured over rated conductance, in the same standard. */
export const conductanceLimit = (minShare: number, borderline: number): Limit => ({
  test: 'conductance',
  rule: { kind: 'rated-share', minShare },
  borderline,
  source: PRACTICE,
  note: 'Measured over rated CCA, same standard; works on a partly charged battery.',
});

/** Alternator output against its rating, once it is loaded enough to show its limit. */
export const outputLimit = (minShare: number): Limit => ({
  test: 'alternator-current',
  rule: { kind: 'output-share', minShare },
  borderline: 0.05,
  source: PRACTICE,
  note: 'Only a system pulled to about the resting voltage, or a full field, shows what the alternator can give.',
});

/** Current into the battery some minutes after a normal start. */
export const batteryCurrentLimit = (max: number): Limit => ({
  test: 'battery-current',
  rule: { kind: 'band', max },
  borderline: 1,
  source: PRACTICE,
  note: 'Two to three minutes after a normal start little should still flow; much more means a low battery or a bad cell.',
});
