import type { figureFormat } from '@tetrad/core/light';
import type { SeriesUnit } from '@tetrad/core/trends';

/** How a unit is shown: by what it is multiplied, its sign, and decimals. */
export const SHOWN: Readonly<
  Record<SeriesUnit, { readonly times: number; readonly sign: string; readonly decimals: number }>
> = {
  share: { times: 100, sign: '%', decimals: 0 },
  ohm: { times: 1000, sign: 'mΩ', decimals: 1 },
  A: { times: 1, sign: 'A', decimals: 1 },
  V: { times: 1, sign: 'V', decimals: 2 },
  rpm: { times: 1, sign: 'rpm', decimals: 0 },
};

/** A figure of a series with its unit. */
export const seriesFigure = (
  format: Pick<ReturnType<typeof figureFormat>, 'plain'>,
  unit: SeriesUnit,
  value: number,
): string => {
  const { times, sign, decimals } = SHOWN[unit];
  return `${format.plain(value * times, decimals)} ${sign}`;
};
