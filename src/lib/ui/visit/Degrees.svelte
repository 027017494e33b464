<script lang="ts">
	import {
		differenceInUnit,
		differenceUnit,
		fromUnit,
		inUnit,
		kelvinOf,
		roundFigure,
		type TemperatureUnit
	} from '$core/control';
	import Figure from './Figure.svelte';

	let {
		label,
		unit,
		difference = false,
		value,
		onchange
	}: {
		label: string;
		/** The unit of the zone's control: what is read and keyed is in it. */
		unit: TemperatureUnit;
		/** A difference in K rather than a temperature in °C: never shifted by 32. */
		difference?: boolean;
		/** In °C, or in K. */
		value: number | null;
		onchange: (value: number | null) => void;
	} = $props();

	const figure = $derived(
		value === null ? null : roundFigure(difference ? differenceInUnit(unit, value) : inUnit(unit, value))
	);
	const take = (next: number | null) =>
		onchange(next === null ? null : difference ? kelvinOf(unit, next) : fromUnit(unit, next));
</script>

<Figure {label} unit={difference ? differenceUnit(unit) : `°${unit}`} value={figure} onchange={take} />
