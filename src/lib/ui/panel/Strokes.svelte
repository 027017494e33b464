<script lang="ts">
	import type { Panel } from '$core/control';
	import type { Stroke } from '$core/machine';
	import { strokePart } from '$core/words';

	/** Strokes as keys with what is done with them: the word printed on the key in a frame like one. */
	let { panel, strokes }: { panel: Panel; strokes: readonly Stroke[] } = $props();
	const parts = $derived(strokes.map((stroke) => strokePart(panel, stroke)));
</script>

<span class="strokes">
	{#each parts as part, i (i)}
		<span class="stroke">
			{#each part.keys as key, k (k)}<kbd>{key}</kbd>{/each}<span class:said={part.says !== ''}
				>{part.says}{i < parts.length - 1 ? ',' : ''}</span
			>
		</span>
	{/each}
</span>

<style>
	.strokes {
		display: inline-flex;
		flex-wrap: wrap;
		gap: 0 0.5em;
		line-height: 1.9;
	}
	.stroke {
		white-space: nowrap;
	}
	.said {
		margin-left: 0.3em;
	}
	kbd {
		padding: 0.1em 0.6em;
		border: 1.5px solid currentcolor;
		border-radius: 1em;
		background: transparent;
		color: inherit;
		font-family: var(--text);
		font-size: 0.92em;
		font-weight: 600;
	}
	kbd + kbd {
		margin-left: 0.25em;
	}
</style>
