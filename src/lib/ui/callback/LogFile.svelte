<script lang="ts">
	import { factOfLog, matchLog, type Fact } from '$core/callback';
	import { LARGEST_LOG, readLogger, readText } from '$core/formats';
	import { logWords } from '$core/words';
	import FilePicker from '../kit/FilePicker.svelte';

	/** A logger's file, held against the planned week by itself. */
	let {
		planned,
		outdoorC,
		facts,
		onfact
	}: {
		/** How warm the week should be, by slot. */
		planned: Float64Array;
		outdoorC: number;
		facts: readonly Fact[];
		onfact: (fact: Fact) => void;
	} = $props();

	let problem = $state<string | null>(null);
	let notes = $state<readonly string[]>([]);
	const log = $derived(facts.find((fact) => fact.kind === 'log') ?? null);
	const match = $derived(log && matchLog(planned, log));

	async function read(file: File | undefined) {
		problem = null;
		notes = [];
		if (!file) return;
		if (file.size > LARGEST_LOG) {
			problem = `${file.name} is too large: at most ${LARGEST_LOG / 1e6} MB are read.`;
			return;
		}
		const text = readText(new Uint8Array(await file.arrayBuffer()));
		const found = text.ok ? readLogger(text.value, { outdoorC }) : text;
		if (!found.ok) {
			problem = `${file.name}: ${found.problem.sentence}`;
			return;
		}
		const { log: even, minutes } = found.value;
		if (found.value.from === null) {
			problem = `${file.name} has no dates: nothing can be told of hours and days from it.`;
			return;
		}
		const fact = factOfLog({ roomC: even.roomC, minutes }, planned);
		if (!fact) {
			problem = `${file.name}: less than a day of it, or the room hardly moves: no hour can be told from it.`;
			return;
		}
		notes = found.value.notes;
		onfact(fact);
	}
</script>

<div class="log">
	<FilePicker
		label="A logger’s file"
		name="A logger’s file of this room, as CSV"
		accept=".csv,.tsv,.txt,text/csv"
		onfiles={([file]) => void read(file)}
	/>
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	{#if match}<p role="status">{logWords(match)}</p>{/if}
	{#each notes as note (note)}<p class="soft">{note}</p>{/each}
</div>

<style>
	.log p {
		margin-top: 0.5rem;
	}
</style>
