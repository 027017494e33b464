<script lang="ts">
	import { onMount } from 'svelte';
	import { testSetpoints } from '$core/checks';
	import { temperatureWords } from '$core/control';
	import { TEST_STEPS, testStanding, unitOf } from '$core/plan';
	import Degrees from './Degrees.svelte';
	import { delayLeft, nextTestStep, testWords } from './visitSteps';
	import type { StepProps } from './stepProps';
	import Button from '$lib/ui/kit/Button.svelte';

	let {
		zone,
		profile,
		onSite,
		set,
		asks
	}: StepProps & {
		/** Where what may be the matter is found out. */
		asks: string;
	} = $props();

	const unit = $derived(unitOf(zone, profile));
	const test = $derived(testSetpoints(zone, profile, onSite));
	const step = $derived(nextTestStep(onSite.test));
	const standing = $derived(testStanding(onSite.test));
	const words = $derived(step && testWords(step, zone, profile, onSite));
	let readingC = $state<number | null>(null);
	let nowMs = $state(Date.now());
	onMount(() => {
		const every = setInterval(() => (nowMs = Date.now()), 500);
		return () => clearInterval(every);
	});
	const left = $derived(
		step === 'call' ? delayLeft(onSite.test, profile.habits.minimumOffMinutes, nowMs) : 0
	);
	const clock = (seconds: number) => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;

	function note(seen: boolean) {
		if (!step) return;
		set('test', [...onSite.test, { step, at: new Date().toISOString(), seen, readingC }]);
		if (seen && step === 'automatic') set('leftIn', 'automatic');
		readingC = null;
	}
</script>

<p class="soft">Covers stay closed. Wiring, gas and pressure work: qualified engineer only.</p>
<div class="test">
	<ol>
		{#each TEST_STEPS as id, i (id)}
			{@const done = onSite.test.find((one) => one.step === id)}
			<li class:now={id === step && standing !== 'failed'} class:failed={done && !done.seen}>
				<span class="mono">{i + 1}</span>
				<span>{testWords(id, zone, profile, onSite).does}</span>
				<span class="soft"
					>{done
						? `${done.seen ? 'seen' : 'not seen'} ${new Date(done.at).toTimeString().slice(0, 5)}${done.readingC === null ? '' : `, ${temperatureWords(unit, done.readingC)}`}`
						: ''}</span
				>
			</li>
		{/each}
	</ol>
	<div>
		{#if standing === 'failed'}
			<p class="signal" role="status">The test failed: find out why before it is signed off.</p>
			<Button href={asks}>What may it be?</Button>
		{:else if !step}
			<p class="passed" role="status">It heats when it is asked to, and stops when it is not.</p>
		{:else if words}
			<p class="does">{words.does}</p>
			{#if words.keys}<p class="with">{words.keys}</p>{/if}
			<p>{words.sees}</p>
			{#if step === 'raise' && test && test.shownC === null}
				<Degrees
					label="The {test.governs} shows now"
					{unit}
					value={test.shownC}
					onchange={(value) => set(test!.governs === 'floor' ? 'floorC' : 'roomC', value)}
				/>
			{/if}
			{#if left > 0}
				<p class="wait" role="timer">
					<span class="mono">{clock(left)}</span> May wait {profile.habits.minimumOffMinutes} min before starting.
					Not a fault.
				</p>
			{/if}
			{#if words.reads}<Degrees
					label="A reading, if you took one"
					{unit}
					value={readingC}
					onchange={(value) => (readingC = value)}
				/>{/if}
			<div class="keys">
				<Button kind="next" onclick={() => note(true)}>Seen</Button>
				<Button disabled={left > 0} onclick={() => note(false)}>Not seen</Button>
			</div>
		{/if}
	</div>
</div>
{#if onSite.test.length > 0}
	<Button onclick={() => set('test', onSite.test.slice(0, -1))}>Take the last step back</Button>
	<Button onclick={() => set('test', [])}>Begin again</Button>
{/if}

<style>
	ol {
		margin: 0.6rem 0 1rem;
	}
	li {
		display: grid;
		grid-template-columns: 1.5rem minmax(0, 1fr) auto;
		gap: 0.5rem;
		padding: 0.4rem 0.3rem;
		border-bottom: 1px solid var(--rule);
	}
	li.now {
		background: var(--sheet);
		outline: 2px solid var(--ink);
		outline-offset: -2px;
		font-weight: 700;
	}
	li.failed {
		color: var(--signal);
	}
	.does {
		font-size: 1.5rem;
		font-weight: 700;
		line-height: 1.25;
	}
	.with {
		font-family: var(--display);
		font-size: 1.25rem;
		font-weight: 600;
	}
	.passed {
		font-size: 1.3rem;
		font-weight: 700;
	}
	.wait {
		display: flex;
		gap: 0.75rem;
		align-items: baseline;
	}
	.wait .mono {
		font-size: 2.2rem;
	}
	.keys {
		display: grid;
		grid-template-columns: 2fr 1fr;
		gap: 0.75rem;
		margin: 0.8rem 0;
	}
	.keys :global(.kit-button) {
		min-height: 64px;
		font-size: 1.2rem;
	}
	p {
		margin-bottom: 0.4rem;
	}
	/* on a phone what is done now stands over the list of all steps, within reach of the thumb */
	@media (max-width: 560px) {
		.test {
			display: flex;
			flex-direction: column-reverse;
		}
		.does {
			margin-top: 0.6rem;
		}
	}
</style>
