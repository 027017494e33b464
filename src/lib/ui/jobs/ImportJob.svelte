<script lang="ts">
	import { LARGEST_JOB_FILE, readText } from '$core/formats';
	import { call } from '../call';
	import FilePicker from '../kit/FilePicker.svelte';

	let {
		busy,
		onproblem,
		onimported
	}: {
		busy: boolean;
		onproblem: (sentence: string) => void;
		/** What was made of the file, and what was decided while it was read. */
		onimported: (made: { readonly id: string; readonly note: string | null }) => void;
	} = $props();

	let reading = $state(false);

	async function importFile(file: File | undefined) {
		if (!file) return;
		if (file.size > LARGEST_JOB_FILE) {
			onproblem(
				`${file.name} is too large: ${(file.size / 1e6).toFixed(1)} MB, at most ${LARGEST_JOB_FILE / 1e6} MB are read. Nothing was imported.`
			);
			return;
		}
		reading = true;
		const text = readText(new Uint8Array(await file.arrayBuffer()));
		if (!text.ok) {
			reading = false;
			onproblem(`${file.name}: ${text.problem.sentence} Nothing was imported.`);
			return;
		}
		const answer = await call<{ id: string; note: string | null }>('POST', '/api/v1/jobs', text.value);
		reading = false;
		if (!answer.ok) onproblem(`${file.name}: ${answer.sentence} Nothing was imported.`);
		else onimported(answer.data);
	}

	function drop(event: DragEvent) {
		event.preventDefault();
		void importFile(event.dataTransfer?.files[0]);
	}
</script>

<svelte:window ondragover={(event) => event.preventDefault()} ondrop={drop} />

<FilePicker
	label="Import a job file"
	name="Job file to import"
	accept=".json,application/json"
	disabled={busy || reading}
	onfiles={([file]) => void importFile(file)}
/>
