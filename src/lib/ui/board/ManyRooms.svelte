<script lang="ts">
	import type { ControlProfile } from '$core/control';
	import { dwellingsOf, type Occupant } from '$core/plan';
	import { counted } from '$core/schema';
	import { dwellingsSaid, roomsSaid } from '$core/words';
	import Button from '../kit/Button.svelte';
	import Choice from '../kit/Choice.svelte';
	import Dialog from '../kit/Dialog.svelte';
	import Field from '../kit/Field.svelte';
	import Problem from '../kit/Problem.svelte';
	import { refresh } from '../refresh';
	import { addZones, dwellingsAsZones, otherChannels, roomsAsZones } from './addZone';
	import type { ListedZone } from './freeChannels';

	let {
		siteId,
		livesHere,
		profiles,
		zones,
		type = '',
		onclose
	}: {
		siteId: string;
		livesHere: readonly Occupant[];
		profiles: readonly ControlProfile[];
		/** The zones that are there: more dwellings can be as one of them is. */
		zones: readonly ListedZone[];
		/** The type of which more dwellings are wanted; empty where it is not said yet. */
		type?: string;
		onclose: () => void;
	} = $props();

	const DWELLINGS = 'Flat A × 20, named 1–20';

	let text = $state('');
	let problem = $state<string | null>(null);
	let busy = $state(false);
	/** What was chosen for a room by its name, over what its words mean. */
	let chosen = $state.raw<Readonly<Record<string, string>>>({});
	const rooms = $derived(
		roomsSaid(text, profiles).map((room) => ({
			...room,
			control: chosen[room.name] ?? room.controls[0] ?? ''
		}))
	);
	const open = $derived(rooms.filter(({ control }) => control === '').length);

	// svelte-ignore state_referenced_locally
	let line = $state(type === '' ? '' : `${type} × `);
	const dwellings = $derived(dwellingsSaid(line, dwellingsOf(zones.map(({ document }) => document))));
	/** The first dwelling there of the type that is said: without rooms of their own the others are as it is. */
	const model = $derived(
		zones.find(({ document }) => document.type !== '' && document.type === dwellings.type)?.document
			.dwelling ?? null
	);
	const asModel = $derived(
		rooms.length > 0 || model === null ? [] : zones.filter(({ document }) => document.dwelling === model)
	);
	const isMany = $derived(line.trim() !== '');
	const profileOf = (id: string) => profiles.find((one) => one.id === id)!;
	/** The zones of one dwelling: those of its rooms with their controls' other channels, or as the other one has them. */
	const each = $derived(
		asModel.length +
			rooms.reduce(
				(sum, { control }) => sum + 1 + (control ? otherChannels(profileOf(control)).length : 0),
				0
			)
	);
	const toAdd = $derived.by(() => {
		if (open > 0 || (isMany && dwellings.problem !== null)) return [];
		if (asModel.length > 0 && isMany) return dwellingsAsZones(asModel, dwellings.names, dwellings.type);
		const said = rooms.map(({ name, control }) => ({ name, profile: profileOf(control), others: true }));
		return (isMany ? dwellings.names : ['']).flatMap((name, i) =>
			roomsAsZones(said, livesHere, name, isMany ? dwellings.type : '').map((one) => ({
				...one,
				hangsOn: one.hangsOn + i * said.length
			}))
		);
	});

	async function add(event: SubmitEvent) {
		event.preventDefault();
		busy = true;
		problem = (await addZones(siteId, toAdd)).refused;
		busy = false;
		await refresh('fq:site');
		if (problem === null) onclose();
	}
</script>

<Dialog
	heading="Several rooms"
	focus={type === '' ? 'input' : `input[placeholder="${DWELLINGS}"]`}
	large
	open
	{onclose}
>
	<form onsubmit={add}>
		<Field
			label="Rooms, each with its control"
			placeholder="Lounge six-step; Bed 1, Bed 2, Bed 3 hour-strip"
			autocomplete="off"
			help="A comma between rooms with like controls, a semicolon before the next kind."
			bind:value={text}
		/>
		<Field
			label="Dwellings, where many are alike"
			placeholder={DWELLINGS}
			autocomplete="off"
			help="Each gets these rooms. Rooms called alike in dwellings of one type are planned together."
			problem={line.trim() === '' ? null : dwellings.problem}
			bind:value={line}
		/>
		<ul aria-label="What was understood">
			{#each rooms as room, i (i)}
				<li>
					<span class="name">{room.name}</span>
					<Choice
						label="Control of {room.name}"
						hideLabel
						value={room.control}
						options={[
							...(room.control === '' ? [{ value: '', text: 'Which control?' }] : []),
							...profiles.map(({ id, name }) => ({ value: id, text: name }))
						]}
						onchange={(id) => (chosen = { ...chosen, [room.name]: id })}
					/>
					{#if room.control !== ''}
						{@const also = otherChannels(profiles.find(({ id }) => id === room.control)!)}
						{#if also.length > 0}<span class="soft">and {also.join(', ')}</span>{/if}
					{/if}
				</li>
			{/each}
		</ul>
		{#if dwellings.names.length > 0}
			<p role="status">
				{dwellings.names[0]}{dwellings.names.length > 1 ? ` to ${dwellings.names.at(-1)}` : ''}:
				{#if each > 0}
					{counted(dwellings.names.length, 'dwelling')} with {counted(each, 'zone')} each{asModel.length > 0
						? `, planned as ${model}`
						: ''}.
				{:else}
					write their rooms above.
				{/if}
			</p>
		{/if}
		<Problem sentence={problem} onclose={() => (problem = null)} />
		<Button kind="next" type="submit" disabled={busy || toAdd.length === 0}>
			{busy ? 'Adding …' : `Add ${counted(each * (isMany ? dwellings.names.length : 1), 'zone')}`}
		</Button>
	</form>
</Dialog>

<style>
	form {
		display: grid;
		gap: 0.9rem;
		justify-items: start;
	}
	form > :global(.bx--form-item),
	ul {
		width: 100%;
	}
	ul {
		min-height: 12rem;
	}
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 0.25rem 1rem;
		align-items: center;
		padding: 0.25rem 0;
		border-bottom: 1px solid var(--rule);
	}
	.name {
		flex: 0 1 14rem;
		min-width: 0;
		font-weight: 700;
		overflow-wrap: anywhere;
	}
	li :global(.bx--form-item) {
		flex: 0 1 18rem;
	}
</style>
