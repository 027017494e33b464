<script lang="ts">
	import { levelOf, roomUse, unitOf, wantedWeek } from '$core/plan';
	import Headline from '$lib/ui/kit/Headline.svelte';
	import { emitterClasses, lossOf } from '$core/thermal';
	import { DAY_MINUTES, valueAt, wrapWeek } from '$core/week';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import MeasureRoom from '$lib/ui/proof/MeasureRoom.svelte';
	import RoomSurvey from '$lib/ui/proof/RoomSurvey.svelte';
	import DescribeRoom from '$lib/ui/zone/DescribeRoom.svelte';
	import UsedAs from '$lib/ui/zone/UsedAs.svelte';
	import { zoneModel } from '$lib/ui/zone/zoneModel.svelte';

	const model = zoneModel();
	const zone = $derived(model.zone);
	const profile = $derived(model.profile);
	const unit = $derived(unitOf(zone, profile));
	const use = $derived(roomUse(zone.use));
	const wanted = $derived(wantedWeek(zone));
	/** What is wanted at a minute on the wall since 1970, which began on a Thursday; null where the control only switches. */
	const plannedC = $derived(
		profile.temperature
			? (minute: number) => levelOf(zone, valueAt(wanted, wrapWeek(minute + 3 * DAY_MINUTES))).setpointC
			: null
	);
</script>

<main>
	<Headline of="{zone.name}: the room">
		{#if zone.room}
			Heat loss <strong
				>{unit === 'F'
					? `${Math.round(lossOf(zone.room) / 1.8)} W/°F`
					: `${Math.round(lossOf(zone.room))} W/K`}</strong
			>; {emitterClasses[zone.room.emitter.kind].words}
			<strong>{(zone.room.emitter.ratedW / 1000).toFixed(1)} kW</strong>.
		{:else}
			Room not described yet
		{/if}
	</Headline>
	<div class="parts">
		<div>
			<section aria-label="What the room is for">
				<div class="fields">
					<UsedAs {zone} onchange={(next) => model.change(next)} />
					<div class="note">
						<Field
							label="Note"
							value={zone.note}
							maxlength={400}
							onchange={(note) => model.change({ ...zone, note: note.trim() })}
						/>
					</div>
				</div>
				{#if use?.care(unit)}<p>{use.care(unit)}.</p>{/if}
			</section>
			{#if zone.room}
				<RoomSurvey room={zone.room} {unit} onchange={(room) => model.change({ ...zone, room })} />
				<MeasureRoom
					room={zone.room}
					outdoorC={zone.lead.computed?.outdoorC ?? 0}
					{unit}
					{plannedC}
					onmeasured={(room) => model.change({ ...zone, room })}
				/>
				<p class="forget">
					<Button kind="quiet" onclick={() => model.change({ ...zone, room: null })}>Forget the room</Button>
				</p>
			{:else}
				<DescribeRoom {model} />
			{/if}
		</div>
	</div>
</main>

<style>
	.parts {
		display: grid;
		grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
		gap: 1rem 2.5rem;
		margin-top: 1rem;
	}
	.parts :global(h2) {
		font-size: 1.05rem;
	}
	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(13rem, 100%), 1fr));
		gap: 0.75rem 1rem;
	}
	.note {
		grid-column: 1 / -1;
	}
	.parts > div {
		display: grid;
		gap: 1.2rem;
		align-content: start;
	}
	.forget {
		margin-top: 1rem;
	}
	@media (max-width: 860px) {
		.parts {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
