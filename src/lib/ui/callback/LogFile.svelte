<script lang="ts">
	import type { Fact, LogMatch } from '$core/callback';
	import { LARGEST_LOG } from '$core/formats';
	import { logWords } from '$core/words';
	import { logInWorker, type LogRun } from '$lib/workers/callInWorker';
	import FilePicker from '../kit/FilePicker.svelte';
	import Running from '../Running.svelte';

	/** A logger's file, held against the planned week by itself. */
	let {
		planned,
		outdoorC,
		match,
		onfact
	}: {
		/** How warm the week should be, by slot; null until that is known. */
		planned: Float64Array | null;
		outdoorC: number;
		/** How the log that was taken goes with the week; null without one. */
		match: LogMatch | null;
		onfact: (fact: Fact) => void;
	} = $props();

	let problem = $state<string | null>(null);
	let notes = $state<readonly string[]>([]);
	/** The file that is being read, and the share of it that is. */
	let run = $state.raw<LogRun | null>(null);
	let share = $state(0);

	async function read(file: File | undefined) {
		run?.stop();
		problem = null;
		notes = [];
		if (!file || !planned) return;
		if (file.size > LARGEST_LOG) {
			problem = `${file.name} is too large: at most ${LARGEST_LOG / 1e6} MB are read.`;
			return;
		}
		share = 0;
		const own = logInWorker(
			new Uint8Array(await file.arrayBuffer()),
			planned,
			outdoorC,
			(done) => (share = done)
		);
		run = own;
		const found = await own.answer;
		if (run === own) run = null;
		if (!found) return;
		if (!found.ok) {
			problem = `${file.name}: ${found.sentence}`;
			return;
		}
		notes = found.notes;
		onfact(found.fact);
	}
</script>

<div class="log">
	<FilePicker
		label="A logger’s file"
		name="A logger’s file of this room, as CSV"
		accept=".csv,.tsv,.txt,text/csv"
		disabled={!planned}
		onfiles={([file]) => void read(file)}
	/>
	{#if run}
		<Running label="Reading the log" {share} onstop={() => run?.stop()} />
	{/if}
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	{#if match}<p role="status">{logWords(match)}</p>{/if}
	{#each notes as note (note)}<p class="soft">{note}</p>{/each}
</div>

<style>
	.log p {
		margin-top: 0.5rem;
	}
</style>
