<script lang="ts">
	import { roundTemperatureWords, type ControlProfile } from '$core/control';
	import { leadIsStale, startsEarlyIn, target, type Lead, type Zone, unitOf } from '$core/plan';
	import Choice from '../kit/Choice.svelte';
	import NumberField from '../kit/NumberField.svelte';
	import { clockTime, DAY_SHORT, dayOf, duration, minuteOfDay } from '$core/week';
	import Term from '../kit/Term.svelte';

	let {
		zone,
		profile,
		proof,
		onchange
	}: {
		zone: Zone;
		profile: ControlProfile;
		/** Where the lead is computed. */
		proof: string;
		onchange: (zone: Zone) => void;
	} = $props();

	const short = $derived(target(zone).short);

	const words = $derived.by(() => {
		const { school, minutes } = zone.lead;
		if ((school === 'fixed' || school === 'computed') && startsEarlyIn(zone, profile))
			return {
				bad: true,
				text: 'Set preheat to none: the control has optimum start.'
			};
		if (school === 'control' && !startsEarlyIn(zone, profile))
			return {
				bad: true,
				text: 'This control has no optimum start: the room warms up only from the wanted time.'
			};
		if (school === 'control')
			return { bad: false, text: 'Key in the wanted time: the control learns when to start.' };
		if (school === 'at-need') return { bad: false, text: 'No preheat: heating starts at the wanted time.' };
		const cut = short[0];
		if (school === 'computed') {
			const { computed } = zone.lead;
			if (!computed) return { bad: true, text: 'Not computed yet.' };
			if (leadIsStale(zone))
				return { bad: true, text: 'The room, its levels or the week have changed since: compute it again.' };
			const leads = computed.leads.map((one) => one.minutes);
			const [least, most] = [Math.min(...leads), Math.max(...leads)];
			const others = Math.max(...computed.leads.map((one) => one.earlier));
			if (!cut)
				return {
					bad: false,
					text: `For this room at ${roundTemperatureWords(unitOf(zone, profile), computed.outdoorC)} outside, ${least === most ? duration(most) : `${duration(least)} to ${duration(most)}`} before the need${others > 0 ? `; up to ${duration(others)} of it so that not every zone heats at once` : ''}.`
				};
		}
		if (!cut)
			return { bad: false, text: `Every rise comes ${minutes} min before the need: the dotted line.` };
		const more = short.length > 1 ? ` and at ${short.length - 1} more` : '';
		return {
			bad: false,
			text: `${DAY_SHORT[dayOf(cut.at)]} ${clockTime(minuteOfDay(cut.at))}${more}: only ${cut.givenMinutes} min to cool, so no setback.`
		};
	});

	const change = (patch: Partial<Lead>) => onchange({ ...zone, lead: { ...zone.lead, ...patch } });
</script>

<section aria-labelledby="lead-title">
	<div class="titled">
		<h2 id="lead-title">When to start</h2>
		<Term of="preheat" />
	</div>
	<Choice
		label="Start"
		value={zone.lead.school}
		options={[
			{ value: 'at-need', text: 'no preheat' },
			{ value: 'fixed', text: 'a fixed time before' },
			{ value: 'control', text: 'optimum start' },
			...(zone.lead.computed ? [{ value: 'computed' as const, text: 'computed for the room' }] : [])
		]}
		onchange={(school) => change({ school })}
	/>
	{#if zone.lead.school === 'fixed'}
		<NumberField
			label="Before the need"
			unit="min"
			whole
			least={0}
			most={720}
			value={zone.lead.minutes}
			onchange={(minutes) => change({ minutes: minutes! })}
		/>
	{/if}
	<NumberField
		label="Stop early"
		unit="min"
		whole
		least={0}
		most={240}
		value={zone.lead.stopMinutes}
		onchange={(stopMinutes) => change({ stopMinutes: stopMinutes! })}
	/>
	<p class:signal={words.bad} class:soft={!words.bad}>{words.text}</p>
	<p><a href={proof}>{zone.room ? 'What this room needs' : 'Compute it for the room'}</a></p>
</section>

<style>
	section {
		display: grid;
		gap: 0.5rem;
	}
	p {
		font-size: var(--small);
	}
</style>
