<script lang="ts">
	import { goto } from '$app/navigation';
	import type { ControlProfile } from '$core/control';
	import { writeControlFile } from '$core/formats';
	import { call, type Answer } from '$lib/ui/call';
	import { refresh } from '$lib/ui/refresh';
	import NewControl from '$lib/ui/controls/NewControl.svelte';
	import ControlRows from '$lib/ui/controls/ControlRows.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import Problem from '$lib/ui/kit/Problem.svelte';

	let { data } = $props();

	let problem = $state<string | null>(null);
	let said = $state<string | null>(null);
	let busy = $state(false);

	type Row = (typeof data.own)[number];

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
</script>

<svelte:head><title>Controls · Fond Quarter</title></svelte:head>

<main>
	<h1>Controls</h1>
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

	<NewControl
		{busy}
		{keep}
		onproblem={(sentence) => (problem = sentence)}
		onsaid={(words) => (said = words)}
	/>

	{#if data.own.length > 0}
		<h2>Your own</h2>
		<ControlRows
			rows={data.own}
			oncopy={copy}
			ondelete={(row) => void act(call('DELETE', `/api/v1/controls/${row.id}`))}
		/>
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
	<ControlRows rows={data.shipped} oncopy={copy} />
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
	h2 {
		margin-top: 1.4rem;
		padding-bottom: 0.3rem;
		border-bottom: 2px solid var(--ink);
		font-size: var(--small);
		color: var(--soft);
	}
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto auto;
		gap: 1rem;
		align-items: center;
		border-bottom: 1px solid var(--rule);
	}
	.flat {
		display: grid;
		grid-template-columns: minmax(10rem, 17rem) 1fr;
		gap: 1rem;
		align-items: baseline;
		padding: 0.6rem;
	}
	.name {
		font-weight: 700;
		overflow-wrap: anywhere;
	}
	.uses {
		white-space: nowrap;
	}
	@media (max-width: 700px) {
		.flat {
			grid-template-columns: 1fr;
			gap: 0.1rem;
		}
	}
</style>
