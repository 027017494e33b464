<script lang="ts">
	import type { Panel, PanelGesture } from '$core/control';
	import { readWay, writeWay } from '$core/formats';
	import Field from '../kit/Field.svelte';

	/** A way, written as people say it: keys by the words on them, with commas between. */
	let {
		label,
		panel,
		way,
		single = false,
		needed = false,
		onchange
	}: {
		label: string;
		panel: Panel;
		way: readonly PanelGesture[];
		/** Whether one gesture is all that can stand here. */
		single?: boolean;
		/** Whether nothing is no answer. */
		needed?: boolean;
		onchange: (way: PanelGesture[]) => void;
	} = $props();

	let problem = $state<string | null>(null);
	function take(text: string) {
		const read = readWay(panel, text);
		problem = !read.ok
			? read.sentence
			: single && read.value.length > 1
				? 'One gesture stands here.'
				: needed && read.value.length === 0
					? 'Say which keys lead there.'
					: null;
		if (read.ok && problem === null) onchange(read.value);
	}
</script>

<Field {label} {problem} value={writeWay(panel, way)} maxlength={160} onchange={take} />
