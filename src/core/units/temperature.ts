/** °F of °C. */
export const toFahrenheit = (celsius: number): number => celsius * 1.8 + 32;
/** °C of °F. */
export const toCelsius = (fahrenheit: number): number => (fahrenheit - 32) / 1.8;
/** K of °C. */
export const toKelvin = (celsius: number): number => celsius + 273.15;
