<script lang="ts">
	import { goto, invalidate } from '$app/navigation';
	import {
		Button,
		InlineNotification,
		OverflowMenu,
		OverflowMenuItem,
		TextInput
	} from 'carbon-components-svelte';
	import { LARGEST_JOB_FILE } from '$core/formats';
	import { call, type Answer } from '$lib/ui/call';

	let { data } = $props();

	let name = $state('');
	let place = $state('');
	let problem = $state<string | null>(null);
	let busy = $state(false);
	let filePicker = $state<HTMLInputElement>();

	type Listed = (typeof data.jobs)[number];

	/** Sites with something left to do come first; among them the latest touched. */
	const open = $derived(data.jobs.filter((job) => job.zones === 0 || job.valuesLeft > 0));
	const done = $derived(data.jobs.filter((job) => job.zones > 0 && job.valuesLeft === 0));
	const left = $derived(open.reduce((sum, job) => sum + job.valuesLeft, 0));

	function standing(job: Listed): string {
		if (job.zones === 0) return 'No zones yet';
		if (job.valuesLeft === 0) return `All ${job.zones} zones keyed`;
		const zones = job.zonesKeyed === 0 ? '' : `, ${job.zonesKeyed} of ${job.zones} zones done`;
		return `${job.valuesLeft} values to key${zones}`;
	}

	function misfit(job: Listed): string {
		if (job.zonesMisfit === 0) return '';
		return job.zonesMisfit === 1 ? '1 week not held exactly' : `${job.zonesMisfit} weeks not held exactly`;
	}

	const day = (iso: string) =>
		new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });

	async function act(answer: Promise<Answer<unknown>>): Promise<boolean> {
		busy = true;
		const result = await answer;
		busy = false;
		problem = result.ok ? null : result.sentence;
		await invalidate('fq:jobs');
		return result.ok;
	}

	async function create(event: SubmitEvent) {
		event.preventDefault();
		busy = true;
		const answer = await call<{ id: string }>('POST', '/api/v1/jobs', {
			name,
			place,
			timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone
		});
		busy = false;
		if (!answer.ok) {
			problem = answer.sentence;
			return;
		}
		await goto(`/sites/${answer.data.id}`);
	}

	async function importFile(file: File | undefined) {
		if (!file) return;
		if (file.size > LARGEST_JOB_FILE) {
			problem = `${file.name} is too large: ${(file.size / 1e6).toFixed(1)} MB, at most ${LARGEST_JOB_FILE / 1e6} MB are read. Nothing was imported.`;
			return;
		}
		busy = true;
		const answer = await call<{ id: string }>('POST', '/api/v1/jobs', await file.text());
		busy = false;
		if (answer.ok) await goto(`/sites/${answer.data.id}`);
		else problem = `${file.name}: ${answer.sentence} Nothing was imported.`;
	}

	async function duplicate(job: Listed) {
		await act(call('POST', `/api/v1/jobs/${job.id}/duplicate`));
	}

	function drop(event: DragEvent) {
		event.preventDefault();
		void importFile(event.dataTransfer?.files[0]);
	}
</script>

<svelte:head><title>Jobs · Fond Quarter</title></svelte:head>
<svelte:window ondragover={(event) => event.preventDefault()} ondrop={drop} />

