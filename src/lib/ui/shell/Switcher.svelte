<script lang="ts">
	import ChevronDown from 'carbon-icons-svelte/lib/ChevronDown.svelte';
	import { goto } from '$app/navigation';
	import Button from '../kit/Button.svelte';
	import Chooser from './Chooser.svelte';
	import type { Found } from './finding';

	let {
		what,
		keys,
		find
	}: {
		/** What is switched between: a site, a zone. */
		what: string;
		/** The keys that go to the one before and to the one after. */
		keys: readonly [before: string, after: string];
		/** All of them in their order, the one that one is at marked; asked for when they are wanted. */
		find: () => readonly Found[] | Promise<readonly Found[] | null>;
	} = $props();

	async function onkeydown(event: KeyboardEvent) {
		const by = keys.indexOf(event.key);
		if (by < 0 || event.ctrlKey || event.metaKey || event.altKey) return;
		if ((event.target as HTMLElement).closest('input, textarea, select, [role="dialog"]')) return;
		event.preventDefault();
		const list = (await find()) ?? [];
		const other = list[list.findIndex(({ here }) => here) + (by === 0 ? -1 : 1)];
		if (typeof other?.to === 'string') await goto(other.to);
	}
</script>

<svelte:window {onkeydown} />

<Chooser heading="Another {what}" label="Its name" {find}>
	{#snippet trigger(choose)}
		<Button kind="quiet" icon={ChevronDown} iconLabel="Another {what}" onclick={choose} />
	{/snippet}
</Chooser>
