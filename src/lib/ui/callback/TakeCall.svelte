<script lang="ts">
	import Button from '../kit/Button.svelte';
	import Chooser from '../shell/Chooser.svelte';
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
</script>

<Chooser heading="Take a call" label={which} {find} {begun}>
	{#snippet trigger(choose)}<Button onclick={choose}>Take a call</Button>{/snippet}
</Chooser>
