/** Gravity readings are brought to 27 °C: 0.004 for each 5.5 °C, added when warmer (docs/criteria.md). */
const GRAVITY_PER_CELSIUS = 0.004 / 5.5;

/** @returns highest less lowest cell. @param cells Specific gravity of each cell. */
export const cellSpread = (cells: readonly number[]): number => Math.max(...cells) - Math.min(...cells);

/** @returns the mean gravity of the cells at 27 °C. @param celsius Electrolyte temperature, °C. */
export function meanGravity(cells: readonly number[], celsius = 27): number {
  const mean = cells.reduce((sum, cell) => sum + cell, 0) / cells.length;
  return mean + GRAVITY_PER_CELSIUS * (celsius - 27);
}

/** The resting volts these cells should show: gravity + 0.84 V in each. */
export const voltsOfGravity = (cells: readonly number[]): number => cells.reduce((sum, cell) => sum + cell + 0.84, 0);
