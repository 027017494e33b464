<script lang="ts">
	import { NOT_DRAWN } from '$core/words';
	import type { BoardZone } from './BoardTable.svelte';

	let { zones }: { zones: readonly BoardZone[] } = $props();

	const undrawn = $derived(zones.filter((row) => row.undrawn));
	const drawn = $derived(zones.filter((row) => !row.undrawn));
	const exact = $derived(
		drawn.filter(({ summary }) => summary.coldMinutes + summary.warmMinutes === 0).length
	);
	const left = $derived(zones.reduce((sum, { summary }) => sum + summary.left, 0));
	const names = $derived(
		undrawn
			.map((row) => row.name)
			.join(', ')
			.replace(/, (?=[^,]*$)/, ' and ')
	);
	const hold = (count: number) => (count === 1 ? 'holds its week' : 'hold their week');
</script>

<p class="lead">
	{#if zones.length === 0}
		A new site: add its first room below.
	{:else if drawn.length === 0}
		<span class="signal">No week is {NOT_DRAWN.replace('not ', '')}.</span>
	{:else if undrawn.length > 0}
		<span class="signal">{undrawn.length < 4 ? names : `${undrawn.length} zones`}: {NOT_DRAWN}.</span>
		{exact} of {drawn.length} drawn {hold(exact)} exactly.
	{:else if left > 0}
		{exact} of {zones.length} zones {hold(exact)} exactly; {left} values are left to key.
	{:else}
		Every zone is keyed; {exact} of {zones.length} {hold(exact)} exactly.
	{/if}
</p>
