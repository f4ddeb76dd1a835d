/** Makers' figures in a line. */
import type { FigureFormat, System } from '@tetrad/core';

interface Range {
  readonly min?: number;
  readonly max?: number;
}
const rangeWords = (name: string, range: Range | undefined, told: (value: number) => string): readonly string[] => {
  const { min, max } = range ?? {};
  if (min !== undefined && max !== undefined) return [`${name} ${told(min)} to ${told(max)}`];
  if (min !== undefined) return [`${name} at least ${told(min)}`];
  return max === undefined ? [] : [`${name} at most ${told(max)}`];
};

/** The figures that win over every limit set: of starter, cranking, charging and alternator. */
export const specifiedWords = ({ specified, alternator }: System, format: FigureFormat): readonly string[] => [
  ...rangeWords('starter', specified?.starterDrawAmps, format.amps),
  ...rangeWords('cranking', specified?.crankingVolts, format.volts),
  ...rangeWords('charging', specified?.chargingVolts, format.volts),
  ...(alternator?.ratedAmps === undefined ? [] : [`alternator ${format.amps(alternator.ratedAmps)}`]),
];