{#snippet rows(jobs: Listed[])}
	<ul class="jobs">
		{#each jobs as job (job.id)}
			<li>
				<a href="/sites/{job.id}">
					<span class="name">{job.name}</span>
					<span class="soft place">{job.place}</span>
				</a>
				<span class="standing" class:todo={job.valuesLeft > 0}>{standing(job)}</span>
				<span class="soft misfit">{misfit(job)}</span>
				<span class="soft touched">{day(job.updatedAt)}</span>
				<OverflowMenu flipped aria-label="More for {job.name}" iconDescription="More for {job.name}">
					<OverflowMenuItem text="Duplicate" on:click={() => duplicate(job)} />
					<OverflowMenuItem text="Export job file" href="/api/v1/jobs/{job.id}" />
					<OverflowMenuItem
						danger
						text="Delete"
						on:click={() => act(call('DELETE', `/api/v1/jobs/${job.id}`))}
					/>
				</OverflowMenu>
			</li>
		{/each}
	</ul>
{/snippet}

<main>
	<div class="top">
		<div>
			<h1>What needs you next</h1>
			<p class="lead">
				{#if data.jobs.length === 0}
					No sites yet. Name the first one, or import a job file.
				{:else if left > 0}
					<span class="signal">{left} values</span> wait to be keyed on
					{open.filter((job) => job.valuesLeft > 0).length === 1
						? 'one site'
						: `${open.filter((job) => job.valuesLeft > 0).length} sites`}.
				{:else}
					Everything planned is keyed.
				{/if}
			</p>
		</div>
		<form onsubmit={create}>
			<TextInput labelText="New site" placeholder="Name" bind:value={name} maxlength={80} required />
			<TextInput labelText="Place" placeholder="Street, town" bind:value={place} maxlength={120} />
			<Button type="submit" disabled={busy || name.trim() === ''}>Make it</Button>
			<Button kind="tertiary" disabled={busy} on:click={() => filePicker?.click()}>Import a job file</Button>
			<input
				class="out-of-sight"
				type="file"
				accept=".json,application/json"
				aria-label="Job file to import"
				tabindex="-1"
				bind:this={filePicker}
				onchange={(event) => {
					void importFile(event.currentTarget.files?.[0]);
					event.currentTarget.value = '';
				}}
			/>
		</form>
	</div>

	{#if problem}
		<InlineNotification
			lowContrast
			kind="error"
			title="Not done."
			subtitle={problem}
			on:close={() => (problem = null)}
		/>
	{/if}

	{#if open.length > 0}
		<h2>To do</h2>
		{@render rows(open)}
	{/if}
	{#if done.length > 0}
		<h2>Keyed</h2>
		{@render rows(done)}
	{/if}
	{#if data.deleted.length > 0}
		<h2>Deleted</h2>
		<ul class="deleted">
			{#each data.deleted as job (job.id)}
				<li>
					<span>{job.name}</span>
					<span class="soft">deleted {day(job.deletedAt ?? job.updatedAt)}, kept for 30 days</span>
					<button
						class="quiet"
						disabled={busy}
						onclick={() => act(call('POST', `/api/v1/jobs/${job.id}/restore`))}>Put {job.name} back</button
					>
				</li>
			{/each}
		</ul>
	{/if}
</main>

<style>
	main {
		padding: 1.5rem 1.75rem 3rem;
		max-width: 90rem;
	}
	.top {
		display: flex;
		flex-wrap: wrap;
		gap: 1rem 2rem;
		justify-content: space-between;
		align-items: start;
		margin-bottom: 1.25rem;
	}
	.lead {
		margin-top: 0.25rem;
		font-size: 1.05rem;
	}
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: end;
	}
	form :global(.bx--form-item) {
		flex: 0 1 11.5rem;
	}
	h2 {
		margin-top: 1.5rem;
		padding-bottom: 0.5rem;
		border-bottom: 2px solid var(--ink);
		font-size: 0.9rem;
		color: var(--soft);
	}
	ul {
		margin: 0;
		padding: 0;
		list-style: none;
	}
	.jobs li {
		display: grid;
		grid-template-columns: minmax(14rem, 2fr) minmax(12rem, 1.4fr) minmax(10rem, 1fr) 7rem 44px;
		align-items: center;
		gap: 1rem;
		border-bottom: 1px solid var(--rule);
	}
	.jobs li:hover {
		background: var(--faint);
	}
	.jobs a {
		display: block;
		padding: 0.7rem 0.5rem;
		text-decoration: none;
		overflow-wrap: anywhere;
	}
	.name {
		display: block;
		font-weight: 700;
		font-size: 1.08rem;
	}
	.place {
		font-size: 0.9rem;
	}
	.todo {
		font-weight: 700;
	}
	.touched {
		font-size: 0.9rem;
	}
	.deleted li {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1rem;
		align-items: center;
		padding: 0.4rem 0.5rem;
		border-bottom: 1px solid var(--rule);
	}
	.deleted li button {
		margin-left: auto;
	}
	@media (max-width: 800px) {
		main {
			padding: 1rem 0.75rem 3rem;
		}
		form :global(.bx--form-item) {
			flex: 1 1 100%;
		}
		.jobs li {
			grid-template-columns: 1fr 44px;
			gap: 0;
			padding-bottom: 0.5rem;
		}
		.jobs li > span {
			grid-column: 1;
			padding-left: 0.5rem;
		}
		.jobs li :global(.bx--overflow-menu) {
			grid-column: 2;
			grid-row: 1;
		}
		.touched,
		.misfit:empty {
			display: none;
		}
	}
</style>
