<script lang="ts">
	import type { ControlProfile } from '$core/control';
	import { startsEarlyIn, type Zone } from '$core/plan';
	import { clockTime, DAY_SHORT, dayOf, duration, minuteOfDay } from '$core/week';
	import type { Staggered } from '$lib/workers/siteHeat';
	import Button from '../kit/Button.svelte';
	import Figures from '../kit/Figures.svelte';
	import Why from '../kit/Why.svelte';

	let {
		staggered,
		zones,
		kWhBefore,
		busy,
		ontake,
		onleave
	}: {
		staggered: Staggered;
		zones: readonly { readonly id: string; readonly zone: Zone; readonly profile: ControlProfile }[];
		/** The energy of the week as the starts are now. */
		kWhBefore: number | null;
		busy: boolean;
		ontake: () => void;
		onleave: () => void;
	} = $props();

	/** What was moved, once for each time of day: `06:30, Mon to Sun`. */
	const moved = $derived.by(() => {
		return staggered.stagger.zones.flatMap(({ id, rises }) => {
			const one = zones.find((zone) => zone.id === id)!;
			const rows: {
				at: number;
				minutes: number;
				earlier: number;
				days: number[];
				id: string;
				zone: string;
			}[] = [];
			for (const rise of rises) {
				if (rise.earlier === 0) continue;
				const same = rows.find(
					(row) =>
						minuteOfDay(row.at) === minuteOfDay(rise.at) &&
						row.minutes === rise.minutes &&
						row.earlier === rise.earlier
				);
				if (same) same.days.push(dayOf(rise.at));
				else rows.push({ ...rise, days: [dayOf(rise.at)], id, zone: one.zone.name });
			}
			return rows;
		});
	});
	const dayWords = (days: readonly number[]) =>
		days.length === 7
			? 'every day'
			: days.length > 2 && days.at(-1)! - days[0]! === days.length - 1
				? `${DAY_SHORT[days[0]!]} to ${DAY_SHORT[days.at(-1)!]}`
				: days.map((one) => DAY_SHORT[one]).join(', ');
	const startAt = (need: number, lead: number) => clockTime(minuteOfDay((need - lead + 10_080) % 10_080));
	const byItself = $derived(
		zones.filter(({ zone, profile }) => startsEarlyIn(zone, profile)).map(({ zone }) => zone.name)
	);
</script>

<section>
	<h2>What was moved</h2>
	<div class="keys">
		<Button kind="next" disabled={busy} onclick={ontake}
			>Take these starts into {staggered.zones.length} zones</Button
		>
		<Button onclick={onleave}>Leave them</Button>
	</div>
	{#if moved.length === 0}
		<p>Nothing had to be: with each room's own preheat the limit is kept.</p>
	{:else}
		<Figures
			label="Starts that were moved"
			head={['zone', 'warm at', 'on', 'it needs', 'starts now at', 'earlier by']}
			rows={moved.map((rise) => [
				rise.zone,
				clockTime(minuteOfDay(rise.at)),
				dayWords(rise.days),
				duration(rise.minutes - rise.earlier),
				startAt(rise.at, rise.minutes),
				duration(rise.earlier)
			])}
		/>
	{/if}
	{#if staggered.load.overMinutes > 0}
		<p class="signal">
			Not enough: {duration(staggered.load.overMinutes)} of the week stay over the limit. A smaller setback in some
			rooms, or a load-shedding relay fitted by an electrician, would help.
		</p>
	{/if}
	{#if byItself.length > 0}
		<p class="soft">
			Left alone, because its control has optimum start: {byItself.join(', ')}.
		</p>
	{/if}
	<p class="soft">
		Energy of the week: {kWhBefore?.toFixed(0) ?? '–'} kWh before, {staggered.load.kWh.toFixed(0)} kWh after.
		<Why of="How these starts were found">
			<p>
				{staggered.stagger.tried} settings of the starts were run over the week. The best of them is a good answer;
				it is not proved that there is no better one.
			</p>
		</Why>
	</p>
</section>

<style>
	section {
		margin-top: 1.1rem;
	}
	h2 {
		font-size: 1.05rem;
	}
	.keys {
		display: flex;
		flex-wrap: wrap;
		gap: 1rem;
		align-items: center;
		margin-top: 0.75rem;
	}
</style>
