<script lang="ts">
	import FilePicker from '$lib/ui/kit/FilePicker.svelte';
	import { goto } from '$app/navigation';
	import { OverflowMenu, OverflowMenuItem } from 'carbon-components-svelte';
	import { blankProfile, findProfile, type ControlProfile, type ProgramForm } from '$core/control';
	import { LARGEST_CONTROL_FILE, readControlFile, writeControlFile } from '$core/formats';
	import { call, type Answer } from '$lib/ui/call';
	import { refresh } from '$lib/ui/refresh';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Problem from '$lib/ui/kit/Problem.svelte';

	let { data } = $props();

	let name = $state('');
	let problem = $state<string | null>(null);
	let said = $state<string | null>(null);
	let busy = $state(false);

	type Row = (typeof data.own)[number];

	const forms: { form: ProgramForm['form']; what: string }[] = [
		{ form: 'events', what: 'changes at times of day' },
		{ form: 'slots', what: 'one value for each hour' },
		{ form: 'pairs', what: 'on/off pairs' },
		{ form: 'plain', what: 'one setpoint' }
	];

	async function act<T>(answer: Promise<Answer<T>>): Promise<Answer<T>> {
		busy = true;
		const result = await answer;
		busy = false;
		problem = result.ok ? null : result.sentence;
		await refresh('fq:controls');
		return result;
	}

	const keep = (profile: ControlProfile) =>
		act(call<{ id: string }>('POST', '/api/v1/controls', writeControlFile(profile)));

	async function make(form: ProgramForm['form']) {
		const answer = await keep(blankProfile(name.trim(), form));
		if (answer.ok) await goto(`/controls/${answer.data.id}`);
	}

	async function copy(row: Row) {
		const file = await call<{ profile: ControlProfile }>('GET', `/api/v1/controls/${row.id}`);
		if (!file.ok) return;
		const { profile } = file.data;
		const answer = await keep({
			...profile,
			id: `${profile.id.slice(0, 50)}-copy`,
			name: `${profile.name.slice(0, 72)} (copy)`
		});
		if (answer.ok) await goto(`/controls/${answer.data.id}`);
	}

	async function importFile(file: File | undefined) {
		said = null;
		if (!file) return;
		if (file.size > LARGEST_CONTROL_FILE * 4) {
			problem = `${file.name} is too large for a control file. Nothing was imported.`;
			return;
		}
		const read = readControlFile(await file.text());
		if (!read.ok) {
			problem = `${file.name}: ${read.problem.sentence} Nothing was imported.`;
			return;
		}
		const answer = await keep(read.value);
		if (!answer.ok) return;
		const other = answer.data.id !== read.value.id && findProfile(read.value.id) === undefined;
		said = `${read.value.name} is among your own now${other ? ', beside the one you have under that name' : ''}.`;
	}
</script>

<svelte:head><title>Controls · Fond Quarter</title></svelte:head>

{#snippet rows(list: Row[], own: boolean)}
	<ul>
		{#each list as row (row.id)}
			<li>
				<a href="/controls/{row.id}">
					<span class="name">{row.name}</span>
					<span class="soft short">{row.short}</span>
				</a>
				<span class="soft uses"
					>{row.zones === 0 ? '' : row.zones === 1 ? '1 zone' : `${row.zones} zones`}</span
				>
				<OverflowMenu flipped aria-label="More for {row.name}" iconDescription="More for {row.name}">
					<OverflowMenuItem text="Copy to change" on:click={() => copy(row)} />
					<OverflowMenuItem text="Export file" href="/api/v1/controls/{row.id}" />
					{#if own}
						<OverflowMenuItem
							danger
							text="Delete"
							on:click={() => act(call('DELETE', `/api/v1/controls/${row.id}`))}
						/>
					{/if}
				</OverflowMenu>
			</li>
		{/each}
	</ul>
{/snippet}

<main>
	<h1>What each control can hold</h1>
	<p class="lead">
		{#if data.own.length === 0}
			{data.shipped.length} kinds ship with the program. Is the one on the wall different? Copy the nearest, or
			describe it from scratch.
		{:else}
			{data.own.length === 1 ? 'One' : data.own.length} of your own, {data.shipped.length} that ship.
		{/if}
	</p>

	<Problem sentence={problem} onclose={() => (problem = null)} />
	{#if said}<p role="status">{said}</p>{/if}

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

	{#if data.own.length > 0}
		<h2>Your own</h2>
		{@render rows(data.own, true)}
	{/if}
	{#if data.carried.length > 0}
		<h2>Came with a site</h2>
		<ul>
			{#each data.carried as row (row.id)}
				<li>
					<span class="flat">
						<span class="name">{row.name}</span>
						<span class="soft short">{row.short} With {row.siteName}.</span>
					</span>
					<span class="soft uses">{row.zones === 1 ? '1 zone' : `${row.zones} zones`}</span>
					<Button disabled={busy} onclick={() => keep(row.profile)}>Add it to your own</Button>
				</li>
			{/each}
		</ul>
	{/if}
	<h2>Shipped</h2>
	{@render rows(data.shipped, false)}
	{#if data.deleted.length > 0}
		<h2>Deleted</h2>
		<ul>
			{#each data.deleted as row (row.id)}
				<li>
					<span class="flat">{row.name}</span>
					<Button disabled={busy} onclick={() => act(call('POST', `/api/v1/controls/${row.id}/restore`))}
						>Put {row.name} back</Button
					>
				</li>
			{/each}
		</ul>
	{/if}
</main>

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
	h2 {
		margin-top: 1.4rem;
		padding-bottom: 0.3rem;
		border-bottom: 2px solid var(--ink);
		font-size: var(--small);
		color: var(--soft);
	}
	ul {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto auto;
		gap: 1rem;
		align-items: center;
		border-bottom: 1px solid var(--rule);
	}
	li:hover {
		background: var(--faint);
	}
	li a,
	.flat {
		display: grid;
		grid-template-columns: minmax(10rem, 17rem) 1fr;
		gap: 1rem;
		align-items: baseline;
		min-height: 44px;
		padding: 0.6rem;
		text-decoration: none;
	}
	.name {
		font-weight: 700;
		overflow-wrap: anywhere;
	}
	.uses {
		white-space: nowrap;
	}
	@media (max-width: 700px) {
		li a,
		.flat {
			grid-template-columns: 1fr;
			gap: 0.1rem;
		}
	}
</style>
