<script lang="ts">
	import { refresh } from '../refresh';
	import { call } from '$lib/ui/call';
	import Button from '../kit/Button.svelte';
	import Choice from '../kit/Choice.svelte';
	import Field from '../kit/Field.svelte';
	import More from '../kit/More.svelte';
	import Problem from '../kit/Problem.svelte';

	let {
		siteId,
		dwelling,
		links
	}: {
		siteId: string;
		/** The dwelling of which they are. */
		dwelling: string;
		links: readonly {
			readonly id: string;
			readonly createdAt: string;
			readonly endsAt: string;
			readonly revoked: boolean;
			readonly over: boolean;
			readonly dwelling: string;
		}[];
	} = $props();

	let days = $state('365');
	let made = $state<string | null>(null);
	let problem = $state<string | null>(null);
	const own = $derived(links.filter((link) => link.dwelling === dwelling));
	const open = $derived(own.filter((link) => !link.revoked && !link.over));

	async function make() {
		const answer = await call<{ path: string }>('POST', `/api/v1/jobs/${siteId}/links`, {
			days: Number(days),
			dwelling
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

<div class="no-print links">
	<More title="A link for {dwelling || 'the customer'}{open.length > 0 ? `, ${open.length} open` : ''}">
		<p class="soft">
			It shows only the customer's pages of {dwelling || 'this site'}: no other dwelling's, no notes, no lock
			codes.
		</p>
		<div class="row">
			<Choice
				label="It ends after"
				value={days}
				options={[
					{ value: '30', text: '30 days' },
					{ value: '365', text: 'a year' },
					{ value: '1096', text: 'three years' }
				]}
				onchange={(next) => (days = next)}
			/>
			<Button onclick={make}>Make a link</Button>
		</div>
		<Problem sentence={problem} onclose={() => (problem = null)} />
		{#if made}
			<div role="status">
				<Field label="The link" readonly value={made} help="Copy it now: it is not kept here." />
			</div>
		{/if}
		{#each own as link (link.id)}
			<p class="row">
				<span
					>Made {link.createdAt.slice(0, 10)}, {link.revoked
						? 'ended by hand'
						: `${link.over ? 'ended' : 'ends'} ${link.endsAt.slice(0, 10)}`}</span
				>
				{#if !link.revoked && !link.over}<Button onclick={() => end(link.id)}>End it now</Button>{/if}
			</p>
		{/each}
	</More>
</div>

<style>
	.links {
		max-width: 210mm;
		margin: 0 auto 0.9rem;
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem;
		align-items: end;
		margin-top: 0.4rem;
	}
	.row :global(.bx--form-item) {
		flex: 0 0 10rem;
	}
	@media (max-width: 860px) {
		.links {
			padding: 0 0.75rem;
		}
	}
</style>
