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

const DEGREE = '\u00a0°';

/** A temperature in °C as a figure of a unit. */
export function inUnit(unit: TemperatureUnit, celsius: number): number {
	return unit === 'F' ? celsiusToFahrenheit(celsius) : celsius;
}

/** A figure of a unit as a temperature in °C. */
export function fromUnit(unit: TemperatureUnit, figure: number): number {
	return unit === 'F' ? fahrenheitToCelsius(figure) : figure;
}

/** A difference in K as a figure of a unit: K where °C is shown, °F else. */
export function differenceInUnit(unit: TemperatureUnit, kelvin: number): number {
	return unit === 'F' ? kelvinToFahrenheitDifference(kelvin) : kelvin;
}

/** A difference's figure of a unit as K. */
export function kelvinOf(unit: TemperatureUnit, figure: number): number {
	return unit === 'F' ? (figure * 5) / 9 : figure;
}

/** What stands behind a difference: K where °C is shown, °F else. */
export function differenceUnit(unit: TemperatureUnit): string {
	return unit === 'F' ? '°F' : 'K';
}

/** A figure to a tenth, as it stands in a field. */
export function roundFigure(figure: number): number {
	return Math.round(figure * 10) / 10;
}

/**
 * A measured or computed temperature in °C as a sentence says it: to a tenth in °C, whole in °F.
 * @example temperatureWords('F', 18.94) // '66 °F'
 */
export function temperatureWords(
	unit: TemperatureUnit,
	celsius: number,
	digits = unit === 'F' ? 0 : 1
): string {
	const figure = inUnit(unit, celsius).toFixed(digits);
	return `${Number(figure) === 0 ? (0).toFixed(digits) : figure}${DEGREE}${unit}`;
}

/** An outdoor temperature, or another that is meant as a round figure: whole degrees. */
export function roundTemperatureWords(unit: TemperatureUnit, celsius: number): string {
	return temperatureWords(unit, celsius, 0);
}

/**
 * A threshold in °C as a sentence says it: as it is in °C, the whole °F on its safe side else.
 * @example limitWords('F', 27, 'most') // '80 °F'
 */
export function limitWords(unit: TemperatureUnit, celsius: number, side: 'most' | 'least'): string {
	if (unit === 'C') return `${Math.round(celsius * 10) / 10}${DEGREE}C`;
	const figure = celsiusToFahrenheit(celsius);
	return `${side === 'most' ? Math.floor(figure + 1e-9) : Math.ceil(figure - 1e-9)}${DEGREE}F`;
}

/**
 * A difference in K as a sentence says it, never shifted by 32 (NIST SP 811:2008, B.8).
 * @example differenceWords('F', 0.5) // '0.9 °F'
 */
export function differenceWords(unit: TemperatureUnit, kelvin: number, digits = 1): string {
	return unit === 'F'
		? `${differenceInUnit(unit, kelvin).toFixed(digits)}${DEGREE}F`
		: `${kelvin.toFixed(digits)}\u00a0K`;
}
