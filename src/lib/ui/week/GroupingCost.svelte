<script lang="ts">
	import type { ControlProfile } from '$core/control';
	import type { PricedFit } from '$core/keying';
	import { feltWords, groupingCostWords, type Felt } from '$core/words';
	import Why from '../kit/Why.svelte';

	/** What the chosen day grouping costs, in words, and how that was found. */
	let {
		fit,
		profile,
		say,
		felt = null
	}: {
		fit: PricedFit;
		profile: ControlProfile;
		/** A setpoint with its unit. */
		say: (setpointC: number) => string;
		felt?: Felt | null;
	} = $props();

	const isSwitch = $derived(profile.temperature === null);
	const kelvinMinutes = (value: number) => Math.round(value).toLocaleString('en-GB').replace(',', ' ');
	const chosen = $derived(fit.chosen);
	const route = $derived(
		fit.prices[fit.fits.findIndex((one) => one.grouping.id === chosen.grouping.id)]?.route ?? []
	);
	const feels = $derived(
		felt &&
			feltWords(
				felt,
				chosen,
				fit.fits.map(({ grouping }, i) => ({ ...grouping, values: fit.prices[i]!.values }))
			)
	);
	const cost = $derived(groupingCostWords(chosen, fit.tie, say));
</script>

<section>
	<h2>
		What {chosen.grouping.name} costs
		<Why of="How this was found">
			<p>
				{chosen.couldGain === 0
					? `All programs were weighed against each other, from ${chosen.searched.candidateTimes} times and ${chosen.searched.setpoints} ${isSwitch ? 'states' : 'setpoints'}: none misses less.`
					: `The best found; no other misses less by more than ${Math.max(1, Math.ceil(chosen.couldGain * 100))} %.`}
			</p>
			{#if !isSwitch}
				<p>
					Too cold and too warm, in kelvin times minutes: {kelvinMinutes(chosen.misfit.coldKelvinMinutes)} and
					{kelvinMinutes(chosen.misfit.warmKelvinMinutes)}.
				</p>
			{/if}
			<p>
				Keying every value takes {chosen.valuesToKey} values; copying and leaving out what is right already leaves
				{fit.prices[fit.fits.indexOf(chosen)]?.values ?? chosen.valuesToKey}.
			</p>
		</Why>
	</h2>
	<p>{cost}</p>
	{#if feels}<p>{feels}</p>{/if}
	{#if route.length > 0}<p class="soft">Keying: {route.join(' ')}</p>{/if}
</section>

<style>
	h2 {
		display: flex;
		gap: 0.4rem;
		align-items: center;
	}
</style>
