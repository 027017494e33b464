<script lang="ts">
	import { differenceWords, type TemperatureUnit } from '$core/control';
	import Figures from '../kit/Figures.svelte';

	let {
		startsPerDay,
		starts,
		allowed,
		unit
	}: {
		startsPerDay: number;
		/** The unit in which differences are said. */
		unit: TemperatureUnit;
		/** Starts a day were every control at that differential, narrowest first. */
		starts: readonly { readonly differentialK: number; readonly startsPerDay: number }[];
		allowed: number;
	} = $props();

	const firstStarts = $derived(starts.find((one) => Math.round(one.startsPerDay) <= allowed));
</script>

<section>
	<h2>How often the boiler starts</h2>
	<p class:signal={Math.round(startsPerDay) > allowed}>
		{Math.round(startsPerDay)} times a day; {allowed} are allowed{#if Math.round(startsPerDay) > allowed}{firstStarts
				? `: with a differential of ${differenceWords(unit, firstStarts.differentialK)} it would be ${Math.round(firstStarts.startsPerDay)}.`
				: ': no differential here is wide enough; a buffer or a longer anti-cycling time at the boiler is.'}{:else}.{/if}
	</p>
	<Figures
		label="Boiler starts by differential"
		head={['every control at a differential of', 'starts a day']}
		rows={starts.map((one) => [
			differenceWords(unit, one.differentialK),
			String(Math.round(one.startsPerDay))
		])}
	/>
</section>

<style>
	section {
		margin-top: 1.1rem;
	}
	h2 {
		font-size: 1.05rem;
	}
</style>
