<script lang="ts">
	import { channelsOf, perDayOffers, temperatureWords, type ControlProfile } from '$core/control';
	import { canDo, movedLevels, onControl, onOwnScale } from '$core/plan';
	import { capital } from '$core/schema';
	import { boxWords, channelName, exceptionWords } from '$core/words';
	import { freeChannels, type ListedZone } from '../board/freeChannels';
	import { call } from '../call';
	import Choice from '../kit/Choice.svelte';
	import Field from '../kit/Field.svelte';
	import Problem from '../kit/Problem.svelte';
	import { refresh } from '../refresh';
	import { onBoxOf } from './boxes';
	import type { ZoneModel } from './zoneModel.svelte';

	let {
		model,
		profiles,
		zones
	}: {
		model: ZoneModel;
		profiles: readonly ControlProfile[];
		/** The zones of the site, for their controls. */
		zones: readonly (ListedZone & { readonly name: string })[];
	} = $props();

	const { zone, profile } = $derived(model);
	const offers = $derived(perDayOffers(profile));
	const channels = $derived(channelsOf(profile));
	const boxId = $derived(zones.find((one) => one.id === model.id)?.boxId ?? '');
	const beside = $derived(onBoxOf(zones, boxId).filter((one) => one.id !== model.id));
	const names = $derived([zone.name, ...beside.map((one) => one.name)].join(' and '));
	/** The channels of other controls that are free, and of its own where others hang on it. */
	const free = $derived(freeChannels(zones, profiles, model.id).filter((one) => one.zoneId !== model.id));
	const OWN = 'own';
	const HERE = 'here';
	const elsewhere = $derived(
		free.filter((one) => !beside.some(({ id }) => id === one.zoneId) || one.channel !== zone.options.channel)
	);
	let problem = $state<string | null>(null);

	/** Hangs the zone on another control: what it was there is read anew. */
	async function hang(value: string) {
		if (value === HERE) return;
		const to = free.find((one) => one.value === value);
		await model.editor.flush();
		const answer = await call('PUT', `/api/v1/jobs/${model.siteId}/zones/${model.id}/control`, {
			beside: to?.zoneId ?? null,
			channel: to?.channel ?? 0
		});
		problem = answer.ok ? null : answer.sentence;
		await refresh('fq:site');
	}

	function option<K extends keyof typeof zone.options>(key: K, value: (typeof zone.options)[K]) {
		model.change({ ...zone, options: { ...zone.options, [key]: value } });
	}

	/** What another unit made of the levels, or another control of what was planned, said once. */
	let moved = $state<string | null>(null);
	function changeUnit(unit: 'C' | 'F') {
		const switched = { ...zone, options: { ...zone.options, unit } };
		const next = onOwnScale(switched, profile);
		const levels = movedLevels(switched, next);
		moved =
			levels.length === 0
				? null
				: `On this control a level is a whole °F: ${levels
						.map(
							({ from, to }) =>
								`${from.name} ${temperatureWords('C', from.setpointC)} is ${temperatureWords('F', to.setpointC)} now`
						)
						.join(', ')}.`;
		model.change(next);
	}

	function changeControl(id: string) {
		const next = profiles.find((candidate) => candidate.id === id);
		if (!next) return;
		const lost = zone.exceptions.filter((one) => !canDo(next, one));
		moved =
			lost.length === 0
				? null
				: `${next.name} cannot do this, so it is planned no more: ${lost.map((one) => exceptionWords(one, zone, profile)).join('; ')}. Undo brings it back.`;
		model.change(onControl(zone, profile, next));
	}
</script>

<section aria-labelledby="its-control">
	<h2 id="its-control">Its control</h2>
	{#if beside.length > 0}
		<p>
			{boxWords(zone, profile)} controls {names}: one clock and settings.
		</p>
	{/if}
	{#if zone.box.note !== ''}<p class="soft">{zone.box.note}</p>{/if}
	<div class="fields">
		{#if beside.length > 0 || elsewhere.length > 0}
			<div class="wide">
				<Choice
					label="Controlled by"
					value={beside.length > 0 ? HERE : OWN}
					options={[
						...(beside.length > 0
							? [
									{
										value: HERE,
										text: `${capital(channelName(zone, profile))} of ${boxWords(zone, profile)}`
									}
								]
							: []),
						...elsewhere.map(({ value, text }) => ({ value, text })),
						{ value: OWN, text: 'A control of its own' }
					]}
					onchange={hang}
				/>
			</div>
		{/if}
		<div class="wide">
			<Choice
				label="Kind"
				value={zone.control}
				options={profiles.map((one) => ({ value: one.id, text: one.name }))}
				onchange={changeControl}
			/>
		</div>
		<Field
			label="Name"
			placeholder={profile.name}
			maxlength={80}
			value={zone.box.name}
			onchange={(name) => model.change({ ...zone, box: { ...zone.box, name: name.trim() } })}
		/>
		<Field
			label="Fitted in"
			placeholder="Airing cupboard, hall …"
			maxlength={120}
			value={zone.box.place}
			onchange={(place) => model.change({ ...zone, box: { ...zone.box, place: place.trim() } })}
		/>
		{#if offers.length > 1 && !zone.options.plain}
			<Choice
				label="Steps a day"
				value={String(zone.options.perDay)}
				options={offers.map((count) => ({ value: String(count), text: String(count) }))}
				onchange={(count) => option('perDay', Number(count))}
			/>
		{/if}
		{#if profile.canBePlain}
			<Choice
				label="Mode"
				value={zone.options.plain ? 'plain' : 'program'}
				options={[
					{ value: 'program', text: 'its program' },
					{ value: 'plain', text: 'one setpoint' }
				]}
				onchange={(runs) => option('plain', runs === 'plain')}
			/>
		{/if}
		{#if channels && beside.length === 0}
			<Choice
				label="Channel"
				value={String(zone.options.channel)}
				options={channels.map((name, i) => ({ value: String(i), text: name }))}
				onchange={(channel) => option('channel', Number(channel))}
			/>
		{/if}
		{#if profile.clockFormats.length > 1}
			<Choice
				label="Its clock"
				value={zone.options.clock}
				options={[
					{ value: '24', text: '24-hour' },
					{ value: '12', text: '12-hour' }
				]}
				onchange={(clock) => option('clock', clock)}
			/>
		{/if}
		{#if profile.temperature && profile.temperature.units.length > 1}
			<Choice
				label="Its unit"
				value={zone.options.unit}
				options={[
					{ value: 'C', text: '°C' },
					{ value: 'F', text: '°F' }
				]}
				onchange={changeUnit}
			/>
		{/if}
	</div>
	<Problem sentence={problem} onclose={() => (problem = null)} />
	{#if moved}<p role="status">{moved}</p>{/if}
	<p><a href="/controls/{zone.control}">What this control can hold</a></p>
</section>

<style>
	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(11rem, 100%), 1fr));
		gap: 0.75rem 1rem;
		margin: 0.5rem 0;
	}
	.wide {
		grid-column: 1 / -1;
	}
</style>
