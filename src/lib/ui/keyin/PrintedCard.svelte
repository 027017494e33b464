<script lang="ts">
	import type { ControlProfile } from '$core/control';
	import { foundOf, isKeyed, keysOfCard, type KeyCard, type Keyed } from '$core/keying';
	import { isOperable } from '$core/machine';
	import { keysSaid } from '$core/words';

	let {
		name,
		site,
		card,
		keyed,
		profile
	}: { name: string; site: string; card: KeyCard; keyed: Keyed; profile: ControlProfile } = $props();

	/** The keys of each value that is still to be keyed, as they are said; by its id. */
	const said = $derived.by(() => {
		if (!card.operated || !isOperable(profile)) return new Map<string, string>();
		const { items } = keysOfCard(profile, { items: card.items, ...card.operated }, keyed, foundOf(keyed));
		return new Map(
			card.items.flatMap((item, i) => {
				const keys = items[i];
				return keys ? [[item.id, keysSaid(profile.panel, keys, keys.way, item.shows)] as const] : [];
			})
		);
	});

	/** The items under their headings, in the order of keying. */
	const sections = $derived.by(() => {
		const made: { heading: string; aside: string; items: KeyCard['items'][number][] }[] = [];
		for (const item of card.items) {
			const last = made.at(-1);
			if (last?.heading === item.section) last.items.push(item);
			else made.push({ heading: item.section, aside: item.aside.split(' · ')[0]!, items: [item] });
		}
		return made;
	});
</script>

<article class="printed" aria-hidden="true">
	<h1>{name}: what to key in</h1>
	<p>{site}. {card.items.length} values, in this order. {card.route}</p>
	<p class="care">
		The keys at the front are all this needs: never open a live enclosure; wiring and gas belong to licensed
		trades.
	</p>
	<div class="columns">
		{#each sections as section, i (i)}
			<section>
				<h2>{section.heading} <span>{section.aside}</span></h2>
				<ul>
					{#each section.items as item (item.id)}
						<li>
							<span class="box">{isKeyed(item, keyed) ? '✓' : ''}</span>
							<span
								>{#if item.before && !said.has(item.id)}<strong>{item.before}</strong>
								{/if}{item.what}{item.from !== null ? `, from ${item.from}` : ''}{#if said.has(item.id)}<em
										>{said.get(item.id)}</em
									>{/if}</span
							>
							<strong class="mono">{item.shows}{item.unit}</strong>
						</li>
					{/each}
				</ul>
			</section>
		{/each}
	</div>
	<p><strong>{card.leave}</strong> Leave the control on automatic, then read it back.</p>
</article>

<style>
	.printed {
		display: none;
	}
	@media print {
		.printed {
			display: block;
			font-size: 10.5pt;
		}
		h1 {
			font-size: 16pt;
		}
		.care {
			margin: 4pt 0;
			font-size: 9.5pt;
		}
		.columns {
			columns: 3;
			column-gap: 14pt;
			margin: 8pt 0;
		}
		h2 {
			margin-top: 6pt;
			font-size: 10.5pt;
			break-after: avoid;
		}
		h2 span {
			font-weight: 400;
			font-size: 8.5pt;
		}
		ul {
			margin: 0;
			padding: 0;
			list-style: none;
		}
		li {
			display: grid;
			grid-template-columns: 12pt 1fr auto;
			gap: 4pt;
			padding: 1.5pt 0;
			border-bottom: 0.5pt solid #999;
			break-inside: avoid;
			line-height: 1.2;
		}
		em {
			display: block;
			font-style: normal;
			font-size: 8.5pt;
		}
		.box {
			width: 9pt;
			height: 9pt;
			border: 0.8pt solid #000;
			font-size: 8pt;
			line-height: 8pt;
		}
	}
</style>
