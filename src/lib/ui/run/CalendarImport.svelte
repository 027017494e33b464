<script lang="ts">
	import FilePicker from '$lib/ui/kit/FilePicker.svelte';
	import type { ControlProfile } from '$core/control';
	import { dateWords } from '$core/civil';
	import { LARGEST_CALENDAR, type CalendarContent, readText } from '$core/formats';
	import {
		bookedDays,
		bookingChanges,
		inWeekOf,
		mondayOf,
		MOST_BOOKINGS,
		withBookings,
		type Exception,
		type Zone
	} from '$core/plan';
	import { bookingLevels } from '$core/run';
	import { DAY_NAMES } from '$core/week';
	import { inOneWeek, oneWeekTaken, proposedDays } from './inOneWeek';
	import Running from '$lib/ui/Running.svelte';
	import { calendarInWorker, type CalendarRun } from '$lib/workers/calendarInWorker';
	import Button from '../kit/Button.svelte';
	import Check from '../kit/Check.svelte';
	import Choice from '../kit/Choice.svelte';
	import More from '../kit/More.svelte';

	let {
		zone,
		profile,
		timeZone,
		today,
		onchange,
		onclose
	}: {
		zone: Zone;
		profile: ControlProfile;
		timeZone: string;
		/** The first date that counts. */
		today: string;
		onchange: (zone: Zone) => void;
		onclose: () => void;
	} = $props();

	let problem = $state<string | null>(null);
	let content = $state.raw<CalendarContent | null>(null);
	let run = $state.raw<CalendarRun | null>(null);
	let share = $state(0);
	$effect(() => () => run?.stop());
	let fileName = $state('');
	const ranked = $derived([...zone.levels].sort((a, b) => b.setpointC - a.setpointC));
	let warmId = $state<string | null>(null);
	let restId = $state<string | null>(null);
	const meant = $derived(bookingLevels(zone.levels));
	const warm = $derived(ranked.find((level) => level.id === warmId) ?? meant.warm);
	const rest = $derived(ranked.find((level) => level.id === restId) ?? meant.rest);
	let ticked = $state.raw<readonly string[]>([]);
	let runsAs = $state('rest');

	const until = $derived(`${Number(today.slice(0, 4)) + 1}${today.slice(4)}`.replace('-02-29', '-02-28'));

	async function read(file: File | undefined) {
		problem = null;
		content = null;
		if (!file) return;
		fileName = file.name;
		if (file.size > LARGEST_CALENDAR) {
			problem = `${file.name} is too large: at most ${LARGEST_CALENDAR / 1e6} MB are read. Nothing was taken.`;
			return;
		}
		share = 0;
		run?.stop();
		const text = readText(new Uint8Array(await file.arrayBuffer()));
		if (!text.ok) {
			problem = `${file.name}: ${text.problem.sentence} Nothing was taken.`;
			return;
		}
		const reading = calendarInWorker(text.value, timeZone, today, until, (part) => (share = part));
		run = reading;
		const result = await reading.answer;
		if (run === reading) run = null;
		if (!result) return;
		if (!result.ok) {
			problem = `${file.name}: ${result.problem.sentence} Nothing was taken.`;
			return;
		}
		if (result.value.bookings.length > MOST_BOOKINGS) {
			problem = `${file.name} holds ${result.value.bookings.length} bookings in the year from ${today}; at most ${MOST_BOOKINGS} are kept. Nothing was taken.`;
			return;
		}
		content = result.value;
	}

	/** The week that follows the bookings best, held by the control, and what it leaves to special days and hands. */
	const planned = $derived.by(() => {
		if (!content || content.bookings.length === 0) return null;
		const planned = inOneWeek(withBookings(zone, content.bookings), profile, { warm, rest, since: today });
		return { ...planned, weeks: Math.round(bookedDays(content.bookings).length / 7) };
	});
	/** Against the bookings that were read before; null where none were. */
	const changed = $derived.by(() => {
		if (!content || zone.bookings.length === 0) return null;
		const { added, moved, gone } = bookingChanges(zone.bookings, content.bookings, today);
		return {
			counts: `${added.length} new, ${moved.length} moved, ${gone.length} gone`,
			lines: [
				...added.map((one) => `New: ${one.name}, ${when(one)}`),
				...moved.map(({ was, is }) => `Moved: ${is.name}, ${when(was)} → ${when(is)}`),
				...gone.map((one) => `Gone: ${one.name}, ${when(one)}`)
			]
		};
	});
	const when = ({ from, to }: Zone['bookings'][number]) =>
		`${dateWords(from.slice(0, 10), 'short')} ${from.slice(11)}–${to.slice(11)}`;
	const special = $derived(proposedDays(planned?.dates ?? []));
	const byHand = $derived(planned?.dates.filter((date) => !date.done) ?? []);

	function takeWeek() {
		if (!planned) return;
		onchange(oneWeekTaken(planned));
		onclose();
	}

	function takeEach() {
		if (!content) return;
		onchange(inWeekOf(withBookings(zone, content.bookings), profile, mondayOf(today), warm.id, rest.id));
		onclose();
	}

	const days = $derived(content?.days ?? []);
	const most = $derived(profile.habits.specialDays?.most ?? 0);
	const taken = $derived(
		zone.exceptions.filter((one) => one.kind === 'special-day' && one.date >= today).length
	);
	const room = $derived(Math.max(0, most - taken));
	function toggle(date: string) {
		ticked = ticked.includes(date) ? ticked.filter((one) => one !== date) : [...ticked, date];
	}
	function takeDays() {
		const chosen = days.filter((day) => ticked.includes(day.date));
		const dates = new Set(chosen.map((day) => day.date));
		const runs = runsAs === 'rest' ? { level: rest.id } : { like: Number(runsAs) };
		onchange({
			...zone,
			exceptions: [
				...zone.exceptions.filter((one) => one.kind !== 'special-day' || !dates.has(one.date)),
				...[...new Map(chosen.map((day) => [day.date, day])).values()].map((day): Exception => ({
					kind: 'special-day',
					id: crypto.randomUUID(),
					date: day.date,
					runs,
					note: day.name
				}))
			]
		});
		onclose();
	}
