<script lang="ts">
	import { onMount } from 'svelte';
	import type { Exercise } from '$core/formats';
	import { cardAsNew, type ToKey } from '$core/keying';
	import { canHave, FAULTS, plant, seeded, stillWrong, type Fault, type Planted } from '$core/rehearsal';
	import { FAULT_TOLD, FAULT_WORDS, pairingWords, stillWrongWords } from '$core/words';
	import { capital } from '$core/schema';
	import Button from '../kit/Button.svelte';
	import AskHousehold from './AskHousehold.svelte';
	import Choice from '../kit/Choice.svelte';
	import type { StandIn } from './standIn.svelte';

	type Broken = NonNullable<Exercise['broken']>;

	/** What goes wrong with a control after it was left: broken by hand or at random, found, and put right by its keys. */
	let {
		standIn,
		card,
		begins = null,
		broken = $bindable(null)
	}: {
		standIn: StandIn;
		card: ToKey;
		/** What is broken from the beginning, and to be found; null for nothing. */
		begins?: Broken | null;
		/** What is broken now, with the seed that breaks it so again. */
		broken?: Broken | null;
	} = $props();

	const { profile } = $derived(standIn);
	let planted = $state.raw<Planted | null>(null);
	let told = $state(false);
	let asks = $state(false);
	const wrong = $derived(planted ? stillWrong(planted, standIn.world) : []);
	const isMended = $derived(planted !== null && wrong.length === 0 && standIn.state.place === null);
	/** What is right about a stand-in that was keyed just now. */
	const keyed = $derived(cardAsNew(profile, card).memory);
	const possible = $derived(FAULTS.filter((fault) => canHave(standIn.world, fault)));
	const AT_RANDOM = 'random';
	onMount(() => {
		if (begins) breakAs(begins);
	});
	const CUT_MINUTES = 180;

	$effect(() => {
		standIn.hides = planted !== null && !told && !isMended;
	});

	function keyIt() {
		planted = broken = null;
		standIn.hold(keyed);
	}
	function breakIt(which: string) {
		const seed = Date.now() & 0x7fffffff;
		const can = FAULTS.filter((fault) => canHave(standIn.world, fault));
		const any = can[Math.floor(seeded(seed)() * can.length)]!;
		breakAs({ fault: which === AT_RANDOM ? any : (which as Fault), seed });
		told = which !== AT_RANDOM;
	}
	function breakAs(next: Broken) {
		standIn.hold(keyed);
		if (!canHave(standIn.world, next.fault)) return;
		broken = next;
		planted = plant(standIn.world, next.fault, seeded(next.seed));
		told = false;
		asks = false;
		standIn.world = planted.world;
	}
</script>

<section class="troubles" aria-label="What goes wrong">
	{#if planted}
		<div class="found" role="status">
			{#if isMended}
				<p><strong>Put right: {FAULT_WORDS[planted.fault]}.</strong></p>
			{:else}
				<p>The household says: “{FAULT_TOLD[planted.fault]}”</p>
				{#if told}
					<p>
						{capital(FAULT_WORDS[planted.fault])}{planted.detail && ` (${planted.detail})`}. {stillWrongWords(
							wrong
						)}
					</p>
				{/if}
			{/if}
		</div>
	{/if}
	<div class="acts">
		{#if planted && !isMended}
			{#if !told}
				{#if !asks}<Button small onclick={() => (asks = true)}>Ask the household</Button>{/if}
				<Button small onclick={() => (told = true)}>What is it?</Button>
			{/if}
			{#if profile.habits.paired}
				<Button small onclick={() => standIn.put({ linked: true })}>Pair them again</Button>
			{/if}
			<Button small onclick={() => standIn.put({ sunK: 0 })}>Shade its sensor</Button>
			<Button small onclick={keyIt}>Give up and fill in</Button>
		{:else}
			<Button small onclick={keyIt}>Fill in for me</Button>
			<Choice
				label="Break something"
				small
				value=""
				options={[
					{ value: '', text: 'choose' },
					{ value: AT_RANDOM, text: 'at random, to be found' },
					...possible.map((fault) => ({ value: fault, text: FAULT_WORDS[fault] }))
				]}
				onchange={(which) => which !== '' && breakIt(which)}
			/>
		{/if}
		<Button small onclick={() => standIn.cut(CUT_MINUTES)}>Cut its power for 3 h</Button>
	</div>
	{#if planted && told && wrong.includes('pairing') && pairingWords(profile)}
		<p class="soft">{pairingWords(profile)}</p>
	{/if}
	{#if planted && asks && !isMended}<AskHousehold {planted} />{/if}
</section>

<style>
	.troubles {
		margin-top: 1rem;
	}
	.found {
		padding: 0.6rem 0.75rem;
		border-left: 4px solid var(--ink);
		background: var(--sheet);
	}
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		align-items: end;
		margin-top: 0.8rem;
	}
</style>
