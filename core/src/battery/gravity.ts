/** Gravity readings are brought to 27 °C: 0.004 for each 5.5 °C, added when warmer (docs/criteria.md). */
const GRAVITY_PER_CELSIUS = 0.004 / 5.5;
const TABLE_CELSIUS = 27;
/** A cell's resting volts are its gravity and this many volts (docs/criteria.md, gravity). */
const VOLTS_OVER_GRAVITY = 0.84;

/** @param cells Specific gravity of each cell. @returns highest less lowest cell. */
export const cellSpread = (cells: readonly number[]): number => Math.max(...cells) - Math.min(...cells);

/**
 * @param cells Specific gravity of each cell.
 * @param celsius Electrolyte temperature, °C.
 * @returns the mean gravity of the cells at 27 °C.
 */
export function meanGravity(cells: readonly number[], celsius = TABLE_CELSIUS): number {
  const mean = cells.reduce((sum, cell) => sum + cell, 0) / cells.length;
  return mean + GRAVITY_PER_CELSIUS * (celsius - TABLE_CELSIUS);
}

/**
 * @param cells Specific gravity of each cell, at 27 °C.
 * @returns the resting volts these cells should show, V: gravity + 0.84 in each.
 */
export const voltsOfGravity = (cells: readonly number[]): number =>
  cells.reduce((sum, cell) => sum + cell + VOLTS_OVER_GRAVITY, 0);
