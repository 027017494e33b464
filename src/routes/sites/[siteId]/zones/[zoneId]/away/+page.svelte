<script lang="ts">
	import { untrack } from 'svelte';
	import { allowedOptions, setpointWithUnit } from '$core/control';
	import { dateOfDay, dateWords, dayNumber, localTime, wallAt, weekdayOfDay } from '$core/civil';
	import { exceptionSchema, type Absence, type Exception } from '$core/plan';
	import { absenceConflicts, awayStanding, bookedDates, localWords, planAbsence } from '$core/run';
	import { capital, wrongWords } from '$core/schema';
	import { DAY_NAMES } from '$core/week';
	import AbsencePlanned from '$lib/ui/run/AbsencePlanned.svelte';
	import YearStrip from '$lib/ui/run/YearStrip.svelte';
	import { stripRow, yearAhead } from '$lib/ui/run/yearStrip';
	import Button from '$lib/ui/kit/Button.svelte';
	import Choice from '$lib/ui/kit/Choice.svelte';
	import DateField from '$lib/ui/kit/DateField.svelte';
	import MomentField from '$lib/ui/kit/MomentField.svelte';
	import { zoneModel } from '$lib/ui/zone/zoneModel.svelte';

	let { data } = $props();

	const model = zoneModel();
	const zone = $derived(model.zone);
	const profile = $derived(model.profile);
	const options = $derived(allowedOptions(profile, zone.options));
	const timeZone = $derived(data.site.timeZone);
	const habits = $derived(profile.habits);
	const isSwitch = $derived(profile.temperature === null);
	const nowLocal = $derived(localTime(wallAt(timeZone, data.nowMs)));
	const today = $derived(nowLocal.slice(0, 10));

	const strip = $derived(yearAhead(timeZone, data.nowMs));
	const standing = $derived(awayStanding(zone, profile, timeZone, data.nowMs));
	const ranked = $derived([...zone.levels].sort((a, b) => a.setpointC - b.setpointC));

	/** The coming Friday at 14:00, and nine nights later at 18:00: something to change, not a guess at a life. */
	const friday = untrack(() => {
		const day = dayNumber(localTime(wallAt(data.site.timeZone, data.nowMs)).slice(0, 10)) + 1;
		return day + ((4 - weekdayOfDay(day) + 7) % 7);
	});
	let leave = $state(`${dateOfDay(friday)}T14:00`);
	let back = $state(`${dateOfDay(friday + 9)}T18:00`);
	let level = $state<string | null>(null);
	const awayLevel = $derived(ranked.find((one) => one.id === level) ?? ranked[0]!);
	const draft = $derived.by((): { absence: Absence } | { problem: string } => {
		const read = exceptionSchema.safeParse({
			kind: 'absence',
			id: 'draft',
			leave,
			back,
			setpointC: awayLevel.setpointC
		});
		if (read.success) return { absence: read.data as Absence };
		const issue = read.error.issues[0]!;
		const field = issue.path[0] === 'leave' ? 'Leaving' : 'The return';
		return { problem: `${field} ${wrongWords(read.error)}.` };
	});
	const rows = $derived([stripRow(zone, profile, strip, data.zone.id, null)]);

	const say = $derived((local: string) => localWords(local, options));
	const absences = $derived(zone.exceptions.filter((one): one is Absence => one.kind === 'absence'));
	const conflicts = $derived(
		absenceConflicts(profile, absences, nowLocal, (one) => `The one from ${say(one.leave)}`)
	);
	const listed = $derived(
		[...zone.exceptions]
			.sort((a, b) => (startOf(a) < startOf(b) ? -1 : 1))
			.filter((one) => endOf(one) >= today)
	);
	function startOf(one: Exception): string {
		return one.kind === 'absence' ? one.leave : one.kind === 'special-day' ? one.date : one.from;
	}
	function endOf(one: Exception): string {
		if (one.kind === 'absence') return one.back;
		if (one.kind === 'special-day') return one.date;
		return 'until' in one ? (one.until ?? '9999') : one.from;
	}
	function words(one: Exception): string {
		switch (one.kind) {
			case 'absence':
				return `away until ${say(one.back)}: ${planAbsence(profile, one, say).key}`;
			case 'special-day': {
				const { runs } = one;
				const does =
					'like' in runs
						? `run as ${DAY_NAMES[runs.like]}`
						: `${zone.levels.find((known) => known.id === runs.level)?.name ?? ''} all day`;
				return habits.specialDays ? does : `${does}, by hand`;
			}
			case 'boost':
				return `boost, ${one.steps} ${one.steps === 1 ? 'step' : 'steps'}`;
			case 'advance':
				return 'advanced';
			case 'off':
				return one.until ? `off until ${say(one.until)}` : 'off until someone ends it';
			case 'override':
				return `changed by hand to ${setpointWithUnit(profile, options, one.setpointC)}`;
			default:
				return `${one.kind} at ${setpointWithUnit(profile, options, one.setpointC)}${one.until ? ` until ${say(one.until)}` : ', until someone ends it'}`;
		}
	}

	function add(one: Exception) {
		model.change({ ...zone, exceptions: [...zone.exceptions, one] });
	}
	function keep() {
		if ('absence' in draft) add({ ...draft.absence, id: crypto.randomUUID() });
	}
	const remove = (id: string) =>
		model.change({ ...zone, exceptions: zone.exceptions.filter((one) => one.id !== id) });

	let specialDate = $state('');
	let specialRuns = $state('rest');
	let specialProblem = $state<string | null>(null);
	function addSpecial(event: SubmitEvent) {
		event.preventDefault();
		const runs = specialRuns === 'rest' ? { level: ranked[0]!.id } : { like: Number(specialRuns) };
		const read = exceptionSchema.safeParse({
			kind: 'special-day',
			id: crypto.randomUUID(),
			date: specialDate,
			runs
		});
		if (specialDate === '') specialProblem = 'Say which date.';
		else if (!read.success) specialProblem = `The date ${wrongWords(read.error)}.`;
		else if (zone.exceptions.some((one) => one.kind === 'special-day' && one.date === specialDate))
			specialProblem = `${dateWords(specialDate, 'short')} is a special day already.`;
		else if (specialAhead >= (habits.specialDays?.most ?? 0))
			specialProblem = `This control holds ${habits.specialDays?.most} special days; all are taken.`;
		else {
			specialProblem = null;
			add(read.data);
			specialDate = '';
		}
	}
	const specialAhead = $derived(
		zone.exceptions.filter((one) => one.kind === 'special-day' && one.date >= today).length
	);

	let importing = $state(false);
	const warmest = $derived(ranked.at(-1)!);
	const resting = $derived(ranked.findLast((one) => one.setpointC <= warmest.setpointC - 3) ?? ranked[0]!);
	/** What the bookings kept here still want beyond the week and its special days: left to a hand. */
	const byHand = $derived(
		bookedDates(
			{ ...profile, habits: { ...habits, specialDays: null } },
			options,
			data.held,
			zone.bookings,
			warmest,
			resting,
			today
		).filter(
			(date) =>
				!habits.specialDays ||
				!zone.exceptions.some((one) => one.kind === 'special-day' && one.date === date.date)
		)
	);
