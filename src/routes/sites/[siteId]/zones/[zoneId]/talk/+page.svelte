<script lang="ts">
	import { isOperable } from '$core/machine';
	import Headline from '$lib/ui/kit/Headline.svelte';
	import TalkThrough from '$lib/ui/talk/TalkThrough.svelte';

	let { data } = $props();
</script>

{#if isOperable(data.profile)}
	<TalkThrough
		name={data.zone.name}
		zone={data.planned}
		profile={data.profile}
		notes={data.notes}
		timeZone={data.site.timeZone}
		nowMs={data.nowMs}
	/>
{:else}
	<main>
		<Headline of="{data.zone.name}, talk through">Its keys are not described</Headline>
		<p>Describe them under Controls, or read the customer page aloud.</p>
	</main>
{/if}
