<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { Button, Modal, ProgressBar } from 'carbon-components-svelte';
	import { findProfile, type ControlProfile } from '$core/control';
	import { takeWeek, type Zone } from '$core/plan';
	import { duration } from '$core/week';
	import { fitMany, type ManyFits, type Outcome } from '$lib/workers/fitMany';
	import { call } from '../call';

	/** A zone of the site's list, whole, as it stands at its revision. */
	interface ZoneInList {
		readonly id: string;
		readonly name: string;
		readonly revision: number;
		readonly document: Zone;
	}

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
		const off = outcome.coldMinutes + outcome.warmMinutes;
		return `${outcome.grouping}, ${off === 0 ? 'held exactly' : `${duration(off)} off`}, ${outcome.values} values`;
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
			given = `${changes.length === 1 ? changes[0]!.zone.name : `${changes.length} zones`} now ${changes.length === 1 ? 'lives' : 'live'} the week of ${zone.name}.`;
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
	<label class="take">
		<span>Live the same week here as</span>
		<select value="" onchange={(event) => take(event.currentTarget.value)}>
			<option value="">choose a zone …</option>
			{#each others as one (one.id)}<option value={one.id}>{one.name}</option>{/each}
		</select>
	</label>
	<h3>Give this week, its levels and its lead to</h3>
	{#if running}
		<div class="running">
			<ProgressBar labelText="Fitting {others.length} zones" value={done} max={others.length} />
			<button class="quiet" onclick={() => running?.stop()}>Stop</button>
		</div>
	{/if}
	<ul>
		{#each others as one (one.id)}
			<li>
				<label>
					<input type="checkbox" bind:checked={chosen[one.id]} />
					<span class="name">{one.name}</span>
					<span class="soft">{words(one)}</span>
				</label>
			</li>
		{/each}
	</ul>
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	{#if given}<p role="status">{given}</p>{/if}
	<div class="keys">
		<button class="quiet" onclick={() => (chosen = Object.fromEntries(others.map((one) => [one.id, true])))}
			>All</button
		>
		<Button disabled={picked.length === 0} on:click={give}
			>Give it to {picked.length === 0
				? 'those marked'
				: picked.length === 1
					? picked[0]!.name
					: `${picked.length} zones`}</Button
		>
	</div>
</Modal>

<style>
	.take {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem;
		align-items: center;
	}
	select {
		min-width: 12rem;
	}
	h3 {
		margin: 1.25rem 0 0.25rem;
		font-size: 1rem;
	}
	ul {
		margin: 0 0 1rem;
		padding: 0;
		list-style: none;
		max-height: 45vh;
		overflow: auto;
	}
	li label {
		display: grid;
		grid-template-columns: 1.75rem minmax(8rem, 14rem) 1fr;
		gap: 0.5rem;
		align-items: center;
		min-height: 44px;
		border-bottom: 1px solid var(--rule);
		cursor: pointer;
	}
	.name {
		font-weight: 700;
		overflow-wrap: anywhere;
	}
	input {
		width: 1.2rem;
		height: 1.2rem;
		accent-color: var(--ink);
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
	@media (max-width: 600px) {
		li label {
			grid-template-columns: 1.75rem 1fr;
			padding: 0.3rem 0;
		}
		li .soft {
			grid-column: 2;
		}
	}
</style>