</script>

<svelte:head><title>{zone.name}, away · Fond Quarter</title></svelte:head>

<main>
	<div class="heading">
		<h1>{zone.name}: holidays and special days</h1>
		<div class="tools">
			<Button aria-pressed={importing} onclick={() => (importing = !importing)}>Bring in a calendar</Button>
			<Button href="/api/v1/jobs/{data.site.id}/zones/{data.zone.id}/calendar" download
				>Export calendar</Button
			>
		</div>
	</div>
	<p class="lead">
		{#if standing.kind === 'wrong'}<span class="signal">It is {standing.words}.</span>
		{:else if standing.kind === 'none'}Nothing is planned: the week runs.
		{:else if standing.kind === 'planned'}Away {standing.words}.
		{:else}{capital(standing.words)}.{/if}
		{#each conflicts as conflict (conflict)}<span class="warm"> {conflict}</span>{/each}
	</p>
	<YearStrip {strip} {rows} {timeZone} />

	{#if importing}
		{#await import('$lib/ui/run/CalendarImport.svelte') then { default: CalendarImport }}
			<CalendarImport
				{zone}
				{profile}
				{timeZone}
				{today}
				onchange={model.change}
				onclose={() => (importing = false)}
			/>
		{/await}
	{/if}

	<div class="two">
		<section>
			<h2>Going away</h2>
			<div class="fields">
				<MomentField label="Leaving" value={leave} onchange={(local) => (leave = local)} />
				<MomentField label="Back" value={back} onchange={(local) => (back = local)} />
				<Choice
					label="Kept at"
					value={awayLevel.id}
					options={ranked.map((one) => ({
						value: one.id,
						text: `${one.name}${isSwitch ? '' : ` ${setpointWithUnit(profile, options, one.setpointC)}`}`
					}))}
					onchange={(id) => (level = id)}
				/>
			</div>
			{#if 'absence' in draft}
				<AbsencePlanned
					{zone}
					{profile}
					program={data.program}
					{timeZone}
					nowMs={data.nowMs}
					absence={draft.absence}
				/>
				{#if habits.holiday}<p class="soft how">{habits.holiday.how}</p>{/if}
				{#if !isSwitch && awayLevel.setpointC < 12}
					<p class="soft how">
						{setpointWithUnit(profile, options, awayLevel.setpointC)} protects pipes, not people or pets; cold corners
						freeze first.
					</p>
				{/if}
				<Button kind="next" onclick={keep}>Plan this holiday</Button>
			{:else}
				<p class="signal" role="alert">{draft.problem}</p>
			{/if}
		</section>
		<section>
			<h2>Ahead</h2>
			{#if listed.length === 0}
				<p class="soft">Nothing planned yet.</p>
			{:else}
				<ul class="list">
					{#each listed as one (one.id)}
						<li>
							<strong>{say(startOf(one))}</strong>
							<span
								>{words(one)}{#if 'note' in one && one.note}<span class="soft">, {one.note}</span>{/if}</span
							>
							<Button
								small
								aria-label="Remove {say(startOf(one))}, {words(one)}"
								onclick={() => remove(one.id)}>Remove</Button
							>
						</li>
					{/each}
				</ul>
			{/if}
			{#if habits.specialDays}
				<h2>Special days <span class="soft">{specialAhead} of {habits.specialDays.most}</span></h2>
				<form class="fields" onsubmit={addSpecial}>
					<DateField
						label="Date"
						value={specialDate || null}
						onchange={(date) => (specialDate = date ?? '')}
					/>
					<Choice
						label="Runs"
						value={specialRuns}
						options={[
							{ value: 'rest', text: `${ranked[0]!.name} all day` },
							...DAY_NAMES.map((name, i) => ({ value: String(i), text: `as ${name}` }))
						]}
						onchange={(runs) => (specialRuns = runs)}
					/>
					<Button type="submit">Add</Button>
				</form>
				{#if specialProblem}<p class="signal" role="alert">{specialProblem}</p>{/if}
				<p class="soft how">{habits.specialDays.how}</p>
			{:else}
				<p class="soft how">This control has no special days: single dates are changed by hand.</p>
			{/if}
		</section>
	</div>

	{#if zone.bookings.length > 0}
		<section>
			<h2>
				Bookings, {zone.bookings.length}
				<Button small onclick={() => model.change({ ...zone, bookings: [] })}>Forget them</Button>
			</h2>
			{#if byHand.length === 0}
				<p>The week and its special days serve every booking from today on.</p>
			{:else}
				<p>
					<strong>{byHand.length === 1 ? 'One date' : `${byHand.length} dates`} to be set by hand:</strong> the
					week does not serve them.
				</p>
				<ul class="list">
					{#each byHand as date (date.date)}
						<li>
							<strong>{dateWords(date.date, 'short')}</strong>
							<span
								><span class="soft">{date.names.join(', ')}</span>
								{date.sentence}</span
							>
						</li>
					{/each}
				</ul>
			{/if}
		</section>
	{/if}
</main>

<style>
	.heading {
		display: flex;
		flex-wrap: wrap;
		justify-content: space-between;
		gap: 0.5rem 1rem;
		align-items: start;
	}
	.tools {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
	}
	.lead {
		margin: 0.2rem 0 0.6rem;
		font-size: 1.02rem;
	}
	.two {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 2.5rem;
		margin-top: 1rem;
	}
	.two section:first-child {
		display: grid;
		gap: 0.6rem;
		justify-items: start;
		align-content: start;
	}
	h2 {
		font-size: var(--small);
		margin: 0.25rem 0;
	}
	.fields {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 0.9rem;
		align-items: end;
	}
	.fields :global(.bx--select) {
		width: 14rem;
	}
	.how {
		font-size: var(--small);
		max-width: 34rem;
	}
	.list {
		margin: 0 0 0.75rem;
		padding: 0;
		list-style: none;
	}
	.list li {
		display: grid;
		grid-template-columns: 9rem minmax(0, 1fr) auto;
		gap: 0.75rem;
		align-items: center;
		min-height: 44px;
		border-bottom: 1px solid var(--rule);
	}
	@media (max-width: 860px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
			gap: 1.5rem;
		}
		.list li {
			grid-template-columns: minmax(0, 1fr) auto;
		}
		.list li > span {
			grid-row: 2;
			grid-column: 1 / -1;
		}
	}
</style>
