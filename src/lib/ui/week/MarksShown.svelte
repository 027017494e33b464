<script lang="ts">
	import { roundTemperatureWords, type TemperatureUnit } from '$core/control';
	import Button from '../kit/Button.svelte';

	let {
		shown = $bindable(),
		showRoom = $bindable(),
		isSwitch,
		governed,
		unit,
		outdoorC
	}: {
		shown: { wanted: boolean; held: boolean; misfit: boolean };
		showRoom: boolean;
		isSwitch: boolean;
		/** What is governed, and so drawn: the room's air, or the floor. */
		governed: 'room' | 'floor';
		unit: TemperatureUnit;
		/** Outside, for the room's own line; null where there is none. */
		outdoorC: number | null;
	} = $props();
</script>

<div class="legend" role="group" aria-label="Marks shown">
	{#each ['wanted', 'held'] as const as mark (mark)}
		<Button kind="quiet" small aria-pressed={shown[mark]} onclick={() => (shown[mark] = !shown[mark])}>
			<span class="swatch {mark}" class:off={!shown[mark]} aria-hidden="true"></span>{mark}
		</Button>
	{/each}
	<Button kind="quiet" small aria-pressed={shown.misfit} onclick={() => (shown.misfit = !shown.misfit)}>
		<span class="swatch cold" class:off={!shown.misfit} aria-hidden="true"></span>{isSwitch
			? 'off when wanted'
			: 'too cold'}
		<span class="swatch warm-dots" class:off={!shown.misfit} aria-hidden="true"></span>{isSwitch
			? 'on when not wanted'
			: 'too warm'}
	</Button>
	{#if outdoorC !== null}
		<Button kind="quiet" small aria-pressed={showRoom} onclick={() => (showRoom = !showRoom)}>
			<span class="swatch room" class:off={!showRoom} aria-hidden="true"></span>{governed}, {roundTemperatureWords(
				unit,
				outdoorC
			)} outside
		</Button>
	{/if}
</div>

<style>
	.legend {
		margin: 0 0 0.3rem -0.5rem;
		display: flex;
		gap: 0 0.25rem;
		align-items: center;
		flex-wrap: wrap;
	}
	.legend :global(.kit-button) {
		gap: 0.4rem;
		padding-inline: 0.4rem;
		text-decoration: none;
	}
	.legend :global(.kit-button[aria-pressed='true']),
	.legend :global(.kit-button[aria-pressed='true']:hover) {
		border-color: transparent;
		background: transparent;
		color: var(--ink);
	}
	.legend :global(.kit-button[aria-pressed='false']) {
		color: var(--soft);
		text-decoration: line-through;
	}
	.swatch.off {
		opacity: 0.3;
	}
	.swatch.wanted {
		height: 0;
		border-top: 2.6px solid var(--ink);
	}
	.swatch.room {
		height: 0;
		border-top: 1.4px solid var(--soft);
	}
	.swatch.held {
		background: var(--held-fill);
		border-top: 1.5px solid var(--held);
	}
</style>
