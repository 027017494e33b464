<script lang="ts">
	import { saidWords, sinceWords } from '$core/words';
	import type { OpenCall } from './openCalls';

	/** Calls that nobody has closed yet, the latest first: who called from where, and what was said. */
	let {
		calls,
		nowMs,
		named = true
	}: {
		calls: readonly OpenCall[];
		nowMs: number;
		/** Whether each says its site. */
		named?: boolean;
	} = $props();
</script>

<ul aria-label="Calls">
	{#each calls as one (one.id)}
		<li>
			<a href={one.href}>
				{#if named}<span class="name">{one.siteName}</span>{/if}
				<span class="soft">{one.zoneName || 'the whole house'}</span>
			</a>
			<span class="said">{saidWords(one)}</span>
			<span class:fresh={one.isFresh}>
				{one.isFresh
					? 'From the customer, not taken yet'
					: one.promised
						? `Promised: ${one.promised}`
						: 'Open'}
				<span class="soft"
					>{[one.caller, sinceWords(nowMs - Date.parse(one.at))].filter(Boolean).join(', ')}</span
				>
			</span>
		</li>
	{/each}
</ul>

<style>
	li {
		display: grid;
		grid-template-columns: minmax(13rem, 1.3fr) minmax(14rem, 2fr) minmax(11rem, 1fr);
		gap: 0.3rem 1rem;
		align-items: center;
		padding-right: 44px;
		border-bottom: 1px solid var(--rule);
		overflow-wrap: anywhere;
	}
	a {
		display: block;
		padding: 0.7rem 0.5rem;
		text-decoration: none;
	}
	.name {
		display: block;
		font-size: 1.08rem;
		font-weight: 700;
	}
	.fresh {
		font-weight: 700;
	}
	.fresh .soft {
		display: block;
		font-weight: 400;
	}
	@media (max-width: 860px) {
		li {
			grid-template-columns: minmax(0, 1fr);
			padding: 0 0.5rem 0.7rem 0;
		}
		.said,
		li > span:last-child {
			padding-left: 0.5rem;
		}
	}
</style>
