<script lang="ts">
	import { Table, TableBody, TableCell, TableHead, TableHeader, TableRow } from 'carbon-components-svelte';
	import type { HeatedZone, SiteLoad } from '$core/thermal';
	import { clockTime, DAY_NAMES, dayOf, minuteOfDay } from '$core/week';

	let {
		siteId,
		load,
		heated
	}: {
		siteId: string;
		load: SiteLoad;
		heated: readonly HeatedZone[];
	} = $props();
</script>

<section>
	<h2>Zone by zone</h2>
	<Table>
		<TableHead>
			<TableRow>
				{#each ['zone', 'a week', 'starts a day', 'late'] as name (name)}<TableHeader>{name}</TableHeader
					>{/each}
			</TableRow>
		</TableHead>
		<TableBody>
			{#each load.zones as zone (zone.id)}
				<TableRow>
					<TableCell>
						<a href="/sites/{siteId}/zones/{zone.id}/proof"
							>{heated.find((one) => one.id === zone.id)?.zone.name}</a
						>
					</TableCell>
					<TableCell>{zone.kWh.toFixed(0)} kWh</TableCell>
					<TableCell>{Math.round(zone.starts / 7)}</TableCell>
					<TableCell>
						<span class:signal={zone.late.length > 0}
							>{zone.late.length === 0
								? '–'
								: `${zone.late.length} times, first ${DAY_NAMES[dayOf(zone.late[0]!)]} ${clockTime(minuteOfDay(zone.late[0]!))}`}</span
						>
					</TableCell>
				</TableRow>
			{/each}
		</TableBody>
	</Table>
</section>

<style>
	section {
		margin-top: 1.1rem;
	}
	h2 {
		font-size: 1.05rem;
	}
</style>
