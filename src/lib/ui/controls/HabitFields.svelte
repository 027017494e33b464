<script lang="ts">
	import type { Snippet } from 'svelte';
	import { habitsSchema, withAwayFitted, type ControlProfile, type Habits } from '$core/control';
	import { DAY_NAMES } from '$core/week';
	import Field from '../kit/Field.svelte';

	let {
		topic,
		draft,
		onchange,
		number,
		tick,
		choice
	}: {
		topic: 'hand' | 'away' | 'clock';
		draft: ControlProfile;
		onchange: (draft: ControlProfile) => void;
		/** The fields of the profile, drawn alike. */
		number: Snippet<[label: string, value: number, take: (value: number) => void, unit?: string]>;
		tick: Snippet<[label: string, checked: boolean, take: (checked: boolean) => void]>;
		choice: Snippet<
			[label: string, value: string, options: [string, string][], take: (value: string) => void]
		>;
	} = $props();

	const habits = $derived(draft.habits);
	function set(part: Partial<Habits>) {
		const next = { ...habits, ...part };
		// its menu of absences asks for what it takes
		const panel = draft.panel && withAwayFitted(draft.panel, next.holiday);
		onchange({ ...draft, panel, habits: next });
	}

	/** What an installer would expect of each, to start from. */
	const usual = habitsSchema.parse({
		override: { ends: 'next-change', how: 'Press plus or minus.' },
		hold: { until: ['ended'], how: 'Press hold.' },
		boost: { ends: 'after-steps', stepMinutes: 30, mostSteps: 4, how: 'Press boost once for every step.' },
		advance: { how: 'Press advance.' },
		manual: { how: 'Press the mode key.' },
		off: { keepsC: null, how: 'Press the mode key until off shows.' },
		specialDays: { most: 4, how: 'Key the date, then the day to run.' }
	});
	const holidays: Record<string, Habits['holiday']> = {
		none: null,
		days: { by: 'days', mostDays: 99, todayCounts: true, ends: 'midnight', how: 'Key the number of days.' },
		'return-date': { by: 'return-date', ends: 'midnight', how: 'Key the date of return.' },
		periods: { by: 'periods', mostPeriods: 3, how: 'Key the first and the last day.' },
		'until-ended': { by: 'until-ended', how: 'Start it on leaving, end it on return.' }
	};

	const simple = ['override', 'hold', 'boost', 'advance', 'manual', 'off'] as const;
	const names = {
		override: 'Override that ends automatically',
		hold: 'Hold',
		boost: 'Boost',
		advance: 'Advance',
		manual: 'Manual',
		off: 'Off'
	};
</script>

