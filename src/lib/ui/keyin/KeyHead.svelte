<script lang="ts">
	import Education from 'carbon-icons-svelte/lib/Education.svelte';
	import { onMount } from 'svelte';
	import { aloud } from './aloud.svelte';
	import Printer from 'carbon-icons-svelte/lib/Printer.svelte';
	import type { Snippet } from 'svelte';
	import type { Notes } from '$core/keying';
	import { FOUND_WORDS } from '$core/words';
	import Button from '../kit/Button.svelte';
	import { live } from '../zone/live.svelte';
	import type { Keying } from './keying.svelte';

	let {
		name,
		keying,
		channels,
		isKnown,
		rehearse,
		leave,
		found,
		onfound,
		children
	}: {
		/** The zone, or the control that governs several. */
		name: string;
		keying: Keying;
		/** The zones of the control. */
		channels: readonly { readonly id: string; readonly name: string; readonly channel: number }[];
		/** Whether it was said how the control was found: before that all of it may be left. */
		isKnown: boolean;
		/** Where its card is rehearsed; null where its keys are not described. */
		rehearse: string | null;
		leave: { readonly href: string; readonly name: string };
		/** How the control was found, where that was said. */
		found?: Notes['found'] | undefined;
		/** It was found the other way. */
		onfound?: () => void;
		/** Where one is on the card. */
		children: Snippet;
	} = $props();

	/** How far each zone of the control is. */
	const ofChannels = $derived(
		channels.map(({ id, name, channel }) => {
			const own = keying.session.turn.steps.filter(
				({ item: { goal } }) => !('channel' in goal) || goal.channel === channel
			);
			const presses = own.reduce((sum, { keys }) => sum + (keys?.presses ?? 0), 0);
			return { id, name, left: own.length, presses };
		})
	);
	$effect(() => {
		for (const { id, left, presses } of ofChannels)
			live.show(id, { left: isKnown ? left : Math.max(1, left), presses });
	});

	let canSpeak = $state(false);
	onMount(() => {
		canSpeak = aloud.can;
		return () => aloud.turn(false);
	});
</script>

<div class="top">
	<h1>{name}</h1>
	<span class="soft" role="status">{@render children()}</span>
	{#if canSpeak}
		<Button aria-label="Read aloud" aria-pressed={aloud.on} onclick={() => aloud.turn(!aloud.on)}
			>Aloud</Button
		>
	{/if}
	{#if rehearse}<span class="print"
			><Button icon={Education} iconLabel="Practise first" href={rehearse} /></span
		>{/if}
	<span class="print"
		><Button icon={Printer} iconLabel="Print the card" onclick={() => window.print()} /></span
	>
	<Button href={leave.href}>{leave.name}</Button>
</div>
{#if found}
	<p class="soft found">
		Found: {found === 'as-new' ? 'factory settings' : FOUND_WORDS['in-use']}.
		<Button kind="quiet" small onclick={onfound}
			>{found === 'as-new' ? 'No, in use' : 'I have reset it'}</Button
		>
	</p>
{/if}
{#if ofChannels.length > 1}
	<p class="soft">
		One card for {ofChannels.map((one) => `${one.name} (${one.left} left)`).join(' and ')}
	</p>
{/if}

<style>
	.top {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 1rem;
		padding: 0 var(--edge);
	}
	h1 {
		flex: 1 1 8rem;
		font-size: 1.1rem;
		overflow-wrap: anywhere;
	}
	p {
		padding: 0.3rem var(--edge) 0;
	}
	.found {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
	}
	@media (max-width: 860px) {
		.top {
			gap: 0.6rem;
		}
		h1 {
			flex-basis: 4rem;
		}
		.top,
		p {
			padding-left: 1.1rem;
			padding-right: 1.1rem;
		}
		.print {
			display: none;
		}
	}
</style>
