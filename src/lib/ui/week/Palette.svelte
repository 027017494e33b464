<script lang="ts">
	import { displaySetpoint, type ControlProfile } from '$core/control';
	import type { Zone } from '$core/plan';
	import Button from '../kit/Button.svelte';

	/** The levels as a palette: one that is pressed is drawn with, until it is pressed again. */
	let {
		zone,
		profile,
		brush = $bindable(null)
	}: {
		zone: Zone;
		profile: ControlProfile;
		/** The id of the level that is drawn with; null for none. */
		brush: string | null;
	} = $props();

	const sorted = $derived([...zone.levels].sort((a, b) => b.setpointC - a.setpointC));
</script>

<svelte:window onkeydown={(event) => event.key === 'Escape' && (brush = null)} />

<div class="palette" role="group" aria-label="Levels to draw with">
	{#each sorted as level (level.id)}
		{@const figure = displaySetpoint(profile, zone.options, level.setpointC)}
		<Button
			kind="quiet"
			small
			aria-pressed={brush === level.id}
			onclick={() => (brush = brush === level.id ? null : level.id)}
		>
			{#if profile.temperature}<span class="letter">{level.letter}</span>{/if}
			{level.name}
			{#if profile.temperature}<span class="mono">{figure}</span>{/if}
		</Button>
	{/each}
	<p class="soft">
		{brush === null
			? 'Press a level, then draw. Drag the edge of a step to move it.'
			: 'Draw over the hours, or press a step. Esc ends it.'}
	</p>
</div>

<style>
	.palette {
		display: flex;
		flex-wrap: wrap;
		gap: 0.2rem 0.4rem;
		align-items: center;
		margin-left: -0.5rem;
	}
	.palette :global(.kit-button) {
		gap: 0.5rem;
		padding-inline: 0.5rem;
		text-decoration: none;
	}
	.letter {
		display: inline-grid;
		place-items: center;
		width: 1.6rem;
		height: 1.6rem;
		border: 1.6px solid currentColor;
		border-radius: 3px;
		font-family: var(--mono);
		font-weight: 700;
	}
	p {
		margin-left: auto;
		font-size: var(--small);
	}
</style>
