<script lang="ts">
	import Button from '$lib/ui/kit/Button.svelte';
	import type { EndedVisit } from './unsent';

	let {
		siteId,
		siteName,
		ended,
		on,
		onbegin,
		onlook
	}: {
		siteId: string;
		siteName: string;
		/** The visit that ended last. */
		ended: EndedVisit;
		/** Its date, in words. */
		on: string;
		onbegin: () => void;
		onlook: () => void;
	} = $props();
</script>

<h1 tabindex="-1">{siteName}: begin a visit?</h1>
<p class="big">{ended.signedOff ? 'Signed off' : 'Kept as it stood'} on {on} by {ended.who}.</p>
<p>
	A new visit starts with nothing found, tested or left yet. Survey, offset, batteries and lock stay as they
	are, and the last visit stays in the <a href="/sites/{siteId}/record">record</a>.
</p>
<div>
	<Button kind="next" onclick={onbegin}>Begin a visit</Button>
	<Button onclick={onlook}>Only look</Button>
</div>

<style>
	.big {
		margin: 0.6rem 0;
		font-size: 1.3rem;
	}
	div {
		display: flex;
		flex-wrap: wrap;
		margin-top: 1rem;
		gap: 0.75rem;
		align-items: center;
	}
</style>
