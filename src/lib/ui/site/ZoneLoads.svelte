<script lang="ts">
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
	<table class="figures">
		<thead><tr><th>zone</th><th>a week</th><th>starts a day</th><th>late</th></tr></thead>
		<tbody>
			{#each load.zones as zone (zone.id)}
				<tr>
					<th scope="row"
						><a href="/sites/{siteId}/zones/{zone.id}/proof"
							>{heated.find((one) => one.id === zone.id)?.zone.name}</a
						></th
					>
					<td>{zone.kWh.toFixed(0)} kWh</td>
					<td>{Math.round(zone.starts / 7)}</td>
					<td class:signal={zone.late.length > 0}
						>{zone.late.length === 0
							? '–'
							: `${zone.late.length} times, first ${DAY_NAMES[dayOf(zone.late[0]!)]} ${clockTime(minuteOfDay(zone.late[0]!))}`}</td
					>
				</tr>
			{/each}
		</tbody>
	</table>
</section>

<style>
	section {
		margin-top: 1.1rem;
	}
	h2 {
		font-size: 1.05rem;
	}
	@media (max-width: 700px) {
		th,
		td {
			padding-right: 0.6rem;
		}
	}
</style>
