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
	import Choice from '../kit/Choice.svelte';
	import NumberField from '../kit/NumberField.svelte';
	import Why from '../kit/Why.svelte';
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
</script>

{#snippet number(label: string, value: number, unit: string, put: (value: number) => void)}
	<NumberField {label} {unit} {value} onchange={(figure) => put(figure!)} />
{/snippet}

<section aria-label="The room as surveyed">
	<h2>The room</h2>
	<div class="fields">
		{@render number('Floor', shown.floorAreaM2, 'm²', (floorAreaM2) => set({ floorAreaM2 }))}
		{@render number('Height', shown.heightM, 'm', (heightM) => set({ heightM }))}
		<Choice
			label="Build"
			value={shown.build}
			options={BUILDS.map((build) => ({ value: build, text: buildClasses[build].words }))}
			onchange={(build) => set({ build })}
		/>
		<Choice
			label="Heat loss by"
			value={shown.loss.by}
			options={[
				{ value: 'survey', text: 'what is exposed' },
				{ value: 'figure', text: 'a figure in W/K' },
				...(shown.loss.by === 'measured' ? [{ value: 'measured' as const, text: 'a logger' }] : [])
			]}
			onchange={(by) =>
				set({
					loss:
						by === 'figure'
							? { by: 'figure', wattsPerKelvin: Math.round(lossOf(shown)) }
							: { by: 'survey', insulation: 'fair', exposedM2: Math.round(shown.floorAreaM2 * 1.5) }
				})}
		/>
		{#if shown.loss.by === 'survey'}
			{@const loss = shown.loss}
			<Choice
				label="Insulation"
				value={loss.insulation}
				options={INSULATIONS.map((one) => ({ value: one, text: insulationClasses[one].words }))}
				onchange={(insulation) => set({ loss: { ...loss, insulation } })}
			/>
			{@render number('Exposed walls, roof, floor', loss.exposedM2, 'm²', (exposedM2) =>
				set({ loss: { ...loss, exposedM2 } })
			)}
		{:else if shown.loss.by === 'figure'}
			{@const loss = shown.loss}
			{@render number('Loss', loss.wattsPerKelvin, 'W/K', (wattsPerKelvin) =>
				set({ loss: { ...loss, wattsPerKelvin } })
			)}
		{/if}
		{@render number('People and devices', shown.gainsW, 'W', (gainsW) => set({ gainsW }))}
	</div>
	<p class="soft">
		Together {Math.round(lossOf(room))} W/K{room.loss.by === 'survey'
			? ', half an air change an hour counted'
			: room.loss.by === 'measured'
				? ', as measured'
				: ''}.
		<Why of="Where these figures come from">
			<p>
				Capacities by ISO 13790, radiators by EN 442, floors by EN 1264; insulation by common practice. It is
				not a heat-loss survey.
			</p>
		</Why>
	</p>

	<h2>What warms it</h2>
	<div class="fields">
		<Choice
			label="Kind of emitter"
			value={shown.emitter.kind}
			options={EMITTERS.map((one) => ({ value: one, text: emitterClasses[one].words }))}
			onchange={changeKind}
		/>
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
			<Choice
				label="Finish"
				value={shown.finish ?? 'tile'}
				options={FINISHES.map((one) => ({ value: one, text: finishes[one].words }))}
				onchange={(finish) => set({ finish })}
			/>
			<Choice
				label="Sensor"
				value={shown.sensor}
				options={[
					{ value: 'air', text: 'in the air' },
					{ value: 'floor', text: 'in the floor' },
					{ value: 'air-with-floor-guard', text: 'air, floor guarded' }
				]}
				onchange={(sensor) => set({ sensor })}
			/>
		{/if}
		<Choice
			label="Regulated"
			value={shown.regulation.kind}
			options={[
				{ value: 'on-off', text: 'on and off' },
				{ value: 'cycling', text: 'in cycles' }
			]}
			onchange={(kind) =>
				set({
					regulation:
						kind === 'on-off'
							? { kind: 'on-off', differentialK: 0.5 }
							: { kind: 'cycling', perHour: 6, bandK: 1.5 }
				})}
		/>
		{#if shown.regulation.kind === 'on-off'}
			{@render number(
				'Differential',
				roundFigure(differenceInUnit(unit, shown.regulation.differentialK)),
				differenceUnit(unit),
				(figure) => set({ regulation: { kind: 'on-off', differentialK: kelvinOf(unit, figure) } })
			)}
		{:else}
			{@const by = shown.regulation}
			{@render number('Cycles at half load', by.perHour, 'an hour', (perHour) =>
				set({ regulation: { ...by, perHour } })
			)}
		{/if}
	</div>
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
</section>

<style>
	h2 {
		margin-top: 1.2rem;
		font-size: 1rem;
	}
	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(13rem, 100%), 1fr));
		gap: 0.75rem 1rem;
		margin: 0.5rem 0;
	}
</style>
