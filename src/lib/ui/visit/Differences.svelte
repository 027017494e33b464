<script lang="ts">
	import type { TemperatureUnit } from '$core/control';
	import { ON_SITE_WORDS, onSiteValueWords } from '$core/plan';
	import type { OnSiteNotes } from './onSiteNotes.svelte';
	import Button from '$lib/ui/kit/Button.svelte';

	let {
		noted,
		ended,
		nameOf,
		unitOf,
		onseen
	}: {
		noted: OnSiteNotes;
		/** Who ended the visit while this page was open, and on which date in words, where the next one goes on already; else null. */
		ended: { readonly who: string; readonly on: string } | null;
		nameOf: (zoneId: string) => string;
		unitOf: (zoneId: string) => TemperatureUnit;
		/** The person has read who ended it. */
		onseen: () => void;
	} = $props();

	/** What was noted of a field, in its zone's own unit. */
	const words = ({ zoneId, key }: (typeof noted.conflicts)[number], value: unknown) =>
		onSiteValueWords(key, value, unitOf(zoneId));
</script>

{#if ended}
	<div role="alert">
		<p>
			<strong>{ended.who} ended the visit on {ended.on}</strong>, and the next one has begun: what you note
			now belongs to that.
		</p>
		<Button onclick={onseen}>Seen</Button>
	</div>
{/if}
{#each noted.conflicts as conflict (conflict)}
	<div role="alert">
		<p>
			{nameOf(conflict.zoneId)}: {ON_SITE_WORDS[conflict.key]} was noted on another device as
			<strong>{words(conflict, conflict.theirs)}</strong>, here as
			<strong>{words(conflict, conflict.mine)}</strong>.
		</p>
		<Button onclick={() => noted.settle(conflict, false)}>Keep theirs</Button>
		<Button onclick={() => noted.settle(conflict, true)}>Keep mine</Button>
	</div>
{/each}

<style>
	div {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: center;
		margin-bottom: 0.6rem;
		padding: 0.5rem 0.75rem;
		border-left: 4px solid var(--signal);
		background: var(--sheet);
	}
</style>
