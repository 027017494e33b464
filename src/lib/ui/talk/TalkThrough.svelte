<!-- Somebody at a control far away is told what to press, one step at a time: read aloud beside a call. -->
<script lang="ts">
	import { untrack } from 'svelte';
	import {
		allowedOptions,
		displayTime,
		fromUnit,
		inUnit,
		roundToStep,
		setpointWithUnit
	} from '$core/control';
	import { localTime, wallAt } from '$core/civil';
	import {
		beginTalk,
		noNotes,
		notesAt,
		otherwise,
		seenIt,
		seenOther,
		talkAsks,
		type Notes,
		type Otherwise,
		type ShortTask,
		type Talk
	} from '$core/keying';
	import { keptSetpoints, type Operable } from '$core/machine';
	import type { Zone } from '$core/plan';
	import { planAbsence } from '$core/run';
	import { spokenName } from '$core/schema';
	import {
		displaySaid,
		FRONT_KEYS_ONLY,
		moveSaid,
		seenSaid,
		talkDone,
		talkLeft,
		TASK_WORDS
	} from '$core/words';
	import Face from '../keyin/Face.svelte';
	import Button from '../kit/Button.svelte';
	import Choice from '../kit/Choice.svelte';
	import Headline from '../kit/Headline.svelte';
	import MomentField from '../kit/MomentField.svelte';
	import NumberField from '../kit/NumberField.svelte';

	let {
		name,
		zone,
		profile,
		notes,
		timeZone,
		nowMs
	}: {
		name: string;
		zone: Zone;
		profile: Operable;
		notes: Notes | null;
		timeZone: string;
		nowMs: number;
	} = $props();

	const options = $derived(allowedOptions(profile, zone.options));
	/** The server's clock counts; this browser's only tells how much has passed. */
	let passedMs = $state(0);
	$effect(() => {
		const since = performance.now();
		const every = setInterval(() => (passedMs = performance.now() - since), 1000);
		return () => clearInterval(every);
	});
	const wall = $derived(Math.floor(wallAt(timeZone, nowMs + passedMs)));
	const warmest = $derived([...zone.levels].sort((a, b) => b.setpointC - a.setpointC));

	let degreesC = $state(untrack(() => Math.max(...zone.levels.map(({ setpointC }) => setpointC))));
	let index = $state(0);
	let back = $state(untrack(() => `${localTime(wallAt(timeZone, nowMs) + 7 * 1440).slice(0, 11)}17:00`));
	/** A temperature as it is typed here: in °F whole. */
	const typed = (c: number) => roundToStep(inUnit(options.unit, c), options.unit === 'F' ? 1 : 0.1);

	const away = $derived({ leave: localTime(wall), back, setpointC: warmest.at(-1)!.setpointC });
	const taskOf = (kind: ShortTask['kind']): ShortTask => {
		switch (kind) {
			case 'warmer':
				return { kind, setpointC: degreesC };
			case 'level':
				return { kind, index, setpointC: degreesC };
			case 'away':
				return { kind, absence: { ...away, ...planAbsence(profile, away) } };
			default:
				return { kind };
		}
	};
	const noted = $derived(notes ? notesAt(profile, notes) : noNotes(profile));
	/** null where the control has nothing of the kind, or its panel does not say how. */
	const talkFor = (kind: ShortTask['kind']) =>
		beginTalk(profile, options, noted, talkAsks(profile, options, taskOf(kind), wall));
	const kinds = $derived(
		(Object.keys(TASK_WORDS) as ShortTask['kind'][]).filter((kind) => talkFor(kind) !== null)
	);
	let kind = $state<ShortTask['kind'] | null>(null);
	let talk = $state.raw<Talk | null>(null);
	const needsMore = $derived(kind === 'warmer' || kind === 'level' || kind === 'away');

	function begin() {
		talk = kind && talkFor(kind);
	}
	function choose(next: ShortTask['kind']) {
		kind = next;
		talk = null;
		if (!needsMore) begin();
	}
	/** The clock goes on while it is set: what is asked for is the time now. */
	const asks = $derived(kind === 'clock' && talk ? talkAsks(profile, options, { kind }, wall) : talk?.asks);
	const move = $derived(talk?.moves[0]);
	const shows = $derived((move && asks?.[move.ask]?.shows) ?? '');
	const next = $derived.by(() => {
		const first = move?.strokes[0];
		return first?.do === 'turn' ? { do: 'press' as const, key: first.up, times: 1 } : first;
	});
	const others = $derived(talk ? otherwise(talk) : []);
	let asked = $state(false);

	function go(next: Talk) {
		asked = false;
		talk = next;
		requestAnimationFrame(() => instruction?.focus({ preventScroll: true }));
	}
	const other = (one: Otherwise | null) => talk && go(seenOther(talk, one));
	let instruction = $state<HTMLElement>();
	const time = $derived(displayTime(((wall % 1440) + 1440) % 1440, options.clock));
