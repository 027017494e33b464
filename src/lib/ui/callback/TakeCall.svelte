<script lang="ts">
	import { onMount } from 'svelte';
	import { answersTo } from '$core/words';
	import Button from '../kit/Button.svelte';
	import Finder from '../shell/Finder.svelte';
	import type { Found } from '../shell/finding';

	let {
		which,
		find,
		begun = false
	}: {
		/** The first question of a call: which site, which room. */
		which: string;
		/** What answers it, and where a call about it is taken; null where nobody answers. */
		find: () => readonly Found[] | Promise<readonly Found[] | null>;
		/** Whether a call is taken already, and only this is open. */
		begun?: boolean;
	} = $props();

	let open = $state(false);
	let query = $state('');
	let all = $state.raw<readonly Found[] | null>([]);
	const found = $derived((all ?? []).filter((one) => answersTo(`${one.label} ${one.detail}`, query)));

	async function choose() {
		all = await find();
		open = true;
	}
	onMount(() => void (begun && choose()));
</script>

<Button onclick={() => void choose()}>Take a call</Button>
<Finder
	heading="Take a call"
	label={which}
	none={all ? undefined : 'No connection: the list is on the server.'}
	{found}
	bind:open
	bind:query
/>
