<script lang="ts">
	import 'carbon-components-svelte/css/all.css';
	import '@fontsource/atkinson-hyperlegible-next/latin-400.css';
	import '@fontsource/atkinson-hyperlegible-next/latin-700.css';
	import '@fontsource/atkinson-hyperlegible-mono/latin-400.css';
	import '@fontsource/atkinson-hyperlegible-mono/latin-700.css';
	import '@fontsource/lexend/latin-600.css';
	import '$lib/ui/style/tokens.css';
	import '$lib/ui/style/base.css';
	import { page } from '$app/state';
	import { onMount } from 'svelte';
	import AsOf from '$lib/ui/shell/AsOf.svelte';
	import { doEarlyTaps } from '$lib/ui/earlyTaps';
	import { beginKeeping } from '$lib/ui/visit/keptPages.svelte';
	import Keys from '$lib/ui/shell/Keys.svelte';
	import Palette from '$lib/ui/shell/Palette.svelte';
	import Shell from '$lib/ui/shell/Shell.svelte';

	let { data, children } = $props();
	const outside = $derived(page.url.pathname.startsWith('/c/') || data.role === null);
	let palette = $state(false);
	let keys = $state(false);

	onMount(() => {
		doEarlyTaps();
		if (!outside) beginKeeping();
	});

	function onkeydown(event: KeyboardEvent) {
		if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
			event.preventDefault();
			palette = true;
		} else if (event.key === '?' && !(event.target as HTMLElement).closest('input, textarea, select')) {
			keys = true;
		}
	}
</script>

<svelte:window onkeydown={outside ? undefined : onkeydown} />

{#if outside}
	<!-- a customer's page, or nobody signed in: nothing of the program stands round it -->
	{@render children()}
{:else}
	<Shell
		theme={data.theme}
		signsOut={data.signsOut}
		onpalette={() => (palette = true)}
		onhelp={() => (keys = true)}
	>
		<AsOf />
		{@render children()}
	</Shell>
	<Palette bind:open={palette} />
	<Keys bind:open={keys} />
{/if}
