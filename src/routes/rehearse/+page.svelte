<script lang="ts">
	import { goto } from '$app/navigation';
	import { sampleZone } from '$core/checks';
	import { zoneCard } from '$core/keying';
	import { isOperable } from '$core/machine';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import FilePicker from '$lib/ui/kit/FilePicker.svelte';
	import Problem from '$lib/ui/kit/Problem.svelte';
	import { openExercise, type OpenExercise } from '$lib/ui/panel/exercises';
	import Rehearse from '$lib/ui/panel/Rehearse.svelte';

	let { data } = $props();
	let exercise = $state.raw<OpenExercise | null>(null);
	let problem = $state<string | null>(null);

	async function take(file: File | undefined) {
		if (!file) return;
		const read = await openExercise(file);
		problem = read.ok ? null : `${file.name}: ${read.problem.sentence}`;
		if (read.ok) exercise = read.value;
	}
	const { profile } = $derived(data);
	const card = $derived(zoneCard(sampleZone(profile), profile).card);
</script>

<svelte:head><title>Practise · Fond Quarter</title></svelte:head>

<main>
	<div class="which">
		<Choice
			label="Which control to practise"
			value={profile.id}
			groups={[
				{ name: 'Shipped', options: data.shipped.map(({ id, name }) => ({ value: id, text: name })) },
				...(data.own.length > 0
					? [{ name: 'Your own', options: data.own.map(({ id, name }) => ({ value: id, text: name })) }]
					: [])
			]}
			onchange={(id) => {
				exercise = null;
				void goto(`/rehearse?control=${id}`, { keepFocus: true, noScroll: true });
			}}
		/>
		<FilePicker
			label="Open an exercise"
			name="An exercise’s file"
			accept=".json,application/json"
			onfiles={([file]) => void take(file)}
		/>
	</div>
	<Problem sentence={problem} onclose={() => (problem = null)} />
	{#if exercise && isOperable(exercise.profile) && exercise.card.operated}
		{#key exercise}
			<Rehearse
				name={exercise.zones[0]!.name}
				profile={exercise.profile}
				card={exercise.card}
				place={{ timeZone: exercise.timeZone, room: exercise.zones[0]!.room }}
				begins={exercise.broken}
				leave={{ href: '/rehearse', name: 'Another' }}
			/>
		{/key}
	{:else if isOperable(profile) && card.operated}
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
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem 1.2rem;
		align-items: end;
		margin-bottom: 1rem;
	}
</style>
