<script lang="ts">
	import type { ControlProfile } from '$core/control';
	import {
		allToRead,
		cardOf,
		isRead,
		leftToKey,
		machineOptions,
		noNotes,
		noteOfReading,
		notesAt,
		pagingKeys,
		readDisplayed,
		readingsOf,
		replayed,
		satisfies,
		withNote,
		wordsThere,
		type ReadBackGroup,
		type ToHold
	} from '$core/keying';
	import { CANNOT_SHOW, leftWords, readFirstWords } from '$core/words';
	import Button from '../kit/Button.svelte';
	import type { ControlNotes } from './controlNotes.svelte';
	import { ownPace } from './pace.svelte';
	import Paging from './Paging.svelte';
	import ReadDay from './ReadDay.svelte';
	import { zoneModel } from '../zone/zoneModel.svelte';
	import { programOf } from '$core/machine';
	import { withWeekRead } from '$core/plan';

	let {
		profile,
		hold,
		notes,
		ondone
	}: {
		profile: ControlProfile;
		/** What the control is to hold. */
		hold: ToHold;
		notes: ControlNotes;
		/** What differs is to be keyed. */
		ondone: () => void;
	} = $props();

	const noted = $derived(notesAt(profile, notes.notes));
	const options = $derived(machineOptions(profile, hold.channels[0]!.options, hold.grouping));
	const replay = $derived(replayed(profile, noted, options));
	const all = $derived(allToRead(profile, hold));
	const readings = $derived(readingsOf(profile, all, replay));
	/** Settings that stand otherwise take the week along, or make it another: then it is no use to read it. */
	const settings = $derived(all[0]!.section === 'Settings' ? all[0]! : null);
	const isOther = $derived(
		settings !== null &&
			isSeen(settings) &&
			settings.fields.some(
				({ goal }) => goal.of === 'option' && goal.id !== 'clock' && !satisfies(profile, replay.known, goal)
			)
	);
	const groups = $derived(isOther ? [all[0]!] : all);
	let at = $state(0);
	const group = $derived(groups[at]);
	const keys = $derived(group ? pagingKeys(profile, replay.known, group) : []);

	/** Why what was typed in a field was not taken, by field; it stays there to be mended. */
	let refused = $state<Record<string, { text: string; sentence: string }>>({});

	/** Whether every value of a group was looked at. */
	function isSeen({ fields }: ReadBackGroup): boolean {
		return fields.every(({ id }) => readings[id] !== undefined);
	}

	type Field = ReadBackGroup['fields'][number];
	/** Nothing is asked for while it is read: nobody begins with a value. */
	const next: [] = [];
	function note(field: Field, value: string | null) {
		const made = noteOfReading(profile, replay.known.memory.options, field, value);
		if (made) notes.note({ ...made, next });
		return made !== null;
	}
	function read(field: Field, text: string) {
		delete refused[field.id];
		if (text.trim() === '') {
			note(field, null);
			return;
		}
		const seen = readDisplayed(field, text, hold.channels[0]!.options, wordsThere(groups, field));
		if ('sentence' in seen) refused[field.id] = { text, sentence: seen.sentence };
		else if (!note(field, seen.value)) refused[field.id] = { text, sentence: CANNOT_SHOW };
	}
	/** What was not typed shows as it stands here. */
	function tick(one: ReadBackGroup) {
		const goals = one.fields.filter(({ id }) => readings[id] === undefined).map(({ goal }) => goal);
		if (goals.length > 0) notes.note({ what: 'read', goals, next });
		at++;
	}

	/** What keying takes from here, and what it would have taken without having read. */
	const turn = $derived(leftToKey(profile, cardOf(profile, hold, noted), noted));
	const blind = $derived.by(() => {
		const unread = withNote(profile, noNotes(profile), { what: 'found', found: 'in-use' });
		return leftToKey(profile, cardOf(profile, hold, unread), unread);
	});
	const left = $derived(leftWords({ left: turn.steps.length, presses: turn.presses }, ownPace.now));

	const model = zoneModel();
	/** The week that was read, as the zone's own; null where it cannot be. */
	const kept = $derived.by(() => {
		if (isOther || hold.channels.length > 1 || !groups.every((one) => isSeen(one))) return null;
		const program = programOf(profile, replay.known.memory);
		return program && withWeekRead(model.zone, profile, program);
	});
	const alike = $derived(groups.every((one) => isRead(profile, one, replay)));
</script>

<div class="read">
	{#if group}
		<h2>Read it first: {group.section}</h2>
		<p class="soft">{at + 1} of {groups.length}. Type over what its display shows differently.</p>
		<Paging {profile} {group} {keys} />
		<ReadDay
			{group}
			like={null}
			{readings}
			isRead={isRead(profile, group, replay)}
			{refused}
			ontick={() => tick(group)}
			onread={read}
		/>
		<div class="acts">
			<Button disabled={at === 0} onclick={() => at--}>Back</Button>
			<Button kind="next" class="go" onclick={() => tick(group)}>
				{isSeen(group) ? 'Next' : 'Shows this'}
			</Button>
		</div>
	{:else}
		<h2>{readFirstWords(turn.steps.length, isOther)}</h2>
		{#if turn.steps.length > 0}
			<p class="left">{left}</p>
			<p>
				{turn.presses} presses. Keying everything: {blind.steps.length} values, {blind.presses} presses.
			</p>
		{/if}
		<div class="acts">
			<Button onclick={() => (at = groups.length - 1)}>Back</Button>
			{#if kept && !alike}
				<Button onclick={() => kept && model.change(kept)}>Keep this week</Button>
			{/if}
			<Button kind="next" class="go" onclick={ondone}>
				{turn.steps.length === 0 ? 'Done' : 'Key what differs'}
			</Button>
		</div>
		{#if kept && !alike}
			<p class="soft">Keep this week: what was read becomes the wanted week. Undo takes it back.</p>
		{/if}
	{/if}
</div>

<style>
	.read {
		flex: 1;
		padding: 1.2rem var(--edge);
		overflow: auto;
	}
	h2 {
		font-size: 1.75rem;
	}
	.left {
		margin: 0.5rem 0;
		font-family: var(--display);
		font-size: 2rem;
		font-weight: 600;
	}
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		margin: 1rem 0;
	}
	.acts :global(.kit-button) {
		min-height: 64px;
		font-size: 1.2rem;
	}
	.acts :global(.go) {
		flex: 1 1 12rem;
	}
</style>
