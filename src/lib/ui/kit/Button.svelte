<script lang="ts">
	import { Button } from 'carbon-components-svelte';
	import type { Snippet } from 'svelte';
	import type { HTMLButtonAttributes } from 'svelte/elements';
	import type { CarbonIcon } from './icon';

	let {
		kind = 'plain',
		small = false,
		href,
		download,
		icon,
		iconLabel,
		tip = 'center',
		disabled = false,
		class: extra = '',
		ref = $bindable(null),
		children,
		...rest
	}: Omit<HTMLButtonAttributes, 'disabled' | 'class'> & {
		/** `next` is the one filled button of a view: the next act of the work. `danger` removes something. */
		kind?: 'next' | 'plain' | 'quiet' | 'danger';
		small?: boolean;
		href?: string;
		download?: boolean | string;
		icon?: CarbonIcon;
		/** What a button that shows only its icon does. */
		iconLabel?: string;
		/** Where that is shown: at the end of a row to its start, so that it stays on the page. */
		tip?: 'start' | 'center' | 'end';
		disabled?: boolean;
		class?: string;
		ref?: HTMLButtonElement | HTMLAnchorElement | null;
		children?: Snippet;
	} = $props();

	const CARBON = { next: 'primary', plain: 'tertiary', quiet: 'ghost', danger: 'danger-tertiary' } as const;
	/** What others lay it out by: none but the kit knows what Carbon calls it. */
	const named = $derived(`kit-button kit-${kind} ${extra}`);
	// Carbon types a button's, a link's and a block's attributes together
	const given = $derived({ ...rest, ...(download === undefined ? {} : { download }) } as object);
</script>

{#if children}
	<Button
		kind={CARBON[kind]}
		size={small ? 'small' : 'field'}
		class={named}
		{href}
		{icon}
		{disabled}
		bind:ref
		{...given}>{@render children()}</Button
	>
{:else}
	<Button
		kind={CARBON[kind]}
		size={small ? 'small' : 'field'}
		class={named}
		{href}
		{icon}
		{disabled}
		iconDescription={iconLabel}
		tooltipAlignment={tip}
		bind:ref
		{...given}
	/>
{/if}
