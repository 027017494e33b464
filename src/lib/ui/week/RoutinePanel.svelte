<script lang="ts">
	import { setpointWithUnit, type ControlProfile } from '$core/control';
	import { problemOf, readSpans, writeSpans } from '$core/formats';
	import {
		isOneLevel,
		followsRoutine,
		heatsStore,
		levelOf,
		levelsForUse,
		roomUse,
		routineFromTemplate,
		routineOfWeek,
		routineSchema,
		routineTemplates,
		templatesFor,
		unitOf,
		wantedWeek,
		withRoutine,
		type DayType,
		type Routine,
		type Zone
	} from '$core/plan';
	import { DAY_NAMES, DAY_SHORT } from '$core/week';
	import DayBar from './DayBar.svelte';
	import Button from '../kit/Button.svelte';
	import Choice from '../kit/Choice.svelte';
	import Field from '../kit/Field.svelte';
	import UsedAs from '../zone/UsedAs.svelte';

	let { zone, profile, onchange }: { zone: Zone; profile: ControlProfile; onchange: (zone: Zone) => void } =
		$props();

	const unit = $derived(unitOf(zone, profile));
	let problem = $state<string | null>(null);
	/** What was typed in a line and could not be taken, by day type: it stays to be mended. */
	let refused = $state<Record<string, string>>({});

	/** A store of hot water is no room: it has neither its uses nor its hours. */
	const water = $derived(heatsStore(profile, zone));
	const routine = $derived(zone.routine);
	const follows = $derived(followsRoutine(zone));
	const use = $derived(roomUse(zone.use));
	const suggested = $derived(use ? levelsForUse(zone.levels, use) : zone.levels);
	const suggests = $derived(
		suggested.some((level, i) => level.setpointC !== zone.levels[i]!.setpointC) &&
			profile.temperature !== null
	);
	const ranked = $derived([...zone.levels].sort((a, b) => b.setpointC - a.setpointC));

	/** Takes a routine if it is sound; says what is wrong with it otherwise. */
	function take(next: Routine): boolean {
		const read = routineSchema.safeParse(next);
		if (!read.success) {
			problem = problemOf(read.error).sentence.replace(/^Day type \d+[^(]* \(([^)]*)\)/, '$1:');
			return false;
		}
		problem = null;
		onchange(withRoutine(zone, read.data));
		return true;
	}

	function changeType(id: string, patch: Partial<DayType>): boolean {
		return take({
			...routine!,
			dayTypes: routine!.dayTypes.map((type) => (type.id === id ? { ...type, ...patch } : type))
		});
	}

	function spans(type: DayType, text: string) {
		const read = readSpans(text, zone.levels);
		const taken = read.ok && changeType(type.id, { spans: read.value });
		if (!read.ok) problem = `${type.name}: ${read.problem.sentence}`;
		const { [type.id]: _, ...others } = refused;
		refused = taken ? others : { ...others, [type.id]: text };
	}

	function rename(type: DayType, name: string) {
		if (name.trim() !== '') changeType(type.id, { name: name.trim() });
		else problem = `${type.name}: a kind of day needs a name.`;
	}

	function assign(day: number, id: string) {
		take({ ...routine!, week: routine!.week.map((of, i) => (i === day ? id : of)) });
	}

	function addType() {
		let n = 1;
		while (routine!.dayTypes.some((type) => type.id === `day-${n}`)) n++;
		const like = routine!.dayTypes.at(-1)!;
		take({
			...routine!,
			dayTypes: [...routine!.dayTypes, { ...like, id: `day-${n}`, name: `Kind of day ${n}` }]
		});
	}

	function removeType(id: string) {
		const rest = routine!.dayTypes.filter((type) => type.id !== id);
		take({ dayTypes: rest, week: routine!.week.map((of) => (of === id ? rest[0]!.id : of)) });
	}

	function fromTemplate(id: string) {
		const template = routineTemplates.find((one) => one.id === id);
		if (template) take(routineFromTemplate(template, zone.levels));
	}
</script>

