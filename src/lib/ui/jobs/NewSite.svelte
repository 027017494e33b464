<script lang="ts">
	import { onMount } from 'svelte';
	import { goto } from '$app/navigation';
	import { timeZones } from '$core/civil';
	import type { Occupant } from '$core/plan';
	import { summerTimeSentences } from '$core/words';
	import { call } from '../call';
	import Button from '../kit/Button.svelte';
	import Field from '../kit/Field.svelte';
	import Pick from '../kit/Pick.svelte';
	import Problem from '../kit/Problem.svelte';
	import LivesHere from '../site/LivesHere.svelte';
	import { deviceManner } from './deviceManner';

	let name = $state('');
	let place = $state('');
	let occupants = $state<Occupant[]>([]);
	/** The time zone of the new site: this device's until another is chosen, and seen before anything is made. */
	let timeZone = $state('UTC');
	/** Four hundred names: written where they are chosen from, not with every page that is sent. */
	let names = $state.raw<readonly string[]>([]);
	let problem = $state<string | null>(null);
	let busy = $state(false);
	onMount(() => {
		names = timeZones();
		timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
	});
	const zones = $derived([...new Set([timeZone, ...names])]);
	const changes = $derived(
		name.trim() === ''
			? ''
			: summerTimeSentences(timeZone, { clock: '24' }, new Date().getFullYear()).join(' ')
	);

	async function create(event: SubmitEvent) {
		event.preventDefault();
		busy = true;
		const answer = await call<{ id: string }>('POST', '/api/v1/jobs', {
			name,
			place,
			timeZone,
			occupants,
			...deviceManner()
		});
		busy = false;
		problem = answer.ok ? null : answer.sentence;
		if (answer.ok) await goto(`/sites/${answer.data.id}`);
	}
</script>

<form onsubmit={create}>
	<Field label="New site" placeholder="Name" maxlength={80} required bind:value={name} />
	<Field label="Place" placeholder="Street, town" maxlength={120} bind:value={place} />
	<Pick
		label="Time zone of the place"
		value={timeZone}
		options={zones.map((zone) => ({ value: zone, text: zone.replaceAll('_', ' ') }))}
		onchange={(zone) => (timeZone = zone)}
	/>
	<LivesHere bind:value={occupants} />
	{#if changes}<p class="soft" role="status">{changes}</p>{/if}
	<Problem sentence={problem} onclose={() => (problem = null)} />
	<Button kind="next" type="submit" disabled={busy || name.trim() === ''}>Add site</Button>
</form>

<style>
	form {
		display: grid;
		gap: 0.9rem;
		justify-items: start;
		width: min(30rem, 100%);
	}
</style>