{#snippet how(value: string, take: (value: string) => void, label: string)}
	<div class="wide"><Field label="How: {label}" {value} maxlength={200} onchange={take} /></div>
{/snippet}

{#if topic === 'hand'}
	{#each simple as key (key)}
		<div class="habit">
			{@render tick(names[key], habits[key] !== null, (has) => set({ [key]: has ? usual[key] : null }))}
			{#if key === 'override' && habits.override}
				{@const one = habits.override}
				{@render choice(
					'ends',
					one.ends,
					[
						['next-change', 'at the next change'],
						['after-minutes', 'after a fixed time']
					],
					(value) => set({ override: { ...one, ends: value as 'next-change' } })
				)}
				{#if one.ends === 'after-minutes'}
					{@render number('of', one.minutes, (minutes) => set({ override: { ...one, minutes } }), 'min')}
				{/if}
			{:else if key === 'hold' && habits.hold}
				{@const one = habits.hold}
				{@render tick('can be given a time', one.until.includes('time'), (timed) =>
					set({ hold: { ...one, until: timed ? ['ended', 'time'] : ['ended'] } })
				)}
			{:else if key === 'boost' && habits.boost}
				{@const one = habits.boost}
				{@render choice(
					'ends',
					one.ends,
					[
						['after-steps', 'after its steps'],
						['next-change', 'at the next change']
					],
					(value) => set({ boost: { ...one, ends: value as 'after-steps' } })
				)}
				{#if one.ends === 'after-steps'}
					{@render number(
						'of',
						one.stepMinutes,
						(stepMinutes) => set({ boost: { ...one, stepMinutes } }),
						'min'
					)}
					{@render number(
						'at most',
						one.mostSteps,
						(mostSteps) => set({ boost: { ...one, mostSteps } }),
						'steps'
					)}
				{/if}
			{:else if key === 'off' && habits.off && draft.temperature}
				{@const one = habits.off}
				{@render tick('still keeps from frost', one.keepsC !== null, (keeps) =>
					set({ off: { ...one, keepsC: keeps ? 5 : null } })
				)}
				{#if one.keepsC !== null}
					{@render number('at', one.keepsC, (keepsC) => set({ off: { ...one, keepsC } }), '°C')}
				{/if}
			{/if}
			{#if habits[key]}
				{@render how(habits[key].how, (text) => set({ [key]: { ...habits[key]!, how: text } }), names[key])}
			{/if}
		</div>
	{/each}
	{#if draft.temperature}
		{@render tick('Its sensor lies in the floor', habits.floorSensor, (floorSensor) => set({ floorSensor }))}
		{@render tick('High and low limit', habits.limits !== null, (has) =>
			set({ limits: has ? { bindProgram: true } : null })
		)}
		{#if habits.limits}
			{@render tick('bind the program too', habits.limits.bindProgram, (bindProgram) =>
				set({ limits: { bindProgram } })
			)}
		{/if}
	{/if}
	{@render number(
		'Waits after a stop',
		habits.minimumOffMinutes,
		(minimumOffMinutes) => set({ minimumOffMinutes }),
		'min'
	)}
	{@render tick('Drives a fan', habits.fan !== null, (has) =>
		set({ fan: has ? ['auto', 'on', 'circulate'] : null })
	)}
{:else if topic === 'away'}
	{@render choice(
		'Holiday',
		habits.holiday?.by ?? 'none',
		[
			['none', 'none'],
			['days', 'by a number of days'],
			['return-date', 'by the date of return'],
			['periods', 'by dated periods'],
			['until-ended', 'until it is ended']
		],
		(value) => set({ holiday: holidays[value]! })
	)}
	{#if habits.holiday?.by === 'days'}
		{@const one = habits.holiday}
		{@render number('up to', one.mostDays, (mostDays) => set({ holiday: { ...one, mostDays } }), 'days')}
		{@render tick('today counts', one.todayCounts, (todayCounts) =>
			set({ holiday: { ...one, todayCounts } })
		)}
		{@render tick('ends at midnight', one.ends === 'midnight', (midnight) =>
			set({ holiday: { ...one, ends: midnight ? 'midnight' : 'same-time' } })
		)}
	{:else if habits.holiday?.by === 'return-date'}
		{@const one = habits.holiday}
		{@render tick('with a time', one.ends === 'time', (timed) =>
			set({ holiday: { ...one, ends: timed ? 'time' : 'midnight' } })
		)}
	{:else if habits.holiday?.by === 'periods'}
		{@const one = habits.holiday}
		{@render number(
			'keeps',
			one.mostPeriods,
			(mostPeriods) => set({ holiday: { ...one, mostPeriods } }),
			'periods'
		)}
	{/if}
	{#if habits.holiday}
		{@const one = habits.holiday}
		{@render how(one.how, (text) => set({ holiday: { ...one, how: text } }), 'holiday')}
	{/if}
	{@render tick('Special days', habits.specialDays !== null, (has) =>
		set({ specialDays: has ? usual.specialDays : null })
	)}
	{#if habits.specialDays}
		{@const one = habits.specialDays}
		{@render number('as many as', one.most, (most) => set({ specialDays: { ...one, most } }))}
		{@render how(one.how, (text) => set({ specialDays: { ...one, how: text } }), 'special days')}
	{/if}
{:else}
	{@const clock = habits.clock}
	{@render choice(
		'Summer time',
		clock.summerTime,
		[
			['by-itself', 'by itself'],
			['by-rule', 'by a rule that is keyed'],
			['by-hand', 'by hand'],
			['no-clock', 'it has no clock']
		],
		(value) => set({ clock: { ...clock, summerTime: value as Habits['clock']['summerTime'] } })
	)}
	{@render choice(
		'Power',
		habits.power,
		[
			['mains', 'mains'],
			['batteries', 'batteries']
		],
		(value) => set({ power: value as Habits['power'] })
	)}
	{@render tick('Its clock can stop', clock.reserveMinutes !== null, (stops) =>
		set({ clock: { ...clock, reserveMinutes: stops ? 60 : null } })
	)}
	{#if clock.reserveMinutes !== null}
		{@render number(
			'after',
			clock.reserveMinutes,
			(reserveMinutes) => set({ clock: { ...clock, reserveMinutes } }),
			'min without power'
		)}
		{@render tick('the program stays', clock.programKept, (programKept) =>
			set({ clock: { ...clock, programKept } })
		)}
		{@render choice(
			'then shows',
			String(clock.factoryDay),
			DAY_NAMES.map((name, i) => [String(i), name]),
			(value) => set({ clock: { ...clock, factoryDay: Number(value) } })
		)}
		{@render number(
			'minute of the day',
			clock.factoryMinute,
			(factoryMinute) => set({ clock: { ...clock, factoryMinute } }),
			''
		)}
	{/if}
	{@render how(clock.how, (text) => set({ clock: { ...clock, how: text } }), 'set the clock')}
{/if}

<style>
	.habit {
		display: flex;
		flex: 1 1 100%;
		flex-wrap: wrap;
		gap: 0.2rem 1rem;
		align-items: center;
		padding-bottom: 0.3rem;
		border-bottom: 1px solid var(--faint);
	}
	.wide {
		flex: 1 1 100%;
	}
</style>
