<script lang="ts">
	import { dateWords, localTime, wallAt } from '$core/civil';
	import type { ClockReading } from '$core/plan';
	import { errorWords } from '$core/words';
	import Button from '../kit/Button.svelte';

	let {
		readings,
		timeZone,
		canTakeBack,
		ontakeback
	}: {
		readings: readonly ClockReading[];
		timeZone: string;
		canTakeBack: boolean;
		ontakeback: () => void;
	} = $props();

	function said(reading: ClockReading): string {
		if (reading.lost) return reading.set ? 'had lost its time, set right' : 'had lost its time';
		const days =
			reading.daysAhead === 0
				? ''
				: `, ${Math.abs(reading.daysAhead)} ${Math.abs(reading.daysAhead) === 1 ? 'day' : 'days'} ${reading.daysAhead > 0 ? 'ahead' : 'behind'}`;
		return `${errorWords(reading.errorSeconds)}${days}${reading.set ? ', set right' : ''}`;
	}
	const when = (iso: string) => {
		const local = localTime(wallAt(timeZone, Date.parse(iso)));
		return `${dateWords(local.slice(0, 10), 'short')} ${local.slice(11)}`;
	};
</script>

<section>
	<h2>Checked</h2>
	<ul>
		{#each [...readings].reverse().slice(0, 12) as reading (reading.at)}
			<li><span class="soft">{when(reading.at)}</span> <span>{said(reading)}</span></li>
		{/each}
	</ul>
	<Button disabled={!canTakeBack} onclick={ontakeback}>Take the last back</Button>
</section>

<style>
	h2 {
		margin-bottom: 0.25rem;
		color: var(--soft);
		font-size: var(--small);
	}
	ul {
		margin: 0 0 0.5rem;
	}
	li {
		display: grid;
		padding: 0.25rem 0;
		border-bottom: 1px solid var(--rule);
		font-size: var(--small);
	}
</style>
