export const toFahrenheit = (celsius: number): number => celsius * 1.8 + 32;
export const toCelsius = (fahrenheit: number): number => (fahrenheit - 32) / 1.8;
export const toKelvin = (celsius: number): number => celsius + 273.15;
