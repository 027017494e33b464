<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import { ProgressBar } from 'carbon-components-svelte';
	import { profileOf, setpointWithUnit, type ControlProfile } from '$core/control';
	import { isUndrawn, takeWeek, wantedWeek, type Zone } from '$core/plan';
	import { sameWeek } from '$core/week';
	import { fitWords } from '$core/words';
	import { fitMany, type ManyFits, type Outcome } from '$lib/workers/fitMany';
	import Button from '../kit/Button.svelte';
	import Check from '../kit/Check.svelte';
	import Choice from '../kit/Choice.svelte';
	import Dialog from '../kit/Dialog.svelte';
	import type { ZoneInList } from './followers';
	import { together } from './together.svelte';

	let {
		zone,
		zoneId,
		siteId,
		zones,
		profiles,
		ontake,
		onclose
	}: {
		zone: Zone;
		zoneId: string;
		siteId: string;
		zones: readonly ZoneInList[];
		profiles: readonly ControlProfile[];
		ontake: (zone: Zone) => void;
		onclose: () => void;
	} = $props();

	const profileHere = (one: Zone) => profileOf(one, profiles);
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
			zone: takeWeek(one.document, zone, profileHere(one.document), profileHere(zone)),
			profile: profileHere(one.document)
		}));
		running = fitMany(pairs, (count) => (done = count));
		void running.outcomes.then((found) => {
			running = null;
			if (found) outcomes = Object.fromEntries(others.map((one, i) => [one.id, found[i]!]));
		});
		return () => running?.stop();
	});

	/** What is given: the id of one level, or nothing for the whole week. */
	let what = $state('');
	const level = $derived(zone.levels.find(({ id }) => id === what) ?? null);
	const said = (of: Zone, c: number) => setpointWithUnit(profileHere(of), of.options, c);

	/** How another zone's week stands to this one: what would be lost is said before anything is taken. */
	function standing(one: ZoneInList): 'undrawn' | 'same' | 'own' {
		if (isUndrawn(one.document, profileHere(one.document))) return 'undrawn';
		return sameWeek(wantedWeek(one.document), wantedWeek(zone)) ? 'same' : 'own';
	}
	const own = $derived(others.filter((one) => standing(one) === 'own'));
	/** The level of another zone that this one gives its setpoint to. */
	const sameLevel = (one: ZoneInList) =>
		(profileHere(one.document).temperature === null) === (profileHere(zone).temperature === null)
			? one.document.levels.find(({ id }) => id === what)
			: undefined;

	function words(one: ZoneInList): string {
		if (level) {
			const theirs = sameLevel(one);
			if (!theirs) return `has no ${level.name}`;
			const [from, to] = [said(one.document, theirs.setpointC), said(one.document, level.setpointC)];
			return from === to
				? `${level.name} is ${to} already`
				: `${theirs.name} ${from} becomes ${to}; its week stays`;
		}
		const outcome = outcomes[one.id];
		if (!outcome) return '';
		return `${outcome.grouping}, ${fitWords(outcome, profileHere(one.document).temperature === null)}, ${outcome.values} values`;
	}
	const takes = (one: ZoneInList) => level === null || sameLevel(one) !== undefined;
	const mark = (zones: readonly ZoneInList[]) =>
		(chosen = Object.fromEntries(zones.filter(takes).map((one) => [one.id, true])));

	async function give() {
		const changes = picked.filter(takes).map((one) => ({
			id: one.id,
			revision: one.revision,
			zone: level
				? {
						...one.document,
						levels: one.document.levels.map((theirs) =>
							theirs.id === level.id ? { ...theirs, setpointC: level.setpointC } : theirs
						)
					}
				: takeWeek(one.document, zone, profileHere(one.document), profileHere(zone))
		}));
		problem = await together.give(siteId, { id: zoneId, zone }, changes, () => zones);
		if (problem) return;
		const those = changes.length === 1 ? changes[0]!.zone.name : `${changes.length} zones`;
		const have = changes.length === 1 ? 'has' : 'have';
		given = `${those} ${have} ${level ? `${level.name} at ${said(zone, level.setpointC)}` : `the week of ${zone.name}`} now; one undo takes it back everywhere.`;
		chosen = {};
	}

	function take(id: string) {
		const from = others.find((one) => one.id === id);
		if (!from) return;
		ontake(takeWeek(zone, from.document, profileHere(zone), profileHere(from.document)));
		onclose();
	}
</script>

<Dialog heading="{zone.name} and the other zones" open large {onclose}>
	<Choice
		label="Copy the week of another zone here"
		value=""
		options={[
			{ value: '', text: 'choose a zone …' },
			...others.map((one) => ({ value: one.id, text: one.name }))
		]}
		onchange={take}
	/>
	<div class="what">
		<Choice
			label="Or give other zones"
			value={what}
			options={[
				{ value: '', text: 'this week, its levels and its preheat' },
				...zone.levels.map(({ id, name, setpointC }) => ({
					value: id,
					text: `only the temperature of ${name}, ${said(zone, setpointC)}`
				}))
			]}
			onchange={(id) => {
				what = id;
				chosen = {};
			}}
		/>
	</div>
	{#if running}
		<div class="running">
			<ProgressBar labelText="Fitting {others.length} zones" value={done} max={others.length} />
			<Button onclick={() => running?.stop()}>Stop</Button>
		</div>
	{/if}
	<ul>
		{#each others as one (one.id)}
			<li>
				<Check
					checked={chosen[one.id] ?? false}
					disabled={!takes(one)}
					onchange={(on) => (chosen = { ...chosen, [one.id]: on })}
				>
					<span class="name">{one.name}</span>
					{#if !level && standing(one) === 'own'}<span class="signal"
							>has a week of its own, which is replaced.</span
						>{/if}<span class="soft">{words(one)}</span>
				</Check>
			</li>
		{/each}
	</ul>
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	{#if given}<p role="status">{given}</p>{/if}
	<div class="keys">
		{#if level || own.length === 0}
			<Button onclick={() => mark(others)}>All</Button>
		{:else}
			<Button onclick={() => mark(others.filter((one) => standing(one) !== 'own'))}
				>All without a week of their own</Button
			>
		{/if}
		<Button kind="next" disabled={picked.length === 0} onclick={give}
			>Give it to {picked.length === 0
				? 'those marked'
				: picked.length === 1
					? picked[0]!.name
					: `${picked.length} zones`}</Button
		>
	</div>
</Dialog>

<style>
	.what {
		margin: 1.25rem 0 0.5rem;
	}
	ul {
		margin: 0 0 1rem;
		max-height: 45vh;
		overflow: auto;
	}
	.signal {
		margin-right: 0.5rem;
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
