<script lang="ts">
	import { onMount } from 'svelte';
	import { afterNavigate, invalidateAll } from '$app/navigation';
	import { page } from '$app/state';
	import { isReachable } from '../refresh';
	import { keptSince, saysAnew } from '../visit/keptPages.svelte';

	const LOOK_EVERY_MS = 6000;

	/** Since when the page on show had been kept; null where it came from the server. */
	let since = $state<number | null>(null);
	const words = $derived.by(() => {
		if (since === null) return '';
		const at = new Date(since);
		const time = at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
		const day = at.toLocaleDateString('en-GB', { day: 'numeric', month: 'long' });
		return new Date().toDateString() === at.toDateString() ? time : `${day}, ${time}`;
	});

	/** When the server read what is on show. */
	const readAtMs = () => (page.data as { readAtMs?: number }).readAtMs ?? 0;

	afterNavigate(() => {
		since = null;
		void keptSince(page.url.pathname).then((at) => (since = at));
	});

	// when the connection is back the page is read anew
	onMount(() => {
		const every = setInterval(() => {
			if (since === null || document.visibilityState !== 'visible') return;
			void isReachable().then(async (reachable) => {
				if (!reachable) return;
				const before = readAtMs();
				await saysAnew();
				await invalidateAll();
				// only what was really read anew is no longer of then
				if (readAtMs() !== before) since = null;
			});
		}, LOOK_EVERY_MS);
		return () => clearInterval(every);
	});
</script>

{#if words}
	<p class="no-print" role="status">No connection: this page is as of {words}. What you note is kept here.</p>
{/if}

<style>
	p {
		padding: 0.45rem 1.25rem;
		border-bottom: 1px solid var(--rule);
		background: var(--sheet);
		font-size: var(--small);
	}
	@media (max-width: 700px) {
		p {
			padding: 0.45rem 0.75rem;
		}
	}
</style>
