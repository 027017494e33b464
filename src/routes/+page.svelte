<script lang="ts">
	import FilePicker from '$lib/ui/kit/FilePicker.svelte';
	import { onMount } from 'svelte';
	import { goto } from '$app/navigation';
	import {
		Button,
		InlineNotification,
		OverflowMenu,
		OverflowMenuItem,
		Select,
		SelectItem,
		TextInput
	} from 'carbon-components-svelte';
	import { timeZones } from '$core/civil';
	import { LARGEST_JOB_FILE } from '$core/formats';
	import { summerTimeSentences } from '$core/run';
	import { call, type Answer } from '$lib/ui/call';
	import { refresh } from '$lib/ui/refresh';

	let { data } = $props();

	let name = $state('');
	let place = $state('');
	/** The time zone of the new site: this device's until another is chosen, and seen before anything is made. */
	let timeZone = $state('UTC');
	/** Four hundred names: written where they are chosen from, not with every page that is sent. */
	let names = $state.raw<readonly string[]>([]);
	onMount(() => {
		names = timeZones();
		timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
	});
	const zones = $derived([...new Set([timeZone, ...names])]);
	const changes = $derived(
		name.trim() === ''
			? ''
			: summerTimeSentences(timeZone, { clock: '24' }, new Date().getFullYear()).join(' ')
	);
	/** What was decided while a file was imported. */
	let note = $state<{ id: string; note: string } | null>(null);
	let problem = $state<string | null>(null);
	let busy = $state(false);

	type Listed = (typeof data.jobs)[number];

	const part = (name: Listed['part']) => data.jobs.filter((job) => job.part === name);
	const now = $derived(part('now'));
	const open = $derived(part('key'));
	const done = $derived(part('done'));

	/** Only the sites whose name or place holds what is typed. */
	let timer: ReturnType<typeof setTimeout> | undefined;
	function find(text: string) {
		clearTimeout(timer);
		timer = setTimeout(() => {
			const to = text.trim() === '' ? '/' : `/?name=${encodeURIComponent(text.trim())}`;
			void goto(to, { keepFocus: true, replaceState: true, noScroll: true });
		}, 150);
	}

	function standing(job: Listed): string {
		if (job.zones === 0) return 'No zones yet';
		if (job.valuesLeft === 0) return job.zones === 1 ? 'Keyed' : `All ${job.zones} zones keyed`;
		const zones = job.zonesKeyed === 0 ? '' : `, ${job.zonesKeyed} of ${job.zones} zones done`;
		return `${job.valuesLeft} values to key${zones}`;
	}

	/** What is due next at a site, and whether it cannot wait. */
	function next(job: Listed): { when: string; what: string; pressing: boolean } | null {
		const due = job.next;
		if (due && due.on <= data.today)
			return {
				when: due.late ? `Since ${day(due.on)}` : 'Today',
				what: `${due.zone}: ${due.sentence}`,
				pressing: true
			};
		if (job.visitOpenSince)
			return {
				when: `Since ${day(job.visitOpenSince)}`,
				what: 'A visit is begun, not ended.',
				pressing: true
			};
		return due && { when: day(due.on), what: `${due.zone}: ${due.sentence}`, pressing: false };
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
		await refresh('fq:jobs');
		return result.ok;
	}

	async function create(event: SubmitEvent) {
		event.preventDefault();
		busy = true;
		const answer = await call<{ id: string }>('POST', '/api/v1/jobs', {
			name,
			place,
			timeZone
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
		const answer = await call<{ id: string; note: string | null }>('POST', '/api/v1/jobs', await file.text());
		busy = false;
		if (!answer.ok) problem = `${file.name}: ${answer.sentence} Nothing was imported.`;
		else if (answer.data.note) {
			note = { ...answer.data, note: answer.data.note };
			await refresh('fq:jobs');
		} else await goto(`/sites/${answer.data.id}`);
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
			{@const due = next(job)}
			<li>
				<a href="/sites/{job.id}">
					<span class="name">{job.name}</span>
					<span class="soft place">{job.place}</span>
				</a>
				<span class="next" class:pressing={due?.pressing}>
					{#if due}<span class="when">{due.when}</span>{due.what}{:else}<span class="soft">Nothing due</span
						>{/if}
				</span>
				<span class="standing">
					<span class:todo={job.valuesLeft > 0}>{standing(job)}</span>
					<span class="soft misfit">{misfit(job)}</span>
				</span>
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
				{#if data.all === 0}
					No sites yet. Name the first one, or import a job file.
				{:else if data.now > 0}
					<span class="signal">{data.now === 1 ? '1 site' : `${data.now} sites`}</span>
					{data.now === 1 ? 'needs' : 'need'} you now{data.valuesLeft > 0
						? `; ${data.valuesLeft} values wait to be keyed on ${data.sitesLeft === 1 ? 'one site' : `${data.sitesLeft} sites`}`
						: ''}.
				{:else if data.valuesLeft > 0}
					<span class="signal">{data.valuesLeft} values</span> wait to be keyed on
					{data.sitesLeft === 1 ? 'one site' : `${data.sitesLeft} sites`}.
				{:else}
					Everything planned is keyed.
				{/if}
			</p>
		</div>
		<form onsubmit={create}>
			<TextInput labelText="New site" placeholder="Name" bind:value={name} maxlength={80} required />
			<TextInput labelText="Place" placeholder="Street, town" bind:value={place} maxlength={120} />
			<Select labelText="Time zone of the place" bind:selected={timeZone}>
				{#each zones as zone (zone)}<SelectItem value={zone} text={zone.replaceAll('_', ' ')} />{/each}
			</Select>
			<Button type="submit" disabled={busy || name.trim() === ''}>Add site</Button>
			<FilePicker
				label="Import a job file"
				name="Job file to import"
				accept=".json,application/json"
				disabled={busy}
				onfiles={([file]) => void importFile(file)}
			/>
		</form>
	</div>

	{#if changes}<p class="soft" role="status">{changes}</p>{/if}
	{#if note}
		<InlineNotification
			lowContrast
			kind="info"
			title="Imported."
			subtitle={note.note}
			on:close={() => (note = null)}
		>
			<a slot="actions" href="/sites/{note.id}">Open it</a>
		</InlineNotification>
	{/if}
	{#if problem}
		<InlineNotification
			lowContrast
			kind="error"
			title="Not done."
			subtitle={problem}
			on:close={() => (problem = null)}
		/>
	{/if}

	{#if data.all > 12 || data.asked !== ''}
		<label class="find">
			<span class="out-of-sight">Find a site by name or place</span>
			<input
				type="search"
				placeholder="Name or place"
				value={data.asked}
				oninput={(event) => find(event.currentTarget.value)}
			/>
			<span class="soft" aria-live="polite"
				>{data.asked === '' ? `${data.all} sites` : `${data.found} of ${data.all} sites`}</span
			>
		</label>
	{/if}
	{#if now.length > 0}
		<h2>Now</h2>
		{@render rows(now)}
	{/if}
	{#if open.length > 0}
		<h2>To key</h2>
		{@render rows(open)}
	{/if}
	{#if done.length > 0}
		<h2>Keyed</h2>
		{@render rows(done)}
	{/if}
	{#if data.jobs.length < data.found}
		<p class="more">
			<a class="quiet" href="/?all=1{data.asked === '' ? '' : `&name=${encodeURIComponent(data.asked)}`}"
				>Show all {data.found} sites</a
			>
		</p>
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
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: end;
	}
	form :global(.bx--form-item) {
		flex: 0 1 11.5rem;
	}
	.find {
		display: flex;
		gap: 0.75rem;
		align-items: center;
	}
	.find input {
		width: min(22rem, 60vw);
	}
	.more a {
		display: inline-flex;
		align-items: center;
		margin-top: 1rem;
		text-decoration: none;
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
		grid-template-columns: minmax(13rem, 1.3fr) minmax(14rem, 2fr) minmax(11rem, 1fr) 44px;
		align-items: center;
		gap: 1rem;
		border-bottom: 1px solid var(--rule);
	}
	.jobs li:hover {
		background: var(--faint);
	}
	.jobs a {
		display: block;
		min-width: 0;
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
	.when {
		display: inline-block;
		min-width: 7.6rem;
		margin-right: 0.6rem;
		font-weight: 700;
	}
	.pressing .when {
		color: var(--signal);
	}
	.misfit {
		display: block;
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
		form :global(.bx--form-item) {
			flex: 1 1 100%;
		}
		.jobs li {
			grid-template-columns: minmax(0, 1fr) 44px;
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
		.when {
			display: block;
		}
	}
</style>
