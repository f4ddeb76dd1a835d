/** A vehicle as a row of a list that is brought in: what its columns hold. */
import { integer, list, object, text } from './shape';
import type { Infer } from './shape';

const row = object(
  { name: text(1, 80) },
  {
    plate: text(0, 16),
    vin: text(0, 20),
    year: integer(1900, 2100),
    group: text(0, 40),
    /** `YYYY-MM-DD`. */
    batteryFittedOn: text(10, 10),
  },
  { isClosed: true },
);
export const MAX_VEHICLE_ROWS = 2000;
export const vehicleRowsShape = list(row, 1, MAX_VEHICLE_ROWS);
export type VehicleRow = Infer<typeof row>;
