<script lang="ts">
	import { Table, TableBody, TableCell, TableHead, TableHeader, TableRow } from 'carbon-components-svelte';
	import Checkmark from 'carbon-icons-svelte/lib/Checkmark.svelte';
	import type { ControlProfile } from '$core/control';
	import { typesOf, type Occupant } from '$core/plan';
	import { counted } from '$core/schema';
	import { DWELLING_STEPS, dwellingRows, type DwellingZone } from '$core/words';
	import Button from '../kit/Button.svelte';
	import type { ListedZone } from './freeChannels';

	let {
		siteId,
		livesHere,
		profiles,
		zones
	}: {
		siteId: string;
		livesHere: readonly Occupant[];
		profiles: readonly ControlProfile[];
		/** All zones of the site: those of a type have a line a dwelling. */
		zones: readonly (DwellingZone & ListedZone)[];
	} = $props();

	/** From so many on they stand in two columns. */
	const MANY = 8;

	/** The type of which more dwellings are being added; null where none are. */
	let adding = $state<string | null>(null);
	const rows = $derived(dwellingRows(zones));
	const types = $derived(
		typesOf(rows).map((type) => {
			const own = rows.filter((row) => row.type === type);
			const half = own.length >= MANY ? Math.ceil(own.length / 2) : own.length;
			return {
				type,
				count: own.length,
				signed: own.filter(({ cells }) => cells.signed.state === 'done').length,
				columns: [own.slice(0, half), own.slice(half)].filter((some) => some.length > 0)
			};
		})
	);
</script>

{#each types as { type, count, signed, columns } (type)}
	<section aria-label={type}>
		<div class="head">
			<h2>{type}</h2>
			<span class="soft"
				>{counted(count, 'dwelling')}, {signed === count ? 'all signed off' : `${signed} signed off`}</span
			>
			<Button kind="quiet" small onclick={() => (adding = type)}>More of these</Button>
		</div>
		<div class="columns">
			{#each columns as some, i (i)}
				<Table size="short">
					<TableHead>
						<TableRow>
							<TableHeader>Dwelling</TableHeader>
							{#each DWELLING_STEPS as [id, name] (id)}<TableHeader>{name}</TableHeader>{/each}
						</TableRow>
					</TableHead>
					<TableBody>
						{#each some as { dwelling, alarm, cells } (dwelling)}
							<TableRow>
								<TableCell>
									<a href="/sites/{siteId}?dwelling={encodeURIComponent(dwelling)}">
										<strong>{dwelling}</strong>
										{#if alarm}<span class="signal">{alarm}</span>{/if}
									</a>
								</TableCell>
								{#each DWELLING_STEPS as [id] (id)}
									{@const { state, words, path } = cells[id]}
									<TableCell>
										<a href="/sites/{siteId}{path}" class:signal={state === 'bad'} title={words}>
											{#if state === 'done'}
												<Checkmark size={20} aria-hidden="true" /><span class="out-of-sight">{words}</span>
											{:else}{words}{/if}
										</a>
									</TableCell>
								{/each}
							</TableRow>
						{/each}
					</TableBody>
				</Table>
			{/each}
		</div>
	</section>
{/each}

{#if adding !== null}
	{#await import('./ManyRooms.svelte') then { default: ManyRooms }}
		<ManyRooms {siteId} {livesHere} {profiles} {zones} type={adding} onclose={() => (adding = null)} />
	{/await}
{/if}

<style>
	section {
		margin-top: 1rem;
	}
	.head {
		display: flex;
		flex-wrap: wrap;
		gap: 0.25rem 1rem;
		align-items: baseline;
	}
	h2 {
		font-size: 1.25rem;
		overflow-wrap: anywhere;
	}
	.columns {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(100%, 28rem), 1fr));
		gap: 0 2rem;
	}
	.columns > :global(*) {
		/* what only who does not see it hears stays within */
		position: relative;
		overflow-x: auto;
	}
	.columns :global(td),
	.columns :global(th) {
		padding: 0 0.25rem;
	}
	a {
		display: flex;
		gap: 0.5rem;
		align-items: center;
		min-height: 36px;
		white-space: nowrap;
		text-decoration: none;
	}
	.columns :global(td:first-child a) {
		white-space: normal;
		overflow-wrap: anywhere;
	}
	a:hover {
		text-decoration: underline;
	}
	@media (max-width: 700px) {
		/* the longest words are those of what is wrong */
		a.signal {
			white-space: normal;
		}
	}
	@media (pointer: coarse) {
		a {
			min-height: 44px;
		}
	}
</style>
