<script lang="ts">
	import { Button } from 'carbon-components-svelte';
	import type { ControlProfile } from '$core/control';
	import type { Zone } from '$core/plan';
	import { clockTime, DAY_SHORT, dayOf, duration, minuteOfDay } from '$core/week';
	import type { Staggered } from '$lib/workers/siteHeat';

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
	const byItself = $derived(zones.filter(({ profile }) => profile.startsEarly).map(({ zone }) => zone.name));
</script>

<section>
	<h2>What was moved</h2>
	<div class="keys">
		<Button disabled={busy} on:click={ontake}>Take these starts into {staggered.zones.length} zones</Button>
		<button class="quiet" onclick={onleave}>Leave them</button>
	</div>
	{#if moved.length === 0}
		<p>Nothing had to be: with each room's own lead the limit is kept.</p>
	{:else}
		<table class="figures">
			<thead
				><tr
					><th>zone</th><th>warm at</th><th></th><th>it needs</th><th>starts now at</th><th>earlier by</th
					></tr
				></thead
			>
			<tbody>
				{#each moved as rise (rise.id + rise.at + rise.minutes)}
					<tr>
						<th scope="row">{rise.zone}</th>
						<td>{clockTime(minuteOfDay(rise.at))}</td>
						<td class="soft">{dayWords(rise.days)}</td>
						<td>{duration(rise.minutes - rise.earlier)}</td>
						<td class="mono">{startAt(rise.at, rise.minutes)}</td>
						<td>{duration(rise.earlier)}</td>
					</tr>
				{/each}
			</tbody>
		</table>
	{/if}
	{#if staggered.load.overMinutes > 0}
		<p class="signal">
			Not enough: {duration(staggered.load.overMinutes)} of the week stay over the limit. A smaller setback in some
			rooms, or a load-shedding relay fitted by an electrician, would help.
		</p>
	{/if}
	{#if byItself.length > 0}
		<p class="soft">
			Left alone, because its control starts early by itself: {byItself.join(', ')}.
		</p>
	{/if}
	<p class="soft">
		Energy of the week {kWhBefore?.toFixed(0) ?? '–'} → {staggered.load.kWh.toFixed(0)} kWh; {staggered
			.stagger.tried} settings were run. A good answer, not proved the best.
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
