<!-- The card with one hand, or none: keys of a keyboard, a headset, a clicker; while it is read aloud a tap anywhere. -->
<script lang="ts">
	import { aloud } from './aloud.svelte';
	import { hearHeadset } from './headset';
	import { cardKey } from './keying.svelte';

	let { onnext, onback }: { onnext: () => void; onback: () => void } = $props();

	$effect(() => (aloud.on ? hearHeadset(onnext, onback) : undefined));
	function onkeydown(event: KeyboardEvent) {
		const does = cardKey(event);
		if (!does) return;
		if (does === 'on') onnext();
		else onback();
		event.preventDefault();
	}
	/** A tap anywhere goes on, but for what is pressed itself. */
	function onclick(event: MouseEvent) {
		const own = (event.target as HTMLElement).closest(
			'a, button, input, select, label, dialog, [role="dialog"]'
		);
		if (aloud.on && !own) onnext();
	}
</script>

<svelte:window {onkeydown} {onclick} />
