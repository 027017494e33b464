<script lang="ts">
	import { onMount, type Snippet } from 'svelte';
	import { answersTo } from '$core/words';
	import Finder from './Finder.svelte';
	import type { Found } from './finding';

	let {
		heading,
		label,
		find,
		begun = false,
		trigger
	}: {
		heading: string;
		/** What is asked. */
		label: string;
		/** All that can be chosen, in their order; asked for when they are wanted; null where nobody answers. */
		find: () => readonly Found[] | Promise<readonly Found[] | null>;
		/** Whether it is open from the beginning. */
		begun?: boolean;
		/** What opens it. */
		trigger: Snippet<[choose: () => void]>;
	} = $props();

	let open = $state(false);
	let query = $state('');
	/** Null where nobody answers. */
	let all = $state.raw<readonly Found[] | null>([]);
	const found = $derived((all ?? []).filter((one) => answersTo(`${one.label} ${one.detail}`, query)));

	async function choose() {
		all = await find();
		open = true;
	}
	onMount(() => void (begun && choose()));
</script>

{@render trigger(() => void choose())}
<Finder
	{heading}
	{label}
	none={all ? undefined : 'No connection: the list is on the server.'}
	{found}
	bind:open
	bind:query
/>