</script>

<main>
	<Headline of="{name}, talk through">
		{#if kind === null}
			What is to be done at the control?
		{:else if talk && !move}
			{TASK_WORDS[kind]}: done. {talkDone(kind, time)}
		{:else}
			{TASK_WORDS[kind]}{talk ? `: ${talkLeft(talk)}` : ''}
		{/if}
	</Headline>

	{#if talk && move}
		<p class="soft">{FRONT_KEYS_ONLY}</p>
		<div class="step">
			<div>
				<p class="say" tabindex="-1" bind:this={instruction}>{moveSaid(profile.panel, move, shows)}</p>
				<p class="see">Then it shows <strong>{seenSaid(move, shows)}</strong>.</p>
			</div>
			<Face
				panel={profile.panel}
				display={move.sees && { ...move.sees, shows: move.reads?.of === 'value' ? shows : move.sees.shows }}
				{next}
			/>
		</div>
		<div class="does">
			<Button kind="next" onclick={() => talk && go(seenIt(talk))}>It shows this</Button>
			{#if !asked}<Button onclick={() => (asked = true)}>It shows something else</Button>{/if}
		</div>
		{#if asked}
			<div class="others" role="group" aria-label="What it shows instead">
				<p>What does it show?</p>
				{#each others as one, i (i)}
					<Button onclick={() => other(one)}>{displaySaid(one.sees)}</Button>
				{/each}
				<Button onclick={() => other(null)}>none of these</Button>
			</div>
		{/if}
	{:else if kind !== null && !talk && needsMore}
		<div class="does">
			{#if kind === 'away'}
				<MomentField label="Back" value={back} onchange={(next) => (back = next)} />
			{:else}
				{#if kind === 'level'}
					<Choice
						label="Which"
						value={String(index)}
						options={keptSetpoints(profile).map((one, i) => ({ value: String(i), text: spokenName(one) }))}
						onchange={(next) => (index = Number(next))}
					/>
				{/if}
				<NumberField
					label="Temperature"
					unit={`°${options.unit}`}
					value={typed(degreesC)}
					least={typed(profile.temperature?.minC ?? 5)}
					most={typed(profile.temperature?.maxC ?? 35)}
					onchange={(next) => next !== null && (degreesC = fromUnit(options.unit, next))}
				/>
			{/if}
			<Button kind="next" onclick={begin}
				>Begin{kind === 'away' ? '' : `: ${setpointWithUnit(profile, options, degreesC)}`}</Button
			>
		</div>
	{/if}

	<div class="tasks" role="group" aria-label="What is to be done">
		{#each kinds as one (one)}
			{#if one !== kind || talk === null || !move}
				<Button aria-pressed={one === kind} onclick={() => choose(one)}>{TASK_WORDS[one]}</Button>
			{/if}
		{/each}
	</div>
	{#if kinds.length === 0}<p>This control has nothing that is done at its keys in a few steps.</p>{/if}
</main>

<style>
	.step {
		display: flex;
		flex-wrap: wrap;
		gap: 1.5rem;
		align-items: flex-start;
		max-width: 48rem;
		margin: 0.5rem 0 1rem;
		padding: 1rem;
		border: 2px solid var(--ink);
		border-radius: 6px;
	}
	.step > div {
		flex: 1 1 20rem;
	}
	.say {
		font-family: var(--display);
		font-size: 1.75rem;
		font-weight: 600;
		line-height: 1.3;
	}
	.see {
		margin-top: 0.5rem;
		font-size: 1.25rem;
	}
	.does,
	.others,
	.tasks {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: end;
		margin: 0.75rem 0;
	}
	.others p {
		flex-basis: 100%;
	}
	.tasks {
		margin-top: 2rem;
	}
	@media (max-width: 860px) {
		.does :global(.kit-button),
		.others :global(.kit-button),
		.tasks :global(.kit-button) {
			flex: 1 1 100%;
		}
	}
</style>
