<script lang="ts">
	import Close from 'carbon-icons-svelte/lib/Close.svelte';
	import { FURTHER_FACTS, type Fact } from '$core/callback';
	import { hear, understand, type Hearing } from '$core/heard';
	import { factWords } from '$core/words';
	import { DAY_SHORT, timeMinute } from '$core/week';
	import Button from '../kit/Button.svelte';
	import Chips from '../kit/Chips.svelte';
	import Choice from '../kit/Choice.svelte';
	import Field from '../kit/Field.svelte';
	import More from '../kit/More.svelte';
	import NumberField from '../kit/NumberField.svelte';
	import Pick from '../kit/Pick.svelte';
	import TimeField from '../kit/TimeField.svelte';

	/** What the household said: in their own words, under them what was read and what was not; and by choices. */
	let {
		facts,
		said,
		unit,
		hearing,
		onsaid,
		onadd,
		ontakeback
	}: {
		facts: readonly Fact[];
		/** In their own words. */
		said: string;
		/** In which its control shows degrees; null where it shows none. */
		unit: 'C' | 'F' | null;
		hearing: Hearing;
		/** Other words, with what those before them said, and what they say. */
		onsaid: (said: string, before: readonly Fact[], now: readonly Fact[]) => void;
		onadd: (facts: readonly Fact[]) => void;
		/** The fact at a place is taken back. */
		ontakeback: (at: number) => void;
	} = $props();

	const heard = $derived(hear(said, hearing));
	const unread = $derived(heard.filter((clause) => clause.facts.length === 0));
	/** The words that a fact was read from; empty where it was chosen. */
	const wordsOf = (fact: Fact): string =>
		heard.find((clause) => clause.facts.some((one) => JSON.stringify(one) === JSON.stringify(fact)))?.words ??
		'';
	function take(text: string) {
		if (text.trim() === said.trim()) return;
		const before = heard.flatMap((clause) => clause.facts);
		onsaid(text.trim(), before, understand(text, hearing));
	}

	const EVERY_DAY = [0, 1, 2, 3, 4, 5, 6];
	let chosen = $state<readonly number[]>([]);
	const days = $derived(chosen.length === 0 ? EVERY_DAY : [...chosen].sort((a, b) => a - b));
	const pressDay = (day: number) =>
		(chosen = chosen.includes(day) ? chosen.filter((one) => one !== day) : [...chosen, day]);
	const SPANS = [
		['in the morning', 360, 540],
		['in the daytime', 600, 1020],
		['in the evening', 1080, 1320],
		['at night', 60, 300],
		['all day', 0, 1440]
	] as const;
	type Felt = Extract<Fact, { kind: 'feels' }>['what'];
	let what = $state<Felt>('cold');
	let from = $state<string | null>(null);
	let turns = $state<'on' | 'off'>('on');
	/** A figure that was taken is asked for anew. */
	let taken = $state(0);
	function add(fact: Fact) {
		onadd([fact]);
		taken++;
		from = null;
	}
	const feels = (start: number, end: number) =>
		add({ kind: 'feels', what, days, from: start, to: Math.max(start + 1, end) });
</script>

<section aria-label="What was said">
	<h2>What was said</h2>
	<Field
		label="In their own words"
		help="Such as: cold in the mornings, it comes on at nine since the clocks changed"
		maxlength={400}
		value={said}
		onchange={take}
	/>
	<ul role="status" aria-label="How it was read">
		{#each facts as fact, i (i)}
			<li>
				<span
					>{factWords(fact)}{#if wordsOf(fact)}<span class="soft words">“{wordsOf(fact)}”</span>{/if}</span
				>
				<Button
					kind="quiet"
					small
					icon={Close}
					iconLabel="Take back: {factWords(fact)}"
					onclick={() => ontakeback(i)}
				/>
			</li>
		{/each}
		{#each unread as { words }, i (i)}<li class="unread">not understood: “{words}”</li>{/each}
	</ul>
	<More title={unread.length > 0 ? 'Say by choices what that means' : 'Say it by choices'}>
		<div class="choices">
			<Chips
				label="Days on which it is so"
				choices={DAY_SHORT.map((name, day) => [day, name] as const)}
				{chosen}
				onpress={pressDay}
			/>
			<Choice
				label="It is"
				small
				value={what}
				options={[
					{ value: 'cold', text: 'cold' },
					{ value: 'hot', text: 'too hot' },
					{ value: 'fine', text: 'as it should be' },
					{ value: 'slow', text: 'slow to warm' }
				]}
				onchange={(next) => (what = next as Felt)}
			/>
			<div class="row">
				{#each SPANS as [name, start, end] (name)}
					<Button small onclick={() => feels(start, end)}>{name}</Button>
				{/each}
			</div>
			{#key taken}
				<div class="fields">
					<TimeField label="from" value={from} onchange={(time) => (from = time)} />
					<TimeField
						label="until"
						value={null}
						onchange={(time) => from !== null && feels(timeMinute(from), timeMinute(time) || 1440)}
					/>
				</div>
				<div class="fields">
					<Choice
						label="It"
						value={turns}
						options={[
							{ value: 'on', text: 'comes on at' },
							{ value: 'off', text: 'goes off at' }
						]}
						onchange={(next) => (turns = next as typeof turns)}
					/>
					<TimeField
						label="about"
						value={null}
						onchange={(time) => add({ kind: 'turns', to: turns, days, at: timeMinute(time) })}
					/>
				</div>
				{#if unit}
					<NumberField
						label="It shows"
						unit="°{unit}"
						value={null}
						least={unit === 'F' ? 0 : -20}
						most={unit === 'F' ? 120 : 50}
						empty
						onchange={(degrees) => degrees !== null && add({ kind: 'shows', degrees, unit, days, at: null })}
					/>
				{/if}
				<Pick
					label="Or"
					value=""
					options={FURTHER_FACTS.map((fact, i) => ({ value: String(i), text: factWords(fact) }))}
					onchange={(at) => add(FURTHER_FACTS[Number(at)]!)}
				/>
			{/key}
		</div>
	</More>
</section>

<style>
	h2 {
		font-size: 1.05rem;
	}
	ul {
		margin: 0.5rem 0;
	}
	li {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 0.6rem;
		border-bottom: 1px solid var(--rule);
		/* the tip of a button at the edge widens nothing */
		overflow-x: clip;
	}
	.words {
		margin-left: 0.6em;
	}
	.unread {
		padding: 0.35rem 0;
		color: var(--warm);
	}
	.choices {
		display: grid;
		gap: 0.8rem;
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
	}
	.fields {
		display: grid;
		grid-template-columns: repeat(2, minmax(0, 1fr));
		gap: 0.6rem;
		align-items: start;
	}
</style>
