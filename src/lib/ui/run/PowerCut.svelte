<script lang="ts">
	import type { ControlOptions, ControlProfile } from '$core/control';
	import Slide from '../kit/Slide.svelte';
	import { powerLossSentence, reserveSentence } from '$core/words';

	let { profile, options }: { profile: ControlProfile; options: ControlOptions } = $props();

	/** Power cuts in minutes, and as they are said. */
	const CUTS = [
		[1, '1 min'],
		[10, '10 min'],
		[60, '1 h'],
		[720, '12 h'],
		[2880, '2 days'],
		[10_080, '7 days']
	] as const;
	let cut = $state(2);
	const [minutes, words] = $derived(CUTS[cut]!);
</script>

<section>
	<h2>Without power</h2>
	<p>{reserveSentence(profile)}</p>
	{#if profile.habits.clock.summerTime !== 'no-clock'}
		<Slide label="Power cut" least={0} most={CUTS.length - 1} said={(i) => CUTS[i]![1]} bind:value={cut} />
		<p class="soft">After {words}: {powerLossSentence(profile, options, minutes)}</p>
	{/if}
</section>
