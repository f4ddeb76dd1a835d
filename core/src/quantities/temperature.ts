/** @param fahrenheit Temperature, °F. @returns the same in °C. */
export const toCelsius = (fahrenheit: number): number => (fahrenheit - 32) / 1.8;

/** @param celsius Temperature, °C. @returns the same in °F. */
export const toFahrenheit = (celsius: number): number => celsius * 1.8 + 32;
