<script lang="ts">
	import Close from 'carbon-icons-svelte/lib/Close.svelte';
	import type { Fact } from '$core/callback';
	import { hear } from '$core/heard';
	import { heardWords } from '$core/words';
	import Button from '../kit/Button.svelte';
	import Choice from '../kit/Choice.svelte';
	import Field from '../kit/Field.svelte';
	import NumberField from '../kit/NumberField.svelte';
	import TimeField from '../kit/TimeField.svelte';

	/** What the household said: taken from large choices, shown as it was understood, and taken back one by one. */
	let {
		facts,
		said,
		words,
		unit,
		onsaid,
		onadd,
		ontakeback
	}: {
		facts: readonly Fact[];
		/** In their own words. */
		said: string;
		words: (fact: Fact) => string;
		/** In which its control shows degrees; null where it shows none. */
		unit: 'C' | 'F' | null;
		onsaid: (said: string) => void;
		onadd: (facts: readonly Fact[]) => void;
		/** The fact at a place is taken back. */
		ontakeback: (at: number) => void;
	} = $props();

	/** What is written is understood as far as it can be; what was understood stands above, to be taken back. */
	const heard = $derived(hear(said));
	function take(text: string) {
		if (text.trim() === said.trim()) return;
		onsaid(text.trim());
		onadd(hear(text).flatMap(({ facts }) => facts));
	}

	const DAYS = {
		every: [0, 1, 2, 3, 4, 5, 6],
		weekdays: [0, 1, 2, 3, 4],
		weekend: [5, 6],
		monday: [0],
		sunday: [6]
	} as const;
	let on = $state<keyof typeof DAYS>('every');
	const days = $derived([...DAYS[on]]);
	const add = (fact: Fact) => onadd([fact]);
	const felt = $derived<[string, Fact][]>([
		['Cold in the mornings', { kind: 'feels', what: 'cold', days, from: 360, to: 540 }],
		['Cold in the daytime', { kind: 'feels', what: 'cold', days, from: 600, to: 1020 }],
		['Cold in the evenings', { kind: 'feels', what: 'cold', days, from: 1080, to: 1320 }],
		['Never warm', { kind: 'feels', what: 'cold', days, from: 0, to: 1440 }],
		['Too hot at night', { kind: 'feels', what: 'hot', days, from: 60, to: 300 }],
		['Too hot in the daytime', { kind: 'feels', what: 'hot', days, from: 600, to: 1020 }]
	]);
	let turns = $state<'on' | 'off'>('on');
	/** A time that was taken is asked for anew. */
	let taken = $state(0);
	function takeTime(text: string) {
		const [hour = 0, minute = 0] = text.split(':').map(Number);
		add({ kind: 'turns', to: turns, days, at: hour * 60 + minute });
		taken++;
	}
	function takeShown(degrees: number | null) {
		if (degrees === null || unit === null) return;
		add({ kind: 'shows', degrees, unit, days, at: null });
		taken++;
	}
</script>

<section aria-label="What was said">
	<h2>What was said</h2>
	{#if facts.length > 0}
		<ul class="said">
			{#each facts as fact, i (i)}
				<li>
					{words(fact)}
					<Button
						kind="quiet"
						small
						icon={Close}
						iconLabel="Take back: {words(fact)}"
						onclick={() => ontakeback(i)}
					/>
				</li>
			{/each}
		</ul>
	{/if}
	<Field
		label="In their own words"
		help="Such as: cold in the mornings, it comes on at nine since the clocks changed"
		maxlength={400}
		value={said}
		onchange={take}
	/>
	{#if heard.length > 0}
		<ul class="heard" role="status" aria-label="How it was read">
			{#each heard as clause, i (i)}
				<li class:unread={clause.facts.length === 0}>{heardWords(clause)}</li>
			{/each}
		</ul>
		{#if heard.some(({ facts: read }) => read.length === 0)}
			<p class="soft">Choose below what it means.</p>
		{/if}
	{/if}
	<div class="fields">
		<Choice
			label="On"
			small
			value={on}
			options={[
				{ value: 'every', text: 'every day' },
				{ value: 'weekdays', text: 'working days' },
				{ value: 'weekend', text: 'Saturday and Sunday' },
				{ value: 'monday', text: 'Mondays' },
				{ value: 'sunday', text: 'Sundays' }
			]}
			onchange={(next) => (on = next as typeof on)}
		/>
		{#if unit}
			{#key taken}
				<NumberField
					label="It shows"
					unit="°{unit}"
					value={null}
					least={unit === 'F' ? 0 : -20}
					most={unit === 'F' ? 120 : 50}
					empty
					onchange={takeShown}
				/>
			{/key}
		{/if}
	</div>
	<div class="choices">
		{#each felt as [name, fact] (name)}<Button onclick={() => add(fact)}>{name}</Button>{/each}
	</div>
	<div class="fields">
		<Choice
			label="It"
			small
			value={turns}
			options={[
				{ value: 'on', text: 'comes on at' },
				{ value: 'off', text: 'goes off at' }
			]}
			onchange={(next) => (turns = next as typeof turns)}
		/>
		{#key taken}<TimeField label="about" value={null} onchange={takeTime} />{/key}
	</div>
</section>

<style>
	.heard {
		display: grid;
		gap: 0.2rem;
		margin: 0.4rem 0;
		font-size: var(--small);
	}
	.unread {
		color: var(--soft);
		text-decoration: underline dotted;
		text-underline-offset: 0.2em;
	}
	h2 {
		font-size: 1.05rem;
	}
	.said {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
		margin: 0.4rem 0 0.8rem;
		/* the tip of a button at the edge widens nothing */
		overflow-x: clip;
	}
	.said li {
		display: flex;
		align-items: center;
		padding-left: 0.8rem;
		border: 1px solid var(--rule);
		border-radius: 1.2rem;
		background: var(--sheet);
	}
	.fields + .choices,
	section > :global(* + .fields) {
		margin-top: 0.8rem;
	}
	.choices {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
		gap: 0.5rem;
		margin: 0.6rem 0;
	}
	.fields {
		display: grid;
		grid-template-columns: repeat(2, minmax(0, 1fr));
		gap: 0.6rem;
		align-items: start;
	}
</style>
