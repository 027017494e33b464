<script lang="ts">
	import { goto } from '$app/navigation';
	import { blankProfile, findProfile, type ControlProfile, type ProgramForm } from '$core/control';
	import { LARGEST_CONTROL_FILE, readControlFile, readText } from '$core/formats';
	import type { Answer } from '../call';
	import Button from '../kit/Button.svelte';
	import Field from '../kit/Field.svelte';
	import FilePicker from '../kit/FilePicker.svelte';

	let {
		busy,
		keep,
		onproblem,
		onsaid
	}: {
		busy: boolean;
		/** Keeps a control among one's own. */
		keep: (profile: ControlProfile) => Promise<Answer<{ id: string }>>;
		onproblem: (sentence: string) => void;
		onsaid: (words: string | null) => void;
	} = $props();

	let name = $state('');

	const forms: { form: ProgramForm['form']; what: string }[] = [
		{ form: 'events', what: 'changes at times of day' },
		{ form: 'slots', what: 'one value for each hour' },
		{ form: 'pairs', what: 'on/off pairs' },
		{ form: 'plain', what: 'one setpoint' }
	];

	async function make(form: ProgramForm['form']) {
		const answer = await keep(blankProfile(name.trim(), form));
		if (answer.ok) await goto(`/controls/${answer.data.id}`);
	}

	async function importFile(file: File | undefined) {
		onsaid(null);
		if (!file) return;
		if (file.size > LARGEST_CONTROL_FILE * 4) {
			onproblem(`${file.name} is too large for a control file. Nothing was imported.`);
			return;
		}
		const text = readText(new Uint8Array(await file.arrayBuffer()));
		const read = text.ok ? readControlFile(text.value) : text;
		if (!read.ok) {
			onproblem(`${file.name}: ${read.problem.sentence} Nothing was imported.`);
			return;
		}
		const answer = await keep(read.value);
		if (!answer.ok) return;
		const other = answer.data.id !== read.value.id && findProfile(read.value.id) === undefined;
		onsaid(
			`${read.value.name} is among your own now${other ? ', beside the one you have under that name' : ''}.`
		);
	}
</script>

<form
	class="new"
	onsubmit={(event) => {
		event.preventDefault();
		if (name.trim() !== '') void make('events');
	}}
>
	<Field
		label="New control, by what it is"
		placeholder="Four-block keypad"
		maxlength={80}
		bind:value={name}
	/>
	<div class="forms" role="group" aria-label="It holds">
		<span class="soft">It holds</span>
		{#each forms as { form, what } (form)}
			<Button
				type={form === 'events' ? 'submit' : 'button'}
				disabled={busy || name.trim() === ''}
				onclick={form === 'events' ? undefined : () => make(form)}>{what}</Button
			>
		{/each}
	</div>
	<FilePicker
		label="Import a control file"
		name="Control file"
		accept=".json,application/json"
		onfiles={([file]) => void importFile(file)}
	/>
</form>

<style>
	.new {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem 1rem;
		align-items: end;
		margin: 1rem 0 0.5rem;
	}
	.new :global(.bx--form-item) {
		flex: 0 1 17rem;
	}
	.forms {
		display: flex;
		flex-wrap: wrap;
		gap: 0.4rem;
		align-items: center;
	}
</style>
