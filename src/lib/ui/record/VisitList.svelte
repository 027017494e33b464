<script lang="ts">
	import { dateWords } from '$core/civil';
	import type { Visit } from '$core/record';
	import { leftAsWords } from '$core/words';
	import Button from '../kit/Button.svelte';

	type Kept = { readonly id: string; readonly visit: Visit };
	type Picture = {
		readonly id: string;
		readonly visitAt: string | null;
		readonly zoneName: string | null;
		readonly caption: string;
		readonly width: number;
		readonly height: number;
	};

	let {
		data,
		all,
		chosen,
		nameOf,
		onchoose
	}: {
		data: {
			readonly site: { readonly id: string };
			readonly visitOpenSince: string | null;
			readonly pictures: readonly Picture[];
		};
		/** The visits in their order, the last is how it stands now. */
		all: readonly Kept[];
		/** The one that is held against the one before it. */
		chosen: Kept;
		nameOf: (one: Kept) => string;
		onchoose: (id: string) => void;
	} = $props();

	const NOW = 'now';
	const siteId = $derived(data.site.id);
	const openSince = $derived(data.visitOpenSince);
	/** The pictures of a visit; those of the one that goes on stand under "Now". */
	const picturesOf = (one: Kept) =>
		data.pictures.filter((picture) => picture.visitAt === (one.id === NOW ? null : one.visit.at));
</script>

<ol aria-label="Visits">
	{#each [...all].reverse() as one, i (one.id)}
		<li class:chosen={one === chosen}>
			<div>
				<strong>{one.id === NOW ? 'Now' : nameOf(one)}</strong>
				{#if one.id !== NOW}
					<span class="soft">{one.visit.who}, {leftAsWords(one.visit)}</span>
					{#if one.visit.note}<p>{one.visit.note}</p>{/if}
					{#each one.visit.zones as zone (zone.id)}
						{#each zone.checks.filter((check) => check.reason !== null) as check (check.id)}
							<p class="soft">{zone.zone.name}: {check.sentence} Accepted: {check.reason}</p>
						{/each}
					{/each}
				{:else if openSince}
					<span class="soft">a visit is under way since {dateWords(openSince.slice(0, 10))}</span>
				{/if}
				{#if picturesOf(one).length > 0}
					<div class="pictures">
						{#each picturesOf(one) as picture (picture.id)}
							<a href="/api/v1/jobs/{siteId}/pictures/{picture.id}" target="_blank" rel="noreferrer">
								<img
									src="/api/v1/jobs/{siteId}/pictures/{picture.id}"
									alt={[picture.zoneName, picture.caption].filter(Boolean).join(': ')}
									width={picture.width}
									height={picture.height}
									loading="lazy"
								/>
								<span>{[picture.zoneName, picture.caption].filter(Boolean).join(': ')}</span>
							</a>
						{/each}
					</div>
				{/if}
			</div>
			{#if i < all.length - 1}
				<Button
					aria-pressed={one === chosen}
					aria-label="What changed: {one.id === NOW ? 'now' : nameOf(one)}"
					onclick={() => onchoose(one.id)}>What changed</Button
				>
			{/if}
		</li>
	{/each}
</ol>

<style>
	li {
		display: flex;
		gap: 0.75rem;
		align-items: start;
		justify-content: space-between;
		padding: 0.5rem 0.6rem;
		border-bottom: 1px solid var(--rule);
		border-left: 4px solid transparent;
	}
	li.chosen {
		border-left-color: var(--ink);
		background: var(--sheet);
	}
	.pictures {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		margin: 0.4rem 0 0.2rem;
	}
	.pictures a {
		width: 7.5rem;
		font-size: var(--small);
		overflow-wrap: anywhere;
	}
	.pictures img {
		display: block;
		width: 100%;
		height: auto;
		aspect-ratio: 4 / 3;
		object-fit: cover;
		border: 1px solid var(--rule);
	}
</style>
