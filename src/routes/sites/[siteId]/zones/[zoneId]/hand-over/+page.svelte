<script lang="ts">
	import { Button } from 'carbon-components-svelte';
	import { displayTime, heldSetpoint, setpointWithUnit } from '$core/control';
	import { misfitSentences } from '$core/fit';
	import { heldInWords } from '$core/keying';
	import { customerLines } from '$core/run';
	import { dayRange, duration } from '$core/week';
	import PrintedWeek from '$lib/ui/handover/PrintedWeek.svelte';

	let { data } = $props();

	const zone = $derived(data.stored.zone);
	const say = $derived((c: number) => setpointWithUnit(data.profile, data.options, c));
	const words = $derived(heldInWords(data.held, data.profile, data.options));
	const cool = $derived(data.heldCool ? heldInWords(data.heldCool, data.profile, data.options) : []);
	const here = $derived(data.zones.find((one) => one.id === data.zone.id));
	const keyed = $derived(here ? here.summary.done === here.summary.of : false);
	const isSwitch = $derived(data.profile.temperature === null);

	/** The levels that the control really runs, warmest first. */
	const levels = $derived(
		zone.levels
			.map((level) => ({ ...level, heldC: heldSetpoint(data.profile, data.options, level.setpointC) }))
			.filter((level) => data.held.some((step) => Math.abs(step.value - level.heldC) < 1e-9))
			.sort((a, b) => b.heldC - a.heldC)
	);

	/** Said once, also where heating and cooling are off at the same time. */
	const off = $derived([
		...new Set(
			misfitSentences(data.misfit, zone.weights, say)
				.filter((sentence) => sentence.to - sentence.from >= 10)
				.slice(0, 3)
				.map((sentence) => {
					const at = `${dayRange(sentence.days)} ${displayTime(sentence.from, data.options.clock)} to ${displayTime(sentence.to, data.options.clock)}`;
					return isSwitch
						? `${at} (${duration(sentence.to - sentence.from)}): ${sentence.cold ? 'off, though it was wanted on' : 'on, though it was not asked for'}`
						: `${at} (${duration(sentence.to - sentence.from)}): ${sentence.cold ? 'cooler' : 'warmer'} than you asked`;
				})
		)
	]);
	/** How this very control is overridden, left alone, and kept right. */
	const ways = $derived(customerLines(data.profile, data.options, data.site.timeZone, data.nowMs));
	const today = new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });
	const frost = $derived(levels.find((level) => !isSwitch && level.heldC < 12));
</script>

<svelte:head><title>{zone.name}, your heating week · Fond Quarter</title></svelte:head>

<div class="desk">
	<div class="tools no-print">
		<p>
			{keyed
				? 'This is what the customer keeps.'
				: 'Not everything is keyed yet; this is what the page will say.'}
			<span class="soft">One A4 page; black and white will do.</span>
		</p>
		<Button on:click={() => window.print()}>Print</Button>
	</div>
	<article>
		<header>
			<div>
				<h1>Your heating week: {zone.name}</h1>
				<p>{[data.site.name, data.site.place].filter(Boolean).join(', ')}</p>
			</div>
			<p>{today}</p>
		</header>

		<PrintedWeek held={data.held} profile={data.profile} options={data.options} />

		<section class="words">
			{#each words as day (day.name)}
				<p><strong>{day.name}:</strong> {day.sentence}</p>
			{/each}
		</section>

		{#if cool.length > 0}
			<section class="words">
				<h2>In warm weather it cools above</h2>
				{#each cool as day (day.name)}
					<p><strong>{day.name}:</strong> {day.sentence}</p>
				{/each}
			</section>
		{/if}

		<section class="two">
			<div>
				<h2>{isSwitch ? 'What it does' : 'What the temperatures are for'}</h2>
				{#if isSwitch}
					<p>The timer only switches on and off; it does not measure the room.</p>
				{:else}
					<ul>
						{#each levels as level (level.id)}
							<li><strong>{say(level.heldC)}</strong> {level.name}</li>
						{/each}
					</ul>
				{/if}
				{#if off.length > 0}
					<h2>Where the control cannot follow you</h2>
					<ul>
						{#each off as sentence (sentence)}<li>{sentence}.</li>{/each}
					</ul>
				{/if}
				<h2>Good to know</h2>
				<ul>
					{#if isSwitch}
						<li>The times follow the timer's own clock: if it is wrong, so is everything here.</li>
						<li>A towel rail gets hot enough to hurt a small child; keep it off when they bathe alone.</li>
					{:else}
						<li>A room warms slowly: turning the control higher than you want does not make it quicker.</li>
						<li>Infants, the old and the ill need 18 °C or more; say so if that applies.</li>
					{/if}
					{#if frost}<li>{say(frost.heldC)} protects the pipes, not people.</li>{/if}
					<li>Wiring and gas are for licensed people; the maker's instructions come first.</li>
				</ul>
			</div>
			<div>
				{#each ways as way (way.title)}
					<h2>{way.title}</h2>
					<p>{way.sentences.join(' ')}</p>
				{/each}
			</div>
		</section>
		<footer>
			<p>
				Control: {data.profile.name.toLowerCase()}. Set up by: ______________________ Telephone:
				______________________
			</p>
		</footer>
	</article>
</div>

<style>
	.desk {
		padding: 1rem 1.4rem 3rem;
	}
	.tools {
		display: flex;
		flex-wrap: wrap;
		gap: 1rem;
		align-items: center;
		justify-content: space-between;
		max-width: 210mm;
		margin: 0 auto 0.9rem;
	}
	article {
		display: flex;
		flex-direction: column;
		gap: 3.5mm;
		max-width: 210mm;
		min-height: 285mm;
		margin: 0 auto;
		padding: 12mm 15mm 8mm;
		background: #fff;
		color: #000;
		box-shadow: 0 1px 6px rgb(0 0 0 / 20%);
		font-size: 11pt;
		line-height: 1.35;
		color-scheme: light;
	}
	header {
		display: flex;
		justify-content: space-between;
		gap: 1rem;
		border-bottom: 1.5pt solid #000;
		padding-bottom: 3mm;
	}
	header > p {
		white-space: nowrap;
	}
	h1 {
		font-size: 17pt;
		overflow-wrap: anywhere;
	}
	h2 {
		font-size: 11pt;
		margin: 0 0 1mm;
	}
	ul + h2,
	p + h2 {
		margin-top: 2mm;
	}
	.words p {
		margin-bottom: 0.9mm;
		font-size: 10.5pt;
		line-height: 1.28;
	}
	.two {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 8mm;
	}
	.two p,
	.two li {
		font-size: 10pt;
		line-height: 1.25;
	}
	ul {
		margin: 0;
		padding-left: 4mm;
		list-style: disc;
	}
	footer {
		margin-top: auto;
		border-top: 0.5pt solid #000;
		padding-top: 3mm;
		font-size: 10pt;
	}
	@media (max-width: 860px) {
		.desk {
			padding: 0.75rem 0 2rem;
		}
		.tools {
			padding: 0 0.75rem;
		}
		article {
			padding: 6mm 5mm;
			min-height: 0;
		}
		.two {
			grid-template-columns: 1fr;
		}
	}
	@media print {
		@page {
			size: A4;
			margin: 0;
		}
		.desk {
			padding: 0;
		}
		article {
			box-shadow: none;
			width: 210mm;
			/* a page too full runs on to a second one: nothing is cut off */
			min-height: 296mm;
			padding: 12mm 15mm 8mm;
		}
		.two {
			grid-template-columns: 1fr 1fr;
		}
	}
</style>
