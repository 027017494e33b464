<script lang="ts">
	import {
		differenceInUnit,
		differenceUnit,
		fromUnit,
		inUnit,
		kelvinOf,
		roundFigure,
		type TemperatureUnit
	} from '$core/control';
	import { BUILDS, EMITTERS, FINISHES, heatsByFloor, INSULATIONS, roomSchema, type Room } from '$core/plan';
	import { problemOf } from '$core/formats';
	import { buildClasses, emitterClasses, finishes, insulationClasses, lossOf } from '$core/thermal';

	let {
		room,
		unit,
		onchange
	}: {
		room: Room;
		/** The unit of the zone's control. */
		unit: TemperatureUnit;
		onchange: (room: Room) => void;
	} = $props();

	let problem = $state<string | null>(null);
	/** What was chosen and does not go together yet: it stays to be mended. */
	let draft = $state.raw<Room | null>(null);
	const shown = $derived(draft ?? room);

	function take(next: unknown) {
		const read = roomSchema.safeParse(next);
		if (read.success) {
			problem = null;
			draft = null;
			onchange(read.data);
		} else {
			problem = `${problemOf(read.error).sentence} Not kept until it is mended.`;
			draft = next as Room;
		}
	}
	const set = (part: object) => take({ ...shown, ...part });
	const setEmitter = (part: object) => take({ ...shown, emitter: { ...shown.emitter, ...part } });

	function changeKind(kind: Room['emitter']['kind']) {
		const floor = kind === 'floor-cable' || kind === 'wet-floor';
		take({
			...shown,
			emitter: {
				...shown.emitter,
				kind,
				waterC: kind === 'wet-floor' ? Math.min(shown.emitter.waterC, 40) : shown.emitter.waterC
			},
			sensor: floor ? shown.sensor : 'air',
			finish: floor ? (shown.finish ?? 'tile') : shown.finish
		});
	}
	function figure(field: HTMLInputElement, label: string, put: (value: number) => void) {
		const value = Number(field.value.trim().replace(',', '.'));
		if (field.value.trim() === '' || !Number.isFinite(value))
			problem = `${label}: "${field.value}" is no figure.`;
		else put(value);
	}
</script>

