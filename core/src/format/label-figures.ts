import { integer, number } from './shape';

/** What the figures of a label may be; forms, imports and bodies all check by these. */
export const LABEL_FIGURES = {
  ratingAmps: number({ above: 0, max: 5000, unit: 'A' }),
  capacityAh: number({ above: 0, max: 1000, unit: 'Ah' }),
  count: integer(1, 3),
  cylinders: integer(1, 16),
  displacementLitres: number({ above: 0, max: 50, unit: 'l' }),
  alternatorAmps: number({ above: 0, max: 1000, unit: 'A' }),
  drawAmps: number({ min: 0, max: 5000, unit: 'A' }),
  volts: number({ min: 0, max: 100, unit: 'V' }),
  celsius: number({ min: -60, max: 90, unit: '°C' }),
} as const;
