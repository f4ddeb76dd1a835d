import type { RoundVehicle } from '@tetrad/contracts';

/** As plates and VINs are compared: `YD-104` is `yd 104`. */
export const codeOf = (text: string): string => text.toUpperCase().replace(/[^A-Z0-9]/g, '');

/** Characters of a VIN's end that are enough to tell it. */
const MIN_VIN_END = 5;

/** The vehicle of a typed or scanned plate, VIN, end of a VIN, or name; null where none or several have it. */
export function findVehicle(vehicles: readonly RoundVehicle[], typed: string): RoundVehicle | null {
  const code = codeOf(typed);
  if (code === '') return null;
  const ways: ((one: RoundVehicle) => boolean)[] = [
    ({ vehicle }) => vehicle.plate !== null && codeOf(vehicle.plate) === code,
    ({ vehicle }) => vehicle.vin === code,
    ({ vehicle }) => code.length >= MIN_VIN_END && vehicle.vin?.endsWith(code) === true,
    ({ vehicle }) => codeOf(vehicle.name) === code,
  ];
  for (const way of ways) {
    const found = vehicles.filter(way);
    if (found.length === 1) return found[0]!;
  }
  return null;
}
