/** Temperature units a control can show. Inside the program temperatures are always °C. */
export type TemperatureUnit = 'C' | 'F';

/**
 * °F of a temperature in °C: t·9/5 + 32, exact by definition (NIST SP 811:2008, B.8).
 * For a temperature *difference* use {@link kelvinToFahrenheitDifference}.
 */
export function celsiusToFahrenheit(celsius: number): number {
	return (celsius * 9) / 5 + 32;
}

/** °C of a temperature in °F: (t − 32)·5/9 (NIST SP 811:2008, B.8). */
export function fahrenheitToCelsius(fahrenheit: number): number {
	return ((fahrenheit - 32) * 5) / 9;
}

/** A difference in K as a difference in °F: ·9/5, without the 32 (NIST SP 811:2008, B.8). */
export function kelvinToFahrenheitDifference(kelvin: number): number {
	return (kelvin * 9) / 5;
}

/** `value` rounded to the nearest multiple of `step`, halves up, free of binary dust to 1e-6. */
export function roundToStep(value: number, step: number): number {
	return Math.round(Math.round(value / step + 1e-9) * step * 1e6) / 1e6;
}
