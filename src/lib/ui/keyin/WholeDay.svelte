<script lang="ts">
	import { isOperable } from '$core/machine';
	import { fromRestWords, shownWith } from '$core/words';
	import Button from '../kit/Button.svelte';
	import Check from '../kit/Check.svelte';
	import Keys from './Keys.svelte';
	import type { Keying } from './keying.svelte';

	let {
		keying,
		onback,
		onconfirm
	}: {
		keying: Keying;
		/** Back to one value at a time. */
		onback: () => void;
		/** All of it was keyed, but for those that show something else. */
		onconfirm: (otherwise: readonly string[]) => void;
	} = $props();

	const { section, session } = $derived(keying);
	const panel = $derived(isOperable(session.profile) ? session.profile.panel : null);
	const name = $derived(section[0]?.item.section ?? '');
	/** Those that were ticked off as showing something else. */
	let otherwise = $state.raw<readonly string[]>([]);
	const right = $derived(section.filter(({ item }) => !otherwise.includes(item.id)).length);

	function tick(id: string, shows: boolean) {
		otherwise = shows ? otherwise.filter((one) => one !== id) : [...otherwise, id];
	}
</script>

<section aria-label="{name}, all at once">
	<div class="head">
		<h2>{name}</h2>
		<Button kind="quiet" onclick={onback}>One at a time</Button>
	</div>
	{#if panel && section[0]?.before.place === null}<p>{fromRestWords(panel, session.out)}</p>{/if}
	<ol>
		{#each section as { item, keys } (item.id)}
			<li>
				<div class="value">
					<span>{item.what}</span>
					<strong class="mono">{shownWith(item)}</strong>
				</div>
				{#if keys && panel}<Keys {panel} {keys} small />{/if}
				<Check
					checked={!otherwise.includes(item.id)}
					label="shows {shownWith(item)}"
					onchange={(shows) => tick(item.id, shows)}
				/>
			</li>
		{/each}
	</ol>
	<Button kind="next" class="go" onclick={() => onconfirm(otherwise)}
		>{right === section.length ? `${name}: all keyed in` : `${right} of ${section.length} keyed in`}</Button
	>
</section>

<style>
	section {
		display: flex;
		flex: 1;
		flex-direction: column;
		min-height: 0;
		padding: 1rem var(--edge) 0;
	}
	.head {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1rem;
		align-items: center;
		justify-content: space-between;
	}
	h2 {
		font-size: 1.75rem;
	}
	ol {
		flex: 1;
		margin: 0.5rem 0 0;
		overflow: auto;
	}
	li {
		display: grid;
		gap: 0.3rem;
		max-width: 40rem;
		padding: 0.6rem 0;
		border-bottom: 1px solid var(--rule);
	}
	.value {
		display: flex;
		gap: 1rem;
		justify-content: space-between;
		font-size: 1.25rem;
	}
	section :global(.go) {
		flex: none;
		width: 100%;
		min-height: 72px;
		margin: 0.75rem 0;
		font-size: 1.25rem;
	}
	@media (max-width: 860px) {
		section {
			padding: 0.75rem 1.1rem 0;
		}
	}
</style>
