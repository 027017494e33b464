<script lang="ts">
	import type { ControlProfile } from '$core/control';
	import { routeMinutes } from '$core/keying';
	import type { PricedFit } from '$core/keying';
	import { ownPace } from '../keyin/pace.svelte';
	import { DAY_NAMES, clockTime, duration } from '$core/week';

	let {
		fit,
		profile,
		say,
		onchoose
	}: {
		fit: PricedFit;
		profile: ControlProfile;
		say: (setpointC: number) => string;
		onchoose: (grouping: string) => void;
	} = $props();

	const isSwitch = $derived(profile.temperature === null);
	const kelvinMinutes = (value: number) => Math.round(value).toLocaleString('en-GB').replace(',', ' ');
	const chosen = $derived(fit.chosen);
	/** What keying each grouping takes by its cheapest route, at this person's pace. */
	$effect(() => ownPace.load());
	const minutes = $derived(
		fit.prices.map((price) =>
			Math.max(1, Math.round(routeMinutes({ presses: price.presses, looks: price.values }, ownPace.now)))
		)
	);
	const route = $derived(
		fit.prices[fit.fits.findIndex((one) => one.grouping.id === chosen.grouping.id)]?.route ?? ''
	);

	const cost = $derived.by(() => {
		const { lost, misfit } = chosen;
		if (misfit.spans.length === 0) return 'Nothing is lost: the held week is the wanted week.';
		const first = lost[0];
		if (!first) return 'Every period is there; some begin or end a little off.';
		const more = lost.length === 1 ? '' : ` and ${lost.length - 1} more`;
		return `Merged away: ${DAY_NAMES[first.day]} ${clockTime(first.from)}–${clockTime(first.to)} at ${say(first.wantedC)}${more}.`;
	});
</script>

<div class="groupings" role="radiogroup" aria-label="Day grouping">
	{#each fit.fits as one, i (one.grouping.id)}
		{@const taken = one.grouping.id === chosen.grouping.id}
		<button role="radio" aria-checked={taken} class:taken onclick={() => onchoose(one.grouping.id)}>
			<span class="head">
				<span class="name">{one.grouping.name}</span>
				<span class="state">{taken ? 'chosen' : one.grouping.id === fit.suggested ? 'suggested' : ''}</span>
			</span>
			<span class="fact">
				<span class="soft">{isSwitch ? 'off too long' : 'too cold'}</span>
				<span class="mono" class:signal={one.misfit.coldMinutes > 0}>{duration(one.misfit.coldMinutes)}</span>
			</span>
			<span class="fact">
				<span class="soft">{isSwitch ? 'on too long' : 'too warm'}</span>
				<span class="mono">{duration(one.misfit.warmMinutes)}</span>
			</span>
			{#if !isSwitch}
				<span class="fact">
					<span class="soft">K·min</span>
					<span class="mono soft"
						>{kelvinMinutes(one.misfit.coldKelvinMinutes)} + {kelvinMinutes(
							one.misfit.warmKelvinMinutes
						)}</span
					>
				</span>
			{/if}
			<span class="fact">
				<span class="soft">to key</span>
				<span class="mono">{fit.prices[i]!.values} in {minutes[i]} min</span>
			</span>
			<span class="fact">
				<span class="soft">presses</span>
				<span class="mono soft">{fit.prices[i]!.presses}</span>
			</span>
		</button>
	{/each}
	<div class="cost">
		<p class="name">What it costs</p>
		<p class="soft">{cost}</p>
		<p class="soft proof">
			Typing all: {chosen.valuesToKey} values. {chosen.couldGain === 0
				? `Proved best of ${chosen.searched.candidateTimes} times × ${chosen.searched.setpoints} ${isSwitch ? 'states' : 'setpoints'}.`
				: `The best found: no other is better by more than ${Math.max(1, Math.ceil(chosen.couldGain * 100))} %.`}
		</p>
	</div>
</div>
{#if route}<p class="route"><span class="soft">Keying {chosen.grouping.name}:</span> {route}</p>{/if}

<style>
	.groupings {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(11rem, 1fr));
		border-top: 2px solid var(--ink);
	}
	button,
	.cost {
		display: flex;
		flex-direction: column;
		justify-content: flex-start;
		gap: 0.1rem;
		padding: 0.6rem 0.75rem 0.7rem;
		border: 0;
		border-right: 1px solid var(--rule);
		background: none;
		color: inherit;
		text-align: left;
		font-size: 0.95rem;
	}
	.cost {
		border-right: 0;
	}
	button {
		cursor: pointer;
		border-top: 3px solid transparent;
	}
	.cost {
		border-top: 3px solid transparent;
	}
	button:hover {
		background: var(--faint);
	}
	button.taken {
		background: var(--sheet);
		border-top-color: var(--held);
	}
	.head,
	.fact {
		display: flex;
		gap: 0.5rem;
		justify-content: space-between;
		align-items: baseline;
	}
	.fact {
		line-height: 1.35;
	}
	.fact .soft:first-child {
		white-space: nowrap;
	}
	.fact .mono {
		font-size: 0.9rem;
		white-space: nowrap;
	}
	.route {
		padding: 0.5rem 0.75rem 0;
		border-top: 1px solid var(--rule);
		font-size: 0.95rem;
	}
	.proof {
		font-size: 0.85rem;
	}
	.name {
		font-weight: 700;
		font-size: 1rem;
	}
	.state {
		font-size: 0.85rem;
		color: var(--held);
		font-weight: 700;
	}
</style>