</script>

<section class="panel" aria-label="A calendar brought in">
	<div class="head">
		<FilePicker
			label="Choose a calendar file"
			name="Calendar file"
			accept=".ics,text/calendar"
			onfiles={([file]) => void read(file)}
		/>
		<p class="soft">Bookings warm the room from start to end; whole days can become special days.</p>
		<Button onclick={onclose}>Close</Button>
	</div>
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	{#if run}
		<Running label="Reading {fileName}" {share} onstop={() => run?.stop()} />
	{/if}
	{#if content}
		<p role="status">
			<strong>{fileName}</strong>: {content.bookings.length === 1
				? 'one booking'
				: `${content.bookings.length} bookings`}, {days.length === 1
				? 'one whole day'
				: `${days.length} whole days`} from {dateWords(today, 'short')} for a year.
			{content.notes.join(' ')}
		</p>
		{#if changed}
			<p>
				Against the calendar read before: <strong>{changed.counts}</strong>.
			</p>
			{#if changed.lines.length > 0}
				<More title="What is otherwise">
					<ul>
						{#each changed.lines as line, i (i)}<li>{line}</li>{/each}
					</ul>
				</More>
			{/if}
		{/if}
		{#if content.leftOut.length > 0}
			<More
				title="{content.leftOut.length === 1
					? 'One event was'
					: `${content.leftOut.length} events were`} left out"
			>
				<ul>
					{#each content.leftOut as one, i (i)}<li>
							{one.date ? `${dateWords(one.date, 'short')}, ` : ''}{one.name}: {one.why}
						</li>{/each}
				</ul>
			</More>
		{/if}
		<div class="levels">
			<Choice
				label="While booked"
				value={warm.id}
				options={ranked.map((level) => ({ value: level.id, text: level.name }))}
				onchange={(id) => (warmId = id)}
			/>
			<Choice
				label="While empty"
				value={rest.id}
				options={ranked.map((level) => ({ value: level.id, text: level.name }))}
				onchange={(id) => (restId = id)}
			/>
		</div>
		{#if planned}
			<p>
				The week that follows them best, over {planned.weeks === 1 ? 'one week' : `${planned.weeks} weeks`},
				held with {planned.grouping}.
				{#if planned.dates.length === 0}
					It serves every booking.
				{:else}
					{planned.dates.length === 1 ? 'One date does' : `${planned.dates.length} dates do`} not fit it{special.length >
					0
						? `: ${special.length} as special ${special.length === 1 ? 'day' : 'days'}, ${byHand.length} by hand`
						: ', to be set by hand'}.
				{/if}
			</p>
			{#if planned.dates.length > 0}
				<ul class="dates" aria-label="Dates to set">
					{#each planned.dates as date (date.date)}
						<li class:hand={!date.done}>
							<strong>{dateWords(date.date, 'short')}</strong>
							<span class="soft">{date.names.join(', ')}</span>
							<span>{date.sentence}</span>
						</li>
					{/each}
				</ul>
			{/if}
			<Button onclick={takeWeek}>Take as the wanted week</Button>
			<Button onclick={takeEach}>Key each week by itself</Button>
		{/if}
		{#if days.length > 0}
			<h3>Whole days</h3>
			{#if most === 0}
				<p class="soft">This control has no special days: those below would be set by hand.</p>
			{:else}
				<p class="soft">It holds {most} special days, {room} free.</p>
			{/if}
			<div class="whole">
				{#each days as day, i (i)}
					<Check checked={ticked.includes(day.date)} onchange={() => toggle(day.date)}>
						{dateWords(day.date, 'short')} <span class="soft">{day.name}</span>
					</Check>
				{/each}
			</div>
			{#if most > 0}
				<div class="levels">
					<Choice
						label="They run as"
						value={runsAs}
						options={[
							{ value: 'rest', text: `${rest.name} all day` },
							...DAY_NAMES.map((name, i) => ({ value: String(i), text: name }))
						]}
						onchange={(runs) => (runsAs = runs)}
					/>
					<Button disabled={ticked.length === 0 || ticked.length > room} onclick={takeDays}
						>{ticked.length > room
							? `Only ${room} free`
							: ticked.length === 0
								? 'Choose the days'
								: ticked.length === 1
									? 'Add the special day'
									: `Add ${ticked.length} special days`}</Button
					>
				</div>
			{/if}
		{/if}
	{/if}
</section>

<style>
	.panel {
		margin: 0.75rem 0;
		padding: 0.75rem;
		border: 1px solid var(--rule);
		background: var(--sheet);
	}
	.head,
	.levels {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1rem;
		align-items: center;
	}
	.dates {
		max-height: 19rem;
		margin: 0.5rem 0;
		overflow: auto;
		border-top: 1px solid var(--rule);
	}
	.dates li {
		display: grid;
		grid-template-columns: 6.2rem minmax(6rem, 14rem) 1fr;
		gap: 0 0.75rem;
		padding: 0.3rem 0;
		border-bottom: 1px solid var(--rule);
	}
	.dates .hand {
		border-left: 3px solid var(--signal);
		padding-left: 0.5rem;
	}
	h3 {
		margin-top: 0.9rem;
		font-size: var(--small);
	}
	.whole {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(16rem, 100%), 1fr));
	}
	@media (max-width: 700px) {
		.dates li {
			grid-template-columns: 1fr;
		}
	}
</style>
