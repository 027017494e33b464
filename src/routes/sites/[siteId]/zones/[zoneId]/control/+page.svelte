<script lang="ts">
	import { settingRows } from '$core/keying';
	import Headline from '$lib/ui/kit/Headline.svelte';
	import { isOperable } from '$core/machine';
	import { boxWords, howSetWords } from '$core/words';
	import Button from '$lib/ui/kit/Button.svelte';
	import Panel from '$lib/ui/panel/Panel.svelte';
	import { StandIn } from '$lib/ui/panel/standIn.svelte';
	import SettingsAtControl from '$lib/ui/run/SettingsAtControl.svelte';
	import HowSet from '$lib/ui/zone/HowSet.svelte';
	import ItsControl from '$lib/ui/zone/ItsControl.svelte';
	import { zoneModel } from '$lib/ui/zone/zoneModel.svelte';

	let { data } = $props();

	const model = zoneModel();
	const { zone, profile } = $derived(model);
	const name = $derived(data.channels.length > 1 ? boxWords(zone, profile) : zone.name);
	const base = $derived(`/sites/${data.site.id}/zones/${data.zone.id}`);
	/** The day grouping that its card is of, or the one that was chosen since. */
	const grouping = $derived.by(() => {
		const chosen = data.card.items.find(({ id }) => id === 'setting/grouping')?.goal;
		return (
			profile.groupings.find(({ id }) => id === zone.grouping) ??
			profile.groupings[chosen?.of === 'option' ? chosen.position : 0] ??
			profile.groupings[0]!
		);
	});
	const rows = $derived(
		settingRows(
			data.channels.map((one) => (one.id === data.zone.id ? zone : { ...one.zone, settings: zone.settings })),
			profile,
			grouping
		)
	);
	const standIn = $derived(isOperable(profile) ? new StandIn(profile) : null);
</script>

<main>
	<div class="parts">
		<div class="set">
			<Headline of="{name}: how it is set">{howSetWords(rows)}</Headline>
			<HowSet {rows} {zone} {profile} onchange={(settings) => model.change({ ...zone, settings })} />
			<p class="acts">
				<Button kind="next" href="{base}/key-in">Key in: {data.left} left</Button>
				{#if standIn}<Button href="{base}/rehearse">Practise</Button>{/if}
				<Button href="/controls/{profile.id}">Describe this control</Button>
			</p>
			<SettingsAtControl
				settings={zone.settings}
				{profile}
				unit={zone.options.unit}
				onchange={(settings) => model.change({ ...zone, settings })}
			/>
		</div>
		<div>
			{#if standIn}
				<section aria-label="Simulator">
					<p class="soft">Simulator: press its keys.</p>
					{#key standIn}<Panel {standIn} />{/key}
				</section>
			{/if}
			<ItsControl {model} profiles={data.profiles} zones={data.zones} />
		</div>
	</div>
</main>

<style>
	.parts {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(16rem, 19rem);
		gap: 1rem 2rem;
	}
	.parts :global(h2) {
		font-size: 1.05rem;
	}
	.parts > div {
		display: grid;
		gap: 1.2rem;
		align-content: start;
	}
	.set {
		gap: 0.5rem;
	}
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		margin: 1rem 0;
	}
	@media (max-width: 960px) {
		.parts {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
