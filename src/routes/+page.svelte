<script lang="ts">
	import { InlineNotification, Search } from 'carbon-components-svelte';
	import { goto } from '$app/navigation';
	import OpenCalls from '$lib/ui/callback/OpenCalls.svelte';
	import TakeCall from '$lib/ui/callback/TakeCall.svelte';
	import { call, type Answer } from '$lib/ui/call';
	import DeletedSites from '$lib/ui/jobs/DeletedSites.svelte';
	import ImportJob from '$lib/ui/jobs/ImportJob.svelte';
	import JobRows from '$lib/ui/jobs/JobRows.svelte';
	import type { ListedJob } from '$lib/ui/jobs/listed';
	import NewSite from '$lib/ui/jobs/NewSite.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import Dialog from '$lib/ui/kit/Dialog.svelte';
	import Empty from '$lib/ui/kit/Empty.svelte';
	import Problem from '$lib/ui/kit/Problem.svelte';
	import { refresh } from '$lib/ui/refresh';
	import { findSites } from '$lib/ui/shell/finding';

	let { data } = $props();

	/** What was decided while a file was imported. */
	let note = $state<{ id: string; note: string } | null>(null);
	let problem = $state<string | null>(null);
	let busy = $state(false);
	let adding = $state(false);

	const part = (name: (typeof data.jobs)[number]['part']) => data.jobs.filter((job) => job.part === name);
	const parts = $derived(
		(
			[
				['Now', part('now')],
				['To key', part('key')],
				['Keyed', part('done')]
			] as const
		).filter(([, jobs]) => jobs.length > 0)
	);

	/** Only the sites whose name or place holds what is typed. */
	let timer: ReturnType<typeof setTimeout> | undefined;
	function find(text: string) {
		clearTimeout(timer);
		timer = setTimeout(() => {
			const to = text.trim() === '' ? '/' : `/?name=${encodeURIComponent(text.trim())}`;
			void goto(to, { keepFocus: true, replaceState: true, noScroll: true });
		}, 150);
	}

	async function act(answer: Promise<Answer<unknown>>): Promise<void> {
		busy = true;
		const result = await answer;
		busy = false;
		problem = result.ok ? null : result.sentence;
		await refresh('fq:jobs');
	}
	const duplicate = (job: ListedJob) => void act(call('POST', `/api/v1/jobs/${job.id}/duplicate`));
	const remove = (job: ListedJob) => void act(call('DELETE', `/api/v1/jobs/${job.id}`));
</script>

<svelte:head><title>Jobs · Fond Quarter</title></svelte:head>

{#snippet importer()}
	<ImportJob
		{busy}
		onproblem={(sentence) => (problem = sentence)}
		onimported={async (made) => {
			if (made.note === null) return goto(`/sites/${made.id}`);
			note = { id: made.id, note: made.note };
			await refresh('fq:jobs');
		}}
	/>
{/snippet}

<main>
	<div class="top">
		<div>
			<h1 class:signal={data.now > 0}>
				{#if data.all === 0}
					No sites yet
				{:else if data.now === 0}
					No site needs you now
				{:else}
					{data.now === 1 ? '1 site needs you' : `${data.now} sites need you`}
				{/if}
			</h1>
			<p class="lead">
				{#if data.all === 0}
					Nothing yet: begin with the first site.
				{:else if data.valuesLeft > 0}
					{data.valuesLeft} values to key in at {data.sitesLeft === 1
						? 'one site'
						: `${data.sitesLeft} sites`}.
				{:else}
					All that is planned is keyed in.
				{/if}
			</p>
		</div>
		{#if data.all > 0}
			<div class="tools">
				<TakeCall which="Which site?" find={() => findSites('?call')} />
				{#if data.all > 12 || data.asked !== ''}
					<div class="find">
						<Search
							labelText="Find a site by name or place"
							placeholder="Name or place"
							value={data.asked}
							on:input={(event) => find((event.target as HTMLInputElement).value)}
							on:clear={() => find('')}
						/>
						<span class="soft" aria-live="polite"
							>{data.asked === '' ? `${data.all} sites` : `${data.found} of ${data.all} sites`}</span
						>
					</div>
				{/if}
				{@render importer()}
				<Button kind="next" onclick={() => (adding = true)}>New site</Button>
			</div>
		{/if}
	</div>

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
	<Problem sentence={problem} onclose={() => (problem = null)} />

	{#if data.all === 0}
		<Empty heading="The first site">
			<p>
				A site is a house or a building with its controls. Name it, add its rooms, draw how they should be
				warm: the card says what to press.
			</p>
			<NewSite />
			<p class="soft">Or open a site from a file:</p>
			{@render importer()}
		</Empty>
	{/if}

	{#if data.calls.length > 0}
		<h2>Calls</h2>
		<OpenCalls calls={data.calls} nowMs={data.nowMs} />
	{/if}
	{#each parts as [name, jobs] (name)}
		<h2>{name}</h2>
		<JobRows {jobs} today={data.today} onduplicate={duplicate} ondelete={remove} />
	{/each}
	{#if data.jobs.length < data.found}
		<p class="all">
			<Button href="/?all=1{data.asked === '' ? '' : `&name=${encodeURIComponent(data.asked)}`}"
				>Show all {data.found} sites</Button
			>
		</p>
	{/if}
	{#if data.deleted.length > 0}
		<h2>Deleted</h2>
		<DeletedSites
			sites={data.deleted}
			{busy}
			onrestore={(id) => void act(call('POST', `/api/v1/jobs/${id}/restore`))}
		/>
	{/if}
</main>

<Dialog heading="Add a site" focus="input[placeholder='Name']" bind:open={adding}><NewSite /></Dialog>

<style>
	main {
		max-width: 110rem;
	}
	.top,
	.tools,
	.find {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1rem;
		align-items: center;
		justify-content: space-between;
	}
	.find :global(.bx--search) {
		width: min(16rem, 100%);
	}
	.all {
		margin-top: 1rem;
	}
	h2 {
		margin-top: 1.5rem;
		padding-bottom: 0.5rem;
		border-bottom: 2px solid var(--ink);
		color: var(--soft);
		font-size: var(--small);
	}
</style>
