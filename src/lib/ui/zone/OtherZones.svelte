<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { Modal, ProgressBar } from 'carbon-components-svelte';
	import { findProfile, type ControlProfile } from '$core/control';
	import { takeWeek, type Zone } from '$core/plan';
	import { fitWords } from '$core/words';
	import { fitMany, type ManyFits, type Outcome } from '$lib/workers/fitMany';
	import { call } from '../call';
	import Button from '../kit/Button.svelte';
	import Check from '../kit/Check.svelte';
	import Choice from '../kit/Choice.svelte';
	import type { ZoneInList } from './followers';

	let {
		zone,
		zoneId,
		siteId,
		zones,
		profiles,
		ontake,
		ongiven,
		onclose
	}: {
		zone: Zone;
		zoneId: string;
		siteId: string;
		zones: readonly ZoneInList[];
		profiles: readonly ControlProfile[];
		ontake: (zone: Zone) => void;
		ongiven: () => Promise<void>;
		onclose: () => void;
	} = $props();

	const profileOf = (one: Zone) => findProfile(one.control, profiles)!;
	const others = $derived(zones.filter((one) => one.id !== zoneId));
	let chosen = $state<Record<string, boolean>>({});
	let outcomes = $state<Record<string, Outcome>>({});
	let done = $state(0);
	let running = $state<ManyFits | null>(null);
	let problem = $state<string | null>(null);
	let given = $state<string | null>(null);
	const picked = $derived(others.filter((one) => chosen[one.id]));

	/** What each other zone would become; nothing is changed by looking. */
	onMount(() => {
		const pairs = untrack(() => others).map((one) => ({
			zone: takeWeek(one.document, zone, profileOf(one.document), profileOf(zone)),
			profile: profileOf(one.document)
		}));
		running = fitMany(pairs, (count) => (done = count));
		void running.outcomes.then((found) => {
			running = null;
			if (found) outcomes = Object.fromEntries(others.map((one, i) => [one.id, found[i]!]));
		});
		return () => running?.stop();
	});

	function words(one: ZoneInList): string {
		const outcome = outcomes[one.id];
		if (!outcome) return '';
		return `${outcome.grouping}, ${fitWords(outcome, profileOf(one.document).temperature === null)}, ${outcome.values} values`;
	}

	async function give() {
		const changes = picked.map((one) => ({
			id: one.id,
			revision: one.revision,
			zone: takeWeek(one.document, zone, profileOf(one.document), profileOf(zone))
		}));
		const answer = await call('POST', `/api/v1/jobs/${siteId}/zones/apply`, { changes });
		problem = answer.ok ? null : answer.sentence;
		if (answer.ok) {
			given = `${changes.length === 1 ? changes[0]!.zone.name : `${changes.length} zones`} ${changes.length === 1 ? 'has' : 'have'} the week of ${zone.name} now.`;
			chosen = {};
		}
		await ongiven();
	}

	function take(id: string) {
		const from = others.find((one) => one.id === id);
		if (!from) return;
		ontake(takeWeek(zone, from.document, profileOf(zone), profileOf(from.document)));
		onclose();
	}
</script>

<Modal open passiveModal modalHeading="The week of {zone.name} and the other zones" on:close={onclose}>
	<Choice
		label="Copy the week of another zone here"
		value=""
		options={[
			{ value: '', text: 'choose a zone …' },
			...others.map((one) => ({ value: one.id, text: one.name }))
		]}
		onchange={take}
	/>
	<h3>Copy this week, its levels and its lead to</h3>
	{#if running}
		<div class="running">
			<ProgressBar labelText="Fitting {others.length} zones" value={done} max={others.length} />
			<Button onclick={() => running?.stop()}>Stop</Button>
		</div>
	{/if}
	<ul>
		{#each others as one (one.id)}
			<li>
				<Check checked={chosen[one.id] ?? false} onchange={(on) => (chosen = { ...chosen, [one.id]: on })}>
					<span class="name">{one.name}</span>
					<span class="soft">{words(one)}</span>
				</Check>
			</li>
		{/each}
	</ul>
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	{#if given}<p role="status">{given}</p>{/if}
	<div class="keys">
		<Button onclick={() => (chosen = Object.fromEntries(others.map((one) => [one.id, true])))}>All</Button>
		<Button kind="next" disabled={picked.length === 0} onclick={give}
			>Copy it to {picked.length === 0
				? 'those marked'
				: picked.length === 1
					? picked[0]!.name
					: `${picked.length} zones`}</Button
		>
	</div>
</Modal>

<style>
	h3 {
		margin: 1.25rem 0 0.25rem;
		font-size: 1rem;
	}
	ul {
		margin: 0 0 1rem;
		max-height: 45vh;
		overflow: auto;
	}
	.name {
		font-weight: 700;
		margin-right: 0.5rem;
		overflow-wrap: anywhere;
	}
	.running {
		display: flex;
		gap: 1rem;
		align-items: end;
		margin-bottom: 0.5rem;
	}
	.keys {
		display: flex;
		gap: 0.75rem;
		align-items: center;
	}
</style>