{#snippet number(label: string, value: number, unit: string, put: (value: number) => void)}
	<label
		><span class="soft">{label}</span>
		<span
			><input
				class="mono"
				inputmode="decimal"
				{value}
				onchange={(event) => figure(event.currentTarget, label, put)}
			/>
			{unit}</span
		></label
	>
{/snippet}

<section aria-label="The room as surveyed">
	<h2>The room</h2>
	{@render number('Floor', shown.floorAreaM2, 'm²', (floorAreaM2) => set({ floorAreaM2 }))}
	{@render number('Height', shown.heightM, 'm', (heightM) => set({ heightM }))}
	<label class="tall"
		><span class="soft">Build</span>
		<select value={shown.build} onchange={(event) => set({ build: event.currentTarget.value })}>
			{#each BUILDS as build (build)}<option value={build}>{buildClasses[build].words}</option>{/each}
		</select></label
	>
	<label
		><span class="soft">Loss by</span>
		<select
			value={shown.loss.by}
			onchange={(event) =>
				set({
					loss:
						event.currentTarget.value === 'figure'
							? { by: 'figure', wattsPerKelvin: Math.round(lossOf(shown)) }
							: { by: 'survey', insulation: 'fair', exposedM2: Math.round(shown.floorAreaM2 * 1.5) }
				})}
		>
			<option value="survey">what is exposed</option>
			<option value="figure">a figure in W/K</option>
			{#if shown.loss.by === 'measured'}<option value="measured">a logger</option>{/if}
		</select></label
	>
	{#if shown.loss.by === 'survey'}
		{@const loss = shown.loss}
		<label class="tall"
			><span class="soft">Insulation</span>
			<select
				value={loss.insulation}
				onchange={(event) => set({ loss: { ...loss, insulation: event.currentTarget.value } })}
			>
				{#each INSULATIONS as one (one)}<option value={one}>{insulationClasses[one].words}</option>{/each}
			</select></label
		>
		{@render number('Exposed', loss.exposedM2, 'm²', (exposedM2) => set({ loss: { ...loss, exposedM2 } }))}
	{:else if shown.loss.by === 'figure'}
		{@const loss = shown.loss}
		{@render number('Loss', loss.wattsPerKelvin, 'W/K', (wattsPerKelvin) =>
			set({ loss: { ...loss, wattsPerKelvin } })
		)}
	{/if}
	<p class="soft note">
		Together {Math.round(lossOf(room))} W/K{room.loss.by === 'survey'
			? ', half an air change an hour counted'
			: room.loss.by === 'measured'
				? ', as measured'
				: ''}.
	</p>

	<h2>What warms it</h2>
	<label
		><span class="soft">Kind</span>
		<select
			value={shown.emitter.kind}
			onchange={(event) => changeKind(event.currentTarget.value as Room['emitter']['kind'])}
		>
			{#each EMITTERS as one (one)}<option value={one}>{emitterClasses[one].words}</option>{/each}
		</select></label
	>
	{@render number(
		emitterClasses[shown.emitter.kind].water && !emitterClasses[shown.emitter.kind].floor
			? `Rated at ${unit === 'F' ? '90 °F' : '50 K'} over the room`
			: 'Power',
		shown.emitter.ratedW,
		'W',
		(ratedW) => setEmitter({ ratedW })
	)}
	{#if emitterClasses[shown.emitter.kind].water}
		{@render number('Water', roundFigure(inUnit(unit, shown.emitter.waterC)), `°${unit}`, (figure) =>
			setEmitter({ waterC: fromUnit(unit, figure) })
		)}
	{/if}
	{#if heatsByFloor(shown)}
		<label
			><span class="soft">Finish</span>
			<select value={shown.finish ?? 'tile'} onchange={(event) => set({ finish: event.currentTarget.value })}>
				{#each FINISHES as one (one)}<option value={one}>{finishes[one].words}</option>{/each}
			</select></label
		>
		<label
			><span class="soft">Sensor</span>
			<select value={shown.sensor} onchange={(event) => set({ sensor: event.currentTarget.value })}>
				<option value="air">in the air</option>
				<option value="floor">in the floor</option>
				<option value="air-with-floor-guard">air, floor guarded</option>
			</select></label
		>
	{/if}
	<label
		><span class="soft">Regulated</span>
		<select
			value={shown.regulation.kind}
			onchange={(event) =>
				set({
					regulation:
						event.currentTarget.value === 'on-off'
							? { kind: 'on-off', differentialK: 0.5 }
							: { kind: 'cycling', perHour: 6, bandK: 1.5 }
				})}
		>
			<option value="on-off">on and off</option>
			<option value="cycling">in cycles</option>
		</select></label
	>
	{#if shown.regulation.kind === 'on-off'}
		{@render number(
			'Differential',
			roundFigure(differenceInUnit(unit, shown.regulation.differentialK)),
			differenceUnit(unit),
			(figure) => set({ regulation: { kind: 'on-off', differentialK: kelvinOf(unit, figure) } })
		)}
	{:else}
		{@const by = shown.regulation}
		{@render number('Cycles at half load', by.perHour, '/ h', (perHour) =>
			set({ regulation: { ...by, perHour } })
		)}
	{/if}
	{@render number('People, devices', shown.gainsW, 'W', (gainsW) => set({ gainsW }))}
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	<p class="soft note">
		Capacities by ISO 13790, radiators by EN 442, floors by EN 1264; insulation by common practice. It is no
		heat-loss survey.
	</p>
</section>

<style>
	h2 {
		margin-top: 0.5rem;
	}
	input {
		width: 5rem;
		text-align: right;
	}
	select {
		max-width: 10.5rem;
	}
	.tall {
		flex-direction: column;
		align-items: stretch;
		gap: 0.1rem;
	}
	.tall select {
		max-width: none;
	}
	.note {
		font-size: 0.9rem;
	}
</style>
