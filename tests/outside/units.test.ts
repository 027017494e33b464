/** °C and °F against NIST Special Publication 811 (2008), appendix B.8: t/°C = (t/°F − 32)/1.8, 1 K = 1.8 °F. */
import { expect, it } from 'vitest';
import {
	celsiusToFahrenheit,
	fahrenheitToCelsius,
	factoryOptions,
	heldSetpoint,
	kelvinToFahrenheitDifference,
	shippedProfiles
} from '../../src/core/control';

it('converts temperatures with the 32 and differences without it', () => {
	expect(celsiusToFahrenheit(21)).toBeCloseTo(69.8, 12);
	expect(celsiusToFahrenheit(100)).toBe(212);
	expect(fahrenheitToCelsius(-40)).toBe(-40);
	expect(fahrenheitToCelsius(0)).toBeCloseTo(-17.777_777_777_8, 9);
	expect(kelvinToFahrenheitDifference(0.5)).toBeCloseTo(0.9, 12);
});

it('sets a Fahrenheit control to the whole degree nearest to the wanted temperature, within its range', () => {
	const stat = shippedProfiles[0]!;
	const options = { ...factoryOptions(stat), unit: 'F' as const };
	for (let tenth = 50; tenth <= 300; tenth++) {
		const held = celsiusToFahrenheit(heldSetpoint(stat, options, tenth / 10));
		expect(held).toBeCloseTo(Math.round(held), 9);
		expect(Math.abs(held - (tenth / 10) * 1.8 - 32)).toBeLessThanOrEqual(0.5 + 1e-9);
	}
	expect(heldSetpoint(stat, options, 60)).toBe(30);
});
