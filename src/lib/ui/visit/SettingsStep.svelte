<script lang="ts">
	import { allowedOptions, differenceWords, limitWords, setpointWithUnit } from '$core/control';
	import type { Notes } from '$core/keying';
	import { offsetKeyWords, pairingWords, resetWords } from '$core/words';
	import { notAsked, offsetOf, type Zone } from '$core/plan';
	import { floorLimitOf } from '$core/thermal';
	import SetFirst from '../keyin/SetFirst.svelte';
	import Choice from './Choice.svelte';
	import Day from './Day.svelte';
	import Degrees from './Degrees.svelte';
	import Figure from './Figure.svelte';
	import type { StepProps } from './stepProps';
	import Button from '$lib/ui/kit/Button.svelte';

	let {
		zone,
		profile,
		onSite,
		set,
		siteId,
		lead,
		zones,
		grouping,
		notes,
		readAtMs
	}: StepProps & {
		siteId: string;
		/** The first of the zones that hang on the control: what is keyed at it is noted there. */
		lead: string;
		/** The zones that hang on the control. */
		zones: readonly Zone[];
		/** The id of the day grouping that the week is keyed in. */
		grouping: string;
		/** What was noted at it when the page was read by the server, and when that was. */
		notes: Notes | null;
		readAtMs: number;
	} = $props();

	const options = $derived(allowedOptions(profile, zone.options));
	const say = (c: number) => setpointWithUnit(profile, options, c);
	const resets = $derived(resetWords(profile));
	const limits = $derived.by(() => {
		const lines: [string, string][] = [];
		const { highLimitC, lowLimitC } = zone.settings;
		if (highLimitC !== null) lines.push(['Maximum setpoint', say(highLimitC)]);
		if (lowLimitC !== null) lines.push(['Minimum setpoint', say(lowLimitC)]);
		const floorC = zone.room && floorLimitOf(zone.room);
		if (floorC) lines.push(['Floor limit', limitWords(options.unit, floorC, 'most')]);
		if (zone.room?.regulation.kind === 'on-off')
			lines.push(['Differential', differenceWords(options.unit, zone.room.regulation.differentialK)]);
		if (zone.room?.regulation.kind === 'cycling')
			lines.push(['Cycles an hour', String(zone.room.regulation.perHour)]);
		return lines;
	});
	const offset = $derived(offsetOf(onSite.offsetReadings));
	const offsetKeys = $derived(offset && offsetKeyWords(profile, options.unit, offset.offsetK));
	let control = $state<number | null>(null);
	let thermometer = $state<number | null>(null);
	function add() {
		if (control === null || thermometer === null) return;
		set('offsetReadings', [...onSite.offsetReadings, { controlC: control, thermometerC: thermometer }]);
		control = null;
		thermometer = null;
	}
	const pairing = $derived(pairingWords(profile));
</script>

<SetFirst {siteId} {lead} {profile} {zones} {grouping} {notes} {readAtMs} />
{#if limits.length > 0}
	<dl>
		{#each limits as [what, shows] (what)}
			<div>
				<dt>{what}</dt>
				<dd>{shows}</dd>
			</div>
		{/each}
	</dl>
{/if}
{#if resets.length > 0}
	<p class="soft">Nobody knows how it was set? First reset it: {resets.join(' ')}</p>
{/if}
{#if profile.temperature}
	<Choice
		label="Frost protection"
		choices={[
			[true, 'on'],
			[false, 'off']
		] as const}
		value={onSite.frostOn}
		onchoose={(value) => set('frostOn', value)}
	/>
	<p class="soft">It protects pipes, not people.</p>
	<h2>Beside a reference thermometer</h2>
	<Degrees
		label="The control shows"
		unit={options.unit}
		value={control}
		onchange={(value) => (control = value)}
	/>
	<Degrees
		label="The thermometer shows"
		unit={options.unit}
		value={thermometer}
		onchange={(value) => (thermometer = value)}
	/>
	<div class="keys">
		<Button disabled={control === null || thermometer === null} onclick={add}>Add the reading</Button>
		{#if onSite.offsetReadings.length > 0}
			<Button onclick={() => set('offsetReadings', onSite.offsetReadings.slice(0, -1))}
				>Take the last back</Button
			>
		{/if}
	</div>
	{#if offset}
		<p role="status">
			<strong>Offset {offset.offsetK > 0 ? '+' : ''}{differenceWords(options.unit, offset.offsetK)}</strong
			>{onSite.offsetReadings.length > 1
				? `, spread ${differenceWords(options.unit, offset.spreadK, 2)} of ${onSite.offsetReadings.length} readings`
				: ', of one reading; three are better'}.
		</p>
		{#if offsetKeys}<p>{offsetKeys}</p>{/if}
		<Degrees
			label="Offset keyed"
			unit={options.unit}
			difference
			value={onSite.offsetSetK}
			onchange={(value) => set('offsetSetK', value)}
		/>
	{/if}
{/if}
{#if notAsked('paired', zone, profile) === null}
	<Choice
		label="Paired with its receiver"
		choices={[
			[true, 'paired'],
			[false, 'not paired']
		] as const}
		value={onSite.paired}
		onchoose={(value) => set('paired', value)}
	/>
	{#if pairing}<p class="soft">{pairing}</p>{/if}
{/if}
{#if profile.habits.power === 'batteries'}
	<Day
		label="Batteries fitted on"
		value={onSite.batteriesOn}
		onchange={(value) => set('batteriesOn', value)}
	/>
	<Figure
		label="They last about"
		unit="months"
		value={onSite.batteryMonths}
		onchange={(value) => set('batteryMonths', value ?? 24)}
	/>
{/if}

<style>
	dl {
		margin: 0.5rem 0;
	}
	dl div {
		display: flex;
		justify-content: space-between;
		gap: 1rem;
		min-height: 44px;
		align-items: center;
		border-bottom: 1px solid var(--rule);
	}
	dt::first-letter {
		text-transform: uppercase;
	}
	dd {
		margin: 0;
		font-family: var(--display);
		font-size: 1.25rem;
		font-weight: 600;
	}
	h2 {
		margin-top: 1.1rem;
		font-size: 1rem;
	}
	.keys {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		margin: 0.3rem 0 0.6rem;
	}
</style>
