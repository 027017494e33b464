<script lang="ts">
	import { TERMS, type Term } from '$core/words';
	import Why from './Why.svelte';

	let {
		of
	}: {
		/** A term of the trade that stands beside it. */
		of: Term;
	} = $props();
</script>

<span><Why of="What is “{of}”?">{TERMS[of]}</Why></span>

<style>
	span {
		display: inline-block;
		vertical-align: middle;
	}
	/* beside a heading it takes no more room than the heading */
	span :global(.bx--toggletip-label:empty) {
		display: none;
	}
</style>
