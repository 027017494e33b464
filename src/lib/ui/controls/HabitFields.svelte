<script lang="ts">
	import { habitsSchema, type ControlProfile, type Habits } from '$core/control';
	import { DAY_NAMES } from '$core/week';

	let {
		topic,
		draft,
		onchange,
		onproblem
	}: {
		topic: 'hand' | 'away' | 'clock';
		draft: ControlProfile;
		onchange: (draft: ControlProfile) => void;
		onproblem: (sentence: string) => void;
	} = $props();

	const habits = $derived(draft.habits);
	const set = (part: Partial<Habits>) => onchange({ ...draft, habits: { ...habits, ...part } });

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

	function figure(text: string, what: string): number | null {
		const value = Number(text.trim().replace(',', '.'));
		if (text.trim() !== '' && Number.isFinite(value)) return value;
		onproblem(`${what}: "${text}" is no figure.`);
		return null;
	}
	const simple = ['override', 'hold', 'boost', 'advance', 'manual', 'off'] as const;
	const names = {
		override: 'Change by hand that ends by itself',
		hold: 'Hold',
		boost: 'Boost',
		advance: 'Advance',
		manual: 'Manual',
		off: 'Off'
	};
</script>

{#snippet number(label: string, value: number, take: (value: number) => void, unit = '')}
	<label
		><span>{label}</span>
		<input
			class="short mono"
			inputmode="decimal"
			{value}
			onchange={(event) => {
				const read = figure(event.currentTarget.value, label);
				if (read === null) event.currentTarget.value = String(value);
				else take(read);
			}}
		/><span class="soft">{unit}</span></label
	>
{/snippet}

{#snippet tick(label: string, checked: boolean, take: (checked: boolean) => void)}
	<label
		><input type="checkbox" {checked} onchange={(event) => take(event.currentTarget.checked)} /><span
			>{label}</span
		></label
	>
{/snippet}

{#snippet how(value: string, take: (value: string) => void, label: string)}
	<label class="wide"
		><span class="soft">how</span>
		<input
			aria-label="How: {label}"
			{value}
			maxlength="200"
			onchange={(event) => take(event.currentTarget.value)}
		/></label
	>
{/snippet}

{#if topic === 'hand'}
	{#each simple as key (key)}
		<div class="habit">
			{@render tick(names[key], habits[key] !== null, (has) => set({ [key]: has ? usual[key] : null }))}
			{#if key === 'override' && habits.override}
				{@const one = habits.override}
				<label
					><span class="soft">ends</span>
					<select
						value={one.ends}
						onchange={(event) =>
							set({ override: { ...one, ends: event.currentTarget.value as 'next-change' } })}
					>
						<option value="next-change">at the next change</option>
						<option value="after-minutes">after a fixed time</option>
					</select></label
				>
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
				<label
					><span class="soft">ends</span>
					<select
						value={one.ends}
						onchange={(event) => set({ boost: { ...one, ends: event.currentTarget.value as 'after-steps' } })}
					>
						<option value="after-steps">after its steps</option>
						<option value="next-change">at the next change</option>
					</select></label
				>
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
	<label
		><span>Holiday</span>
		<select
			value={habits.holiday?.by ?? 'none'}
			onchange={(event) => set({ holiday: holidays[event.currentTarget.value]! })}
		>
			<option value="none">none</option>
			<option value="days">by a number of days</option>
			<option value="return-date">by the date of return</option>
			<option value="periods">by dated periods</option>
			<option value="until-ended">until it is ended</option>
		</select></label
	>
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
	<label
		><span>Summer time</span>
		<select
			value={clock.summerTime}
			onchange={(event) =>
				set({ clock: { ...clock, summerTime: event.currentTarget.value as Habits['clock']['summerTime'] } })}
		>
			<option value="by-itself">by itself</option>
			<option value="by-rule">by a rule that is keyed</option>
			<option value="by-hand">by hand</option>
			<option value="no-clock">it has no clock</option>
		</select></label
	>
	<label
		><span>Power</span>
		<select
			value={habits.power}
			onchange={(event) => set({ power: event.currentTarget.value as Habits['power'] })}
		>
			<option value="mains">mains</option>
			<option value="batteries">batteries</option>
		</select></label
	>
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
		<label
			><span class="soft">then shows</span>
			<select
				value={String(clock.factoryDay)}
				onchange={(event) => set({ clock: { ...clock, factoryDay: Number(event.currentTarget.value) } })}
			>
				{#each DAY_NAMES as name, i (name)}<option value={String(i)}>{name}</option>{/each}
			</select></label
		>
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
	label {
		display: inline-flex;
		gap: 0.5rem;
		align-items: center;
		min-height: 44px;
	}
	.wide {
		flex: 1 1 100%;
	}
	.wide input {
		flex: 1;
	}
	input,
	select {
		min-height: 40px;
		padding: 0 0.4rem;
		border: 1px solid var(--rule);
		border-radius: 4px;
		background: var(--ground);
		color: inherit;
		font-size: 1rem;
	}
	input[type='checkbox'] {
		width: 1.2rem;
		min-height: 1.2rem;
		accent-color: var(--ink);
	}
	.short {
		width: 4.2rem;
		text-align: right;
	}
</style>
