<script lang="ts">
	import { isOperable } from '$core/machine';
	import Button from '$lib/ui/kit/Button.svelte';
	import Empty from '$lib/ui/kit/Empty.svelte';
	import { saveExercise } from '$lib/ui/panel/exercises';
	import Rehearse from '$lib/ui/panel/Rehearse.svelte';

	let { data } = $props();
	const back = $derived({
		href: `/sites/${data.site.id}/zones/${data.zone.id}/key-in`,
		name: 'To the card'
	});
</script>

<svelte:head><title>{data.name}, practised · Fond Quarter</title></svelte:head>

<main>
	{#if isOperable(data.profile) && data.card.operated}
		{#key data.card}
			<Rehearse
				name={data.name}
				profile={data.profile}
				card={data.card}
				place={{ timeZone: data.site.timeZone, room: data.room }}
				leave={back}
				onsave={(broken) =>
					saveExercise({
						timeZone: data.site.timeZone,
						profile: data.profile,
						zones: data.hanging,
						broken
					})}
			/>
		{/key}
	{:else}
		<Empty heading="The keys of this control are not described yet">
			<p>Describe its keys to practise here and to have them on its card.</p>
			<Button href="/controls/{data.profile.id}">Describe its keys</Button>
		</Empty>
	{/if}
</main>
