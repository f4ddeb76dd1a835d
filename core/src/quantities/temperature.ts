/** @param fahrenheit Temperature, °F. @returns the same in °C. */
export const toCelsius = (fahrenheit: number): number => (fahrenheit - 32) / 1.8;
