<script lang="ts">
	import { isSwitch, temperatureWords } from '$core/control';
	import { writeLog } from '$core/formats';
	import { receiverWords, roomHeatWords } from '$core/words';
	import Button from '../kit/Button.svelte';
	import Check from '../kit/Check.svelte';
	import Choice from '../kit/Choice.svelte';
	import { roomLine } from './roomLine';
	import type { StandIn } from './standIn.svelte';

	/** The room that a stand-in heats, as it goes: how warm it is, whether it heats, and what can be done to it. */
	let { standIn }: { standIn: StandIn } = $props();

	const [WIDTH, HEIGHT] = [288, 56];
	const { profile } = $derived(standIn);
	const unit = $derived(standIn.state.memory.options.unit);
	const lines = $derived(roomLine(standIn.log, WIDTH, HEIGHT, isSwitch(profile)));
	const around = $derived(standIn.world.around);
	const JUMPS = [
		['Monday, 05:30', 0, 330],
		['Monday, 08:00', 0, 480],
		['Friday, 22:00', 4, 1320],
		['Saturday, 09:00', 5, 540]
	] as const;
	const OVER = 'over';
	/** A choice that was taken is offered again. */
	let jumps = $state(0);
	const words = $derived(
		profile.habits.paired
			? receiverWords(profile, standIn.receiver, standIn.heats)
			: roomHeatWords(standIn.heats, standIn.log.at(-1)?.cools)
	);
	function download() {
		const text = writeLog(standIn.log, around.timeZone);
		const link = document.createElement('a');
		link.href = URL.createObjectURL(new Blob([text], { type: 'text/csv' }));
		link.download = 'simulator-log.csv';
		link.click();
		setTimeout(() => URL.revokeObjectURL(link.href), 1000);
	}
</script>

<section class="room" aria-label="The room that it heats">
	<p class="now">
		<span class="soft">room</span>
		<strong>{temperatureWords(unit, standIn.roomC)}</strong>
		<span role="status">{words}</span>
	</p>
	{#if lines}
		<svg
			viewBox="0 0 {WIDTH} {HEIGHT + 8}"
			role="img"
			aria-label="The last two days: the room between {temperatureWords(
				unit,
				lines.lowC
			)} and {temperatureWords(unit, lines.highC)}"
		>
			{#each lines.heats as [from, to], i (i)}<rect
					class="heats"
					x={from}
					y={HEIGHT + 3}
					width={Math.max(0.6, to - from)}
					height="5"
				/>{/each}
			{#each lines.cools as [from, to], i (i)}<rect
					class="cools"
					x={from}
					y={HEIGHT + 3}
					width={Math.max(0.6, to - from)}
					height="5"
				/>{/each}
			<path class="set" d={lines.set} />
			<path class="set cool" d={lines.coolSet} />
			<path class="air" d={lines.room} />
		</svg>
		<p class="key soft">
			the last two days: <span class="air-key">room</span>{#if lines.set + lines.coolSet !== ''}, <span
					class="set-key">setpoint</span
				>{/if}, <span class="heat-key">heat</span>{#if lines.cools.length > 0}, <span class="cool-key"
					>cooling</span
				>{/if}
		</p>
	{:else}
		<p class="soft">Let its clock run: the room is drawn here.</p>
	{/if}
	<div class="tools">
		<Choice
			label="Its clock runs"
			small
			value={String(standIn.speed)}
			options={[
				{ value: '1', text: 'as it is' },
				{ value: '60', text: '60 times as fast' },
				{ value: '600', text: '600 times as fast' },
				{ value: '3600', text: 'an hour a second' }
			]}
			onchange={(value) => (standIn.speed = Number(value))}
		/>
		{#key jumps}<Choice
				label="On to"
				small
				value=""
				options={[
					{ value: '', text: 'a moment' },
					...JUMPS.map(([name], i) => ({ value: String(i), text: name })),
					...(standIn.nextChangeMs === null ? [] : [{ value: OVER, text: 'over the clock change' }])
				]}
				onchange={(i) => {
					if (i === OVER) standIn.jumpOverChange();
					const jump = JUMPS[Number(i)];
					if (jump && i !== '') standIn.jump(jump[1], jump[2]);
					jumps++;
				}}
			/>{/key}
		<Choice
			label="Outside"
			small
			value={String(around.outdoorC)}
			options={[-10, -5, 0, 4, 10, 15, ...(profile.cooling ? [24, 30] : [])].map((c) => ({
				value: String(c),
				text: temperatureWords(unit, c)
			}))}
			onchange={(c) => standIn.put({ outdoorC: Number(c) })}
		/>
	</div>
	<div class="tools">
		<Check
			label="Window open"
			checked={around.windowOpen}
			onchange={(windowOpen) => standIn.put({ windowOpen })}
		/>
		{#if profile.habits.paired && !standIn.hides}
			<Check
				label="Out of range of its receiver"
				checked={!around.linked}
				onchange={(away) => standIn.put({ linked: !away })}
			/>
		{/if}
	</div>
	{#if standIn.log.length > 60}
		<Button small kind="quiet" onclick={download}>Its log as a file</Button>
	{/if}
</section>

<style>
	.room {
		margin-top: 1rem;
	}
	.now {
		display: flex;
		flex-wrap: wrap;
		gap: 0.2rem 0.8rem;
		align-items: baseline;
	}
	.now strong {
		font-family: var(--display);
		font-size: 1.3rem;
	}
	svg {
		display: block;
		width: 100%;
		height: auto;
		margin-top: 0.3rem;
	}
	path {
		fill: none;
		stroke-width: 1.6;
	}
	.air {
		stroke: var(--ink);
	}
	.set {
		stroke: var(--held);
		stroke-width: 1.2;
	}
	/* as the week draws it */
	.set.cool {
		stroke-dasharray: 7 3;
	}
	.heats {
		fill: var(--signal);
	}
	.key {
		font-size: var(--small);
	}
	.air-key {
		border-bottom: 2px solid var(--ink);
	}
	.set-key {
		border-bottom: 2px solid var(--held);
	}
	.heat-key {
		border-bottom: 4px solid var(--signal);
	}
	.cools {
		fill: none;
		stroke: var(--ink);
	}
	.cool-key {
		border-bottom: 4px double var(--ink);
	}
	.tools {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem 1rem;
		align-items: end;
		margin-top: 0.8rem;
	}
	.tools :global(.bx--form-item) {
		flex: 1 1 8rem;
	}
</style>