<section aria-label="The routine behind the week">
	<div class="tools">
		{#if !water}
			<UsedAs {zone} {onchange} />
		{/if}
		<Choice
			label="Start from"
			value=""
			options={[
				{ value: '', text: water ? 'when they need hot water …' : 'how they live here …' },
				...templatesFor(water).map((one) => ({ value: one.id, text: `${one.name}: ${one.words}` }))
			]}
			onchange={fromTemplate}
		/>
		{#if !routine && !isOneLevel(zone)}
			<Button onclick={() => take(routineOfWeek(wantedWeek(zone), (id) => levelOf(zone, id).setpointC))}
				>From the drawn week</Button
			>
		{/if}
	</div>
	{#if use && profile.temperature !== null}
		<p class="advice">
			{#if suggests}
				Usual here: {ranked
					.map((level) => suggested[zone.levels.indexOf(level)]!)
					.filter((level, i) => level.setpointC !== ranked[i]!.setpointC)
					.map((level) => `${level.name} ${setpointWithUnit(profile, zone.options, level.setpointC)}`)
					.join(', ')}.
				<Button small onclick={() => onchange({ ...zone, levels: suggested })}>Take these</Button>
			{:else}
				The levels are those usual here.
			{/if}
			<span class="soft">{use.source(unit)}{use.care(unit) ? `. ${use.care(unit)}` : '.'}</span>
		</p>
	{/if}

	{#if routine && !follows}
		<div class="parted" role="status">
			<p>
				<strong>The drawn week no longer follows this routine.</strong> Both are kept until you choose.
			</p>
			<Button onclick={() => take(routine)}>Draw the week from the routine</Button>
			<Button onclick={() => take(routineOfWeek(wantedWeek(zone), (id) => levelOf(zone, id).setpointC))}
				>Take the routine from the week</Button
			>
		</div>
	{/if}

	{#if routine}
		<div class="types">
			{#each routine.dayTypes as type (type.id)}
				<div class="type">
					<Field
						label="Name of the kind of day {type.name}"
						hideLabel
						maxlength={80}
						value={type.name}
						onchange={(name) => rename(type, name)}
					/>
					<div class="days" role="group" aria-label="Days that are {type.name}">
						{#each DAY_SHORT as short, day (short)}
							<Button
								aria-pressed={routine.week[day] === type.id}
								aria-label="{DAY_NAMES[day]} is {type.name}"
								onclick={() => assign(day, type.id)}>{short.slice(0, 2)}</Button
							>
						{/each}
					</div>
					<div class="rest">
						<Choice
							label="Otherwise on {type.name}"
							hideLabel
							value={type.otherwise ?? ''}
							options={[
								...ranked.map((level) => ({
									value: level.id,
									text: `otherwise ${level.letter} ${level.name}`
								})),
								{ value: '', text: 'otherwise nothing: the spans fill the day' }
							]}
							onchange={(id) => changeType(type.id, { otherwise: id || null })}
						/>
					</div>
					{#if routine.dayTypes.length > 1}
						<Button small aria-label="Remove {type.name}" onclick={() => removeType(type.id)}>Remove</Button>
					{/if}
					<span class="bar"><DayBar {type} levels={zone.levels} /></span>
					<div class="spans">
						<Field
							label="Spans of {type.name}"
							hideLabel
							spellcheck="false"
							placeholder="06:30–08:20 {ranked[0]!.letter}, 17:00–22:30 {ranked[0]!.letter}"
							value={refused[type.id] ?? writeSpans(type.spans, zone.levels)}
							problem={refused[type.id] === undefined ? null : (problem ?? 'This cannot be read yet.')}
							onchange={(text) => spans(type, text)}
						/>
					</div>
				</div>
			{/each}
		</div>
		{#if problem && Object.keys(refused).length === 0}<p class="signal" role="alert">{problem}</p>{/if}
		<div class="tools">
			{#if routine.dayTypes.length < 7}<Button onclick={addType}>Another kind of day</Button>{/if}
			<Button
				onclick={() => {
					problem = null;
					onchange({ ...zone, routine: null });
				}}>Remove the routine, keep the week</Button
			>
			<p class="soft">
				Times run past midnight where the end comes first: 22:30–06:30. Where two nights meet, the warmer
				rules.
			</p>
		</div>
	{/if}
</section>

<style>
	section {
		margin: 0.5rem 0 0.9rem;
		padding: 0.6rem 0.75rem;
		background: var(--sheet);
		border: 1px solid var(--rule);
	}
	.tools {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1.1rem;
		align-items: center;
	}
	.tools :global(.bx--form-item) {
		flex: 0 1 20rem;
	}
	.advice {
		margin: 0.5rem 0 0;
	}
	.parted {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 0.75rem;
		align-items: center;
		margin: 0.6rem 0;
		padding-left: 0.6rem;
		border-left: 4px solid var(--signal);
	}
	.types {
		margin: 0.5rem 0;
	}
	.type {
		display: grid;
		grid-template-columns: minmax(8rem, 12rem) auto minmax(12rem, 1fr) auto;
		gap: 0.5rem 0.75rem;
		align-items: center;
		padding: 0.35rem 0;
		border-top: 1px solid var(--rule);
	}
	.spans {
		grid-column: 2 / -1;
	}
	.spans :global(input) {
		font-family: var(--mono);
	}
	.bar {
		grid-column: 1;
	}
	.days {
		display: flex;
		gap: 2px;
	}
	.days :global(.kit-button) {
		min-width: 40px;
		padding: 0;
	}
	@media (max-width: 860px) {
		.type {
			grid-template-columns: 1fr auto;
		}
		.days,
		.rest,
		.spans {
			grid-column: 1 / -1;
		}
		.bar {
			display: none;
		}
		.days :global(.kit-button) {
			flex: 1;
		}
	}
</style>
