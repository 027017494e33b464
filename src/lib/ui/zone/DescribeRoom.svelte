<script lang="ts">
	import { roomSchema, type Room } from '$core/plan';
	import Button from '../kit/Button.svelte';
	import type { ZoneModel } from './zoneModel.svelte';

	let { model }: { model: ZoneModel } = $props();

	const STARTS = [
		['A radiator, block walls', 'radiator', 'medium'],
		['A radiator, heavy walls', 'radiator', 'heavy'],
		['An electric panel, light build', 'electric-panel', 'light'],
		['A wet floor, heavy build', 'wet-floor', 'heavy'],
		['A floor cable', 'floor-cable', 'medium'],
		['A towel rail', 'towel-rail', 'medium']
	] as const;

	/** Something to begin with, to be corrected: a room of the usual size. */
	function describe(kind: Room['emitter']['kind'], build: Room['build']) {
		const floor = kind === 'wet-floor' || kind === 'floor-cable';
		const room = roomSchema.parse({
			floorAreaM2: 20,
			heightM: 2.5,
			build,
			loss: { by: 'survey', insulation: 'fair', exposedM2: 30 },
			emitter: {
				kind,
				ratedW: floor ? 1600 : kind === 'towel-rail' ? 500 : 1800,
				waterC: kind === 'wet-floor' ? 38 : 55
			},
			finish: floor ? 'tile' : null
		});
		model.change({ ...model.zone, room });
	}
</script>

<p class="lead">Say what warms this room and how it is built: a room of the usual size, to be corrected.</p>
<div class="starts">
	{#each STARTS as [words, kind, build] (words)}
		<Button onclick={() => describe(kind, build)}>{words}</Button>
	{/each}
</div>

<style>
	.starts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		margin-top: 0.75rem;
	}
</style>
