<script lang="ts">
	import type { ControlProfile } from '$core/control';
	import type { Occupant } from '$core/plan';
	import { roomsSaid } from '$core/words';
	import Button from '../kit/Button.svelte';
	import Choice from '../kit/Choice.svelte';
	import Dialog from '../kit/Dialog.svelte';
	import Field from '../kit/Field.svelte';
	import Problem from '../kit/Problem.svelte';
	import { refresh } from '../refresh';
	import { addZone, otherChannels } from './addZone';

	let {
		siteId,
		livesHere,
		profiles,
		onclose
	}: {
		siteId: string;
		livesHere: readonly Occupant[];
		profiles: readonly ControlProfile[];
		onclose: () => void;
	} = $props();

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

	async function add(event: SubmitEvent) {
		event.preventDefault();
		busy = true;
		problem = null;
		for (const [i, { name, control }] of rooms.entries()) {
			const profile = profiles.find(({ id }) => id === control)!;
			const { id, refused } = await addZone(siteId, livesHere, { name, profile, others: true });
			problem = refused;
			if (refused !== null) {
				// those that are in are not added twice
				text = rooms
					.slice(id === null ? i : i + 1)
					.map((room) => `${room.name} ${room.said}`)
					.join('; ');
				break;
			}
		}
		busy = false;
		await refresh('fq:site');
		if (problem === null) onclose();
	}
</script>

<Dialog heading="Several rooms" focus="input" large open {onclose}>
	<form onsubmit={add}>
		<Field
			label="Rooms, each with its control"
			placeholder="Lounge six-step; Bed 1, Bed 2, Bed 3 hour-strip"
			autocomplete="off"
			help="A comma between rooms with like controls, a semicolon before the next kind."
			bind:value={text}
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
		<Problem sentence={problem} onclose={() => (problem = null)} />
		<Button kind="next" type="submit" disabled={busy || rooms.length === 0 || open > 0}>
			{rooms.length === 1 ? 'Add 1 zone' : `Add ${rooms.length} zones`}
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
