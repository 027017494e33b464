<script lang="ts">
	import { setpointWithUnit, type ControlProfile } from '$core/control';
	import { problemOf, readSpans, writeSpans } from '$core/formats';
	import {
		followsRoutine,
		levelOf,
		levelsForUse,
		roomUse,
		roomUses,
		routineFromTemplate,
		routineOfWeek,
		routineSchema,
		routineTemplates,
		unitOf,
		wantedWeek,
		withRoutine,
		type DayType,
		type Routine,
		type Zone
	} from '$core/plan';
	import { DAY_NAMES, DAY_SHORT } from '$core/week';
	import DayBar from './DayBar.svelte';

	let { zone, profile, onchange }: { zone: Zone; profile: ControlProfile; onchange: (zone: Zone) => void } =
		$props();

	const unit = $derived(unitOf(zone, profile));
	let problem = $state<string | null>(null);
	/** What was typed in a line and could not be taken, by day type: it stays to be mended. */
	let refused = $state<Record<string, string>>({});

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

	function rename(type: DayType, field: HTMLInputElement) {
		if (field.value.trim() !== '') changeType(type.id, { name: field.value.trim() });
		else field.value = type.name;
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
			dayTypes: [...routine!.dayTypes, { ...like, id: `day-${n}`, name: `Another day ${n}` }]
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
		<label
			><span class="soft">Room used as</span>
			<select
				value={zone.use ?? ''}
				onchange={(event) => onchange({ ...zone, use: event.currentTarget.value || null })}
			>
				<option value="">not said</option>
				{#each roomUses as one (one.id)}<option value={one.id}>{one.name}</option>{/each}
			</select>
		</label>
		<label
			><span class="soft">Start from</span>
			<select value="" onchange={(event) => fromTemplate(event.currentTarget.value)}>
				<option value="">a way of living …</option>
				{#each routineTemplates as one (one.id)}<option value={one.id}>{one.name}: {one.words}</option>{/each}
			</select>
		</label>
		{#if !routine}
			<button
				class="quiet"
				onclick={() => take(routineOfWeek(wantedWeek(zone), (id) => levelOf(zone, id).setpointC))}
				>From the drawn week</button
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
				<button class="quiet small" onclick={() => onchange({ ...zone, levels: suggested })}
					>Take these</button
				>
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
			<button class="quiet" onclick={() => take(routine)}>Draw the week from the routine</button>
			<button
				class="quiet"
				onclick={() => take(routineOfWeek(wantedWeek(zone), (id) => levelOf(zone, id).setpointC))}
				>Take the routine from the drawing</button
			>
		</div>
	{/if}

	{#if routine}
		<div class="types">
			{#each routine.dayTypes as type (type.id)}
				<div class="type">
					<input
						class="name"
						aria-label="Name of the day type {type.name}"
						maxlength="80"
						value={type.name}
						onchange={(event) => rename(type, event.currentTarget)}
					/>
					<div class="days" role="group" aria-label="Days that are {type.name}">
						{#each DAY_SHORT as short, day (short)}
							<button
								aria-pressed={routine.week[day] === type.id}
								aria-label="{DAY_NAMES[day]} is {type.name}"
								onclick={() => assign(day, type.id)}>{short.slice(0, 2)}</button
							>
						{/each}
					</div>
					<label class="rest"
						><span class="soft">otherwise</span>
						<select
							value={type.otherwise ?? ''}
							aria-label="Otherwise on {type.name}"
							onchange={(event) => {
								if (!changeType(type.id, { otherwise: event.currentTarget.value || null }))
									event.currentTarget.value = type.otherwise ?? '';
							}}
						>
							{#each ranked as level (level.id)}<option value={level.id}>{level.letter} {level.name}</option
								>{/each}
							<option value="">nothing: spans fill the day</option>
						</select>
					</label>
					{#if routine.dayTypes.length > 1}
						<button
							class="quiet small remove"
							aria-label="Remove {type.name}"
							onclick={() => removeType(type.id)}>Remove</button
						>
					{/if}
					<span class="bar"><DayBar {type} levels={zone.levels} /></span>
					<input
						class="spans mono"
						aria-label="Spans of {type.name}"
						aria-invalid={refused[type.id] !== undefined}
						spellcheck="false"
						placeholder="06:30–08:20 {ranked[0]!.letter}, 17:00–22:30 {ranked[0]!.letter}"
						value={refused[type.id] ?? writeSpans(type.spans, zone.levels)}
						onchange={(event) => spans(type, event.currentTarget.value)}
					/>
				</div>
			{/each}
		</div>
		{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
		<div class="tools">
			{#if routine.dayTypes.length < 7}<button class="quiet" onclick={addType}>Another day type</button>{/if}
			<button
				class="quiet"
				onclick={() => {
					problem = null;
					onchange({ ...zone, routine: null });
				}}>Drop the routine, keep the drawing</button
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
	label {
		display: inline-flex;
		gap: 0.5rem;
		align-items: center;
	}
	.tools select {
		max-width: 17.5rem;
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
		grid-template-columns: minmax(7rem, 11rem) auto 1fr auto;
		gap: 0.5rem 0.75rem;
		align-items: center;
		padding: 0.35rem 0;
		border-top: 1px solid var(--rule);
	}
	.name {
		font-weight: 700;
		width: 100%;
	}
	.spans {
		grid-column: 2 / -1;
		width: 100%;
		font-size: 0.95rem;
	}
	.bar {
		grid-column: 1;
	}
	.rest {
		justify-self: end;
	}
	.remove {
		grid-column: 4;
		grid-row: 1;
	}
	.spans[aria-invalid='true'] {
		border: 2px solid var(--signal);
	}
	.rest select {
		max-width: 8.5rem;
	}
	.days {
		display: flex;
	}
	.days button {
		width: 2rem;
		min-height: 40px;
		padding: 0;
		border: 1px solid var(--rule);
		margin-left: -1px;
		background: none;
		color: var(--soft);
		font-size: 0.9rem;
		cursor: pointer;
	}
	.days button[aria-pressed='true'] {
		background: var(--ink);
		color: var(--sheet);
		font-weight: 700;
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
		.remove {
			grid-column: 2;
		}
		.days button {
			flex: 1;
			min-height: 44px;
		}
		select,
		input,
		.small {
			min-height: 44px;
		}
		.tools label,
		.tools select {
			width: 100%;
			max-width: none;
		}
	}
</style>
