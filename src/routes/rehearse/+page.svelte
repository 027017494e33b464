<script lang="ts">
	import { goto } from '$app/navigation';
	import { sampleZone } from '$core/checks';
	import { zoneCard } from '$core/keying';
	import { isOperable } from '$core/machine';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import Rehearse from '$lib/ui/panel/Rehearse.svelte';

	let { data } = $props();
	const { profile } = $derived(data);
	const card = $derived(zoneCard(sampleZone(profile), profile).card);
</script>

<svelte:head><title>Rehearse · Fond Quarter</title></svelte:head>

<main>
	<div class="which">
		<Choice
			label="Which control to rehearse"
			value={profile.id}
			groups={[
				{ name: 'Shipped', options: data.shipped.map(({ id, name }) => ({ value: id, text: name })) },
				...(data.own.length > 0
					? [{ name: 'Your own', options: data.own.map(({ id, name }) => ({ value: id, text: name })) }]
					: [])
			]}
			onchange={(id) => void goto(`/rehearse?control=${id}`, { keepFocus: true, noScroll: true })}
		/>
	</div>
	{#if isOperable(profile) && card.operated}
		{#key profile.id}
			<Rehearse
				name={profile.name}
				{profile}
				{card}
				leave={{ href: `/controls/${profile.id}`, name: 'What it holds' }}
			/>
		{/key}
	{/if}
</main>

<style>
	.which {
		max-width: 22rem;
		margin-bottom: 1rem;
	}
</style>
