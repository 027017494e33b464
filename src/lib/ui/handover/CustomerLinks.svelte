<script lang="ts">
	import { refresh } from '../refresh';
	import { call } from '$lib/ui/call';

	let {
		siteId,
		links
	}: {
		siteId: string;
		links: readonly {
			readonly id: string;
			readonly createdAt: string;
			readonly endsAt: string;
			readonly revoked: boolean;
			readonly over: boolean;
		}[];
	} = $props();

	let days = $state('365');
	let unfolded = $state(false);
	let made = $state<string | null>(null);
	let problem = $state<string | null>(null);
	const open = $derived(links.filter((link) => !link.revoked && !link.over));

	async function make() {
		const answer = await call<{ path: string }>('POST', `/api/v1/jobs/${siteId}/links`, {
			days: Number(days)
		});
		problem = answer.ok ? null : answer.sentence;
		made = answer.ok ? `${location.origin}${answer.data.path}` : null;
		await refresh('fq:links');
	}
	async function end(id: string) {
		const answer = await call('DELETE', `/api/v1/jobs/${siteId}/links/${id}`);
		problem = answer.ok ? null : answer.sentence;
		made = null;
		await refresh('fq:links');
	}
</script>

<details class="no-print" bind:open={unfolded}>
	<summary>A link for the customer{open.length > 0 ? `, ${open.length} open` : ''}</summary>
	<p class="soft">It shows only the customer's pages of this site: no notes, no lock codes, no days away.</p>
	<p class="row">
		<label>
			<span>It ends after</span>
			<select bind:value={days}>
				<option value="30">30 days</option>
				<option value="365">a year</option>
				<option value="1096">three years</option>
			</select>
		</label>
		<button class="quiet" onclick={make}>Make a link</button>
	</p>
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	{#if made}
		<p role="status">
			<input readonly value={made} aria-label="The link" onfocus={(event) => event.currentTarget.select()} />
			<span class="soft">Copy it now: it is not kept here.</span>
		</p>
	{/if}
	{#each links as link (link.id)}
		<p class="row">
			<span
				>Made {link.createdAt.slice(0, 10)}, {link.revoked
					? 'ended by hand'
					: `${link.over ? 'ended' : 'ends'} ${link.endsAt.slice(0, 10)}`}</span
			>
			{#if !link.revoked && !link.over}<button class="quiet" onclick={() => end(link.id)}>End it now</button
				>{/if}
		</p>
	{/each}
</details>

<style>
	details {
		max-width: 210mm;
		margin: 0 auto 0.9rem;
	}
	summary {
		min-height: 44px;
		padding-top: 0.6rem;
		cursor: pointer;
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem;
		align-items: center;
		margin-top: 0.4rem;
	}
	input {
		width: 100%;
		max-width: 34rem;
	}
	@media (max-width: 860px) {
		details {
			padding: 0 0.75rem;
		}
	}
</style>
