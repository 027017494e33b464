<script lang="ts">
	import Button from '$lib/ui/kit/Button.svelte';
	import type { EndedVisit } from './unsent';

	let {
		siteId,
		siteName,
		ended,
		on,
		onbegin,
		ongoon,
		problem,
		onlook
	}: {
		siteId: string;
		siteName: string;
		/** The visit that ended last. */
		ended: EndedVisit;
		/** Its date, in words. */
		on: string;
		onbegin: () => void;
		/** Goes on with the one that was kept. */
		ongoon: () => void;
		problem: string | null;
		onlook: () => void;
	} = $props();
</script>

<h1 tabindex="-1">{siteName}: begin a visit?</h1>
<p class="big">{ended.signedOff ? 'Signed off' : 'Saved, not signed off'} {on}, {ended.who}.</p>
<p>
	{#if !ended.signedOff}Go on: everything found and tested stands.{/if}
	A new visit starts empty. Survey, offset, batteries and lock stay; the last visit stays in the
	<a href="/sites/{siteId}/record">record</a>.
</p>
{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
<div>
	{#if !ended.signedOff}<Button kind="next" onclick={ongoon}>Go on with it</Button>{/if}
	<Button kind={ended.signedOff ? 'next' : 'plain'} onclick={onbegin}>Begin a visit</Button>
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
