<script lang="ts">
	let { links }: { links: readonly { readonly words: string; readonly rules: boolean }[] } = $props();
</script>

<ol>
	{#each links as link, i (i)}
		<li class:rules={link.rules}>{link.words}</li>
	{/each}
</ol>

<style>
	ol {
		border-left: 2px solid var(--rule);
	}
	li {
		position: relative;
		padding: 0.25rem 0 0.25rem 0.8rem;
		color: var(--soft);
	}
	li.rules {
		color: var(--ink);
		font-weight: 700;
	}
	li.rules::before {
		content: '';
		position: absolute;
		left: -5px;
		top: 0.75em;
		width: 8px;
		height: 8px;
		background: var(--ink);
		border-radius: 50%;
	}
</style>
