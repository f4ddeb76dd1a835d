/** Degrees Fahrenheit in one degree Celsius. */
export const FAHRENHEIT_A_CELSIUS = 1.8;

/** @param fahrenheit Temperature, °F. @returns the same in °C. */
export const toCelsius = (fahrenheit: number): number => (fahrenheit - 32) / FAHRENHEIT_A_CELSIUS;

/** @param celsius Temperature, °C. @returns the same in °F. */
export const toFahrenheit = (celsius: number): number => celsius * FAHRENHEIT_A_CELSIUS + 32;
