<script lang="ts">
	import { goto } from '$app/navigation';
	import type { ControlProfile } from '$core/control';
	import type { Occupant } from '$core/plan';
	import Button from '../kit/Button.svelte';
	import Check from '../kit/Check.svelte';
	import Choice from '../kit/Choice.svelte';
	import Field from '../kit/Field.svelte';
	import Problem from '../kit/Problem.svelte';
	import { refresh } from '../refresh';
	import { addBeside, addZones, otherChannels, roomsAsZones } from './addZone';
	import { freeChannels, type ListedZone } from './freeChannels';

	let {
		siteId,
		livesHere,
		profiles,
		zones,
		dwelling = null,
		first
	}: {
		siteId: string;
		/** Who lives or works there: for the frail no level is proposed that is too low. */
		livesHere: readonly Occupant[];
		profiles: readonly ControlProfile[];
		/** The zones that are there, for their controls. */
		zones: readonly ListedZone[];
		/** The dwelling that it becomes a room of; null for the house itself. */
		dwelling?: { readonly dwelling: string; readonly type: string } | null;
		/** Whether the site has no zone yet: then this is the next act. */
		first: boolean;
	} = $props();

	let name = $state('');
	let chosen = $state('six-step-room-stat');
	let problem = $state<string | null>(null);
	let busy = $state(false);
	/** What is free on the controls that are there already comes first: it is most likely meant. */
	const free = $derived(freeChannels(zones, profiles));
	const beside = $derived(free.find((one) => one.value === chosen) ?? null);
	const profile = $derived(
		beside?.profile ?? profiles.find((candidate) => candidate.id === chosen) ?? profiles[0]!
	);

	/** The other channels of a control that is added anew. */
	const others = $derived(beside ? [] : otherChannels(profile));
	let wanted = $state(true);
	let several = $state(false);

	async function add(event: SubmitEvent) {
		event.preventDefault();
		busy = true;
		const {
			ids: [id],
			refused
		} = beside
			? await addBeside(siteId, livesHere, name, beside)
			: await addZones(
					siteId,
					roomsAsZones([{ name, profile, others: wanted }], livesHere, dwelling?.dwelling, dwelling?.type)
				);
		busy = false;
		problem = refused;
		await refresh('fq:site');
		if (id === undefined) return;
		name = '';
		await goto(`/sites/${siteId}/zones/${id}/week`);
	}
</script>

<form onsubmit={add}>
	<Field
		label="New zone"
		placeholder="Room, cylinder or radiator"
		maxlength={80}
		required
		bind:value={name}
	/>
	<Choice
		label="Its control"
		value={chosen}
		options={[
			...free.map(({ value, text }) => ({ value, text })),
			...profiles.map((one) => ({ value: one.id, text: one.name }))
		]}
		onchange={(id) => (chosen = id)}
	/>
	<Button kind={first ? 'next' : 'plain'} type="submit" disabled={busy || name.trim() === ''}>Add zone</Button
	>
	<Button onclick={() => (several = true)}>Several rooms</Button>
</form>
{#if others.length > 0}
	<Check checked={wanted} onchange={(on) => (wanted = on)}>
		And its {others.join(' and ')}, as {others.length === 1 ? 'a zone' : 'zones'} on the same control
	</Check>
{/if}
<p class="soft">
	{beside ? 'On the same control: one card, one clock, one day grouping for both.' : profile.summary}
</p>
<Problem sentence={problem} onclose={() => (problem = null)} />
{#if several}
	{#await import('./ManyRooms.svelte') then { default: ManyRooms }}
		<ManyRooms {siteId} {livesHere} {profiles} {zones} onclose={() => (several = false)} />
	{/await}
{/if}

<style>
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: end;
		margin-top: 1rem;
	}
	form :global(.bx--form-item) {
		flex: 0 1 18rem;
	}
	p {
		max-width: 48rem;
		margin-top: 0.4rem;
	}
	@media (max-width: 700px) {
		form :global(.bx--form-item) {
			flex: 1 1 100%;
		}
	}
</style>
