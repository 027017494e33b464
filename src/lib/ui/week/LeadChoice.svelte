<script lang="ts">
	import { roundTemperatureWords, type ControlProfile } from '$core/control';
	import { leadIsStale, target, type Lead, type Zone, unitOf } from '$core/plan';
	import { clockTime, DAY_SHORT, dayOf, duration, minuteOfDay } from '$core/week';

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

	let problem = $state<string | null>(null);
	const short = $derived(target(zone).short);

	const words = $derived.by(() => {
		const { school, minutes } = zone.lead;
		if ((school === 'fixed' || school === 'computed') && profile.startsEarly)
			return {
				bad: true,
				text: 'This control starts early by itself: with a typed lead too it is warm twice too soon. Let it.'
			};
		if (school === 'control' && !profile.startsEarly)
			return {
				bad: true,
				text: 'This control does not start early by itself: the room will warm up only from the time of need.'
			};
		if (school === 'control')
			return { bad: false, text: 'Key the time of need; the control learns when to begin.' };
		if (school === 'at-need')
			return { bad: false, text: 'The setpoint rises when warmth is wanted, not before.' };
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
			text: `${DAY_SHORT[dayOf(cut.at)]} ${clockTime(minuteOfDay(cut.at))} has only ${cut.givenMinutes} min since the last fall${more}: no setback there.`
		};
	});

	function change(patch: Partial<Lead>) {
		problem = null;
		onchange({ ...zone, lead: { ...zone.lead, ...patch } });
	}

	function minutes(key: 'minutes' | 'stopMinutes', most: number, field: HTMLInputElement) {
		const value = Number(field.value);
		if (field.value.trim() === '' || !Number.isInteger(value) || value < 0 || value > most) {
			problem = `"${field.value}" is no whole number of minutes from 0 to ${most}.`;
			field.value = String(zone.lead[key]);
		} else change({ [key]: value });
	}
</script>

<section aria-labelledby="lead-title">
	<h2 id="lead-title">When to start</h2>
	<label>
		<span class="soft">Start</span>
		<select
			value={zone.lead.school}
			onchange={(event) => change({ school: event.currentTarget.value as Lead['school'] })}
		>
			<option value="at-need">at the time of need</option>
			<option value="fixed">a fixed time before</option>
			<option value="control">the control does it</option>
			{#if zone.lead.computed}<option value="computed">computed for the room</option>{/if}
		</select>
	</label>
	{#if zone.lead.school === 'fixed'}
		<label>
			<span class="soft">Minutes before</span>
			<input
				inputmode="numeric"
				value={zone.lead.minutes}
				onchange={(event) => minutes('minutes', 720, event.currentTarget)}
			/>
		</label>
	{/if}
	<label>
		<span class="soft">Stop early, min</span>
		<input
			inputmode="numeric"
			value={zone.lead.stopMinutes}
			onchange={(event) => minutes('stopMinutes', 240, event.currentTarget)}
		/>
	</label>
	<p class:signal={words.bad} class:soft={!words.bad}>{words.text}</p>
	<p><a href={proof}>{zone.room ? 'What this room needs' : 'Compute it for the room'}</a></p>
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
</section>

<style>
	select {
		max-width: 11rem;
	}
	input {
		width: 4rem;
		text-align: right;
	}
	p {
		margin-top: 0.25rem;
		font-size: 0.92rem;
	}
</style>
