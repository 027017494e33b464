<script lang="ts">
	import { TextArea } from 'carbon-components-svelte';
	import FilePicker from '$lib/ui/kit/FilePicker.svelte';
	import { readText, readWeekTable, writeWeekTable } from '$core/formats';
	import { wantedWeek, withWanted, type Zone } from '$core/plan';
	import { sameWeek } from '$core/week';
	import Button from '$lib/ui/kit/Button.svelte';

	let { zone, onchange }: { zone: Zone; onchange: (zone: Zone) => void } = $props();

	const written = $derived(writeWeekTable(wantedWeek(zone), zone.levels));
	let typed = $state<string | null>(null);
	let said = $state<{ bad: boolean; words: string } | null>(null);
	const text = $derived(typed ?? written);

	function take() {
		const read = readWeekTable(text, zone.levels, navigator.languages);
		if (!read.ok) {
			said = { bad: true, words: read.problem.sentence };
			return;
		}
		typed = null;
		if (sameWeek(read.value, wantedWeek(zone))) {
			said = { bad: false, words: 'The table says what is drawn already.' };
			return;
		}
		onchange(withWanted(zone, read.value));
		said = { bad: false, words: 'Taken. Undo brings the week before back.' };
	}

	async function copy() {
		try {
			await navigator.clipboard.writeText(text);
			said = { bad: false, words: 'Copied; paste it into a spreadsheet.' };
		} catch {
			said = {
				bad: true,
				words: 'The browser keeps the clipboard to itself: mark the table and copy it by hand.'
			};
		}
	}

	async function open(file: File | undefined) {
		if (!file) return;
		if (file.size > 200_000) {
			said = { bad: true, words: `${file.name} is too large for one week.` };
			return;
		}
		const read = readText(new Uint8Array(await file.arrayBuffer()));
		if (!read.ok) {
			said = { bad: true, words: `${file.name}: ${read.problem.sentence}` };
			return;
		}
		typed = read.value;
		take();
	}
</script>

<section aria-label="The wanted week as a table">
	<div class="table">
		<TextArea
			labelText="Table of the wanted week: day, from, to, level"
			hideLabel
			rows={12}
			spellcheck="false"
			value={text}
			on:input={(event) => {
				typed = (event.target as HTMLTextAreaElement).value;
				said = null;
			}}
		/>
	</div>
	<div class="side">
		<p class="soft">
			One row a stretch: day, from, to, level. Type, or paste cells from a spreadsheet; days can be ranges
			(Mon-Fri), levels a name, a letter or a setpoint.
		</p>
		<div class="keys">
			<Button onclick={take} disabled={typed === null}>Use this table</Button>
			<Button onclick={copy}>Copy</Button>
			<FilePicker
				label="Open a CSV file"
				name="CSV file of a week"
				accept=".csv,.txt,.tsv,text/csv,text/plain"
				onfiles={([file]) => void open(file)}
			/>
			{#if typed !== null}
				<Button
					onclick={() => {
						typed = null;
						said = null;
					}}>Back to what is drawn</Button
				>
			{/if}
		</div>
		{#if said}<p role="alert" class:signal={said.bad}>{said.words}</p>{/if}
	</div>
</section>

<style>
	section {
		display: grid;
		grid-template-columns: minmax(0, 26rem) minmax(0, 1fr);
		gap: 1rem;
		margin: 0.5rem 0 0.75rem;
	}
	.table :global(textarea) {
		height: auto;
		font-family: var(--mono);
		line-height: 1.4;
		tab-size: 8;
	}
	.side {
		display: flex;
		flex-direction: column;
		gap: 0.6rem;
	}
	.keys {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
	}
	@media (max-width: 860px) {
		section {
			grid-template-columns: 1fr;
		}
	}
</style>
