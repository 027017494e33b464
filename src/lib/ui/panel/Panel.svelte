<script lang="ts">
	import { onMount } from 'svelte';
	import Locked from 'carbon-icons-svelte/lib/Locked.svelte';
	import type { StandIn } from './standIn.svelte';
	import { Fingers, RUN_EVERY_MS } from './fingers';

	let {
		standIn,
		asked = []
	}: {
		standIn: StandIn;
		/** The keys that are asked for next: they stand out. */
		asked?: readonly string[];
	} = $props();

	const profile = $derived(standIn.profile);
	const { display } = $derived(standIn);
	const pressed = $derived(profile.panel.keys.filter(({ kind }) => kind !== 'slide'));
	const slides = $derived(profile.panel.keys.filter(({ kind }) => kind === 'slide'));
	/** Where each slide stands. */
	let stands = $state<Readonly<Record<string, string>>>({});

	let down = $state<readonly string[]>([]);
	let heldSeconds = $state(0);
	const fingers = new Fingers(
		(stroke) => standIn.stroke(stroke),
		(key) => standIn.runs(key)
	);
	const look = () => {
		down = fingers.down;
		heldSeconds = fingers.heldSeconds(performance.now());
	};

	onMount(() => {
		let last = performance.now();
		const every = setInterval(() => {
			const now = performance.now();
			standIn.pass(now - last);
			last = now;
			fingers.tick(now);
			look();
		}, RUN_EVERY_MS);
		const gone = () => {
			fingers.leave();
			look();
		};
		window.addEventListener('blur', gone);
		return () => {
			clearInterval(every);
			window.removeEventListener('blur', gone);
		};
	});

	function press(event: PointerEvent, key: string) {
		if (event.button !== 0) return;
		touching.set(event.pointerId, key);
		fingers.press(key, performance.now());
		look();
	}
	/** Which key each finger is on: it may slip off it and is let go all the same. */
	// eslint-disable-next-line svelte/prefer-svelte-reactivity -- nothing is drawn from it
	const touching = new Map<number, string>();
	function lift(event: PointerEvent) {
		const key = touching.get(event.pointerId);
		touching.delete(event.pointerId);
		if (key !== undefined) release(key);
	}
	function release(key: string) {
		fingers.release(key, performance.now());
		look();
	}
	function keydown(event: KeyboardEvent, key: string) {
		if (event.key !== ' ' && event.key !== 'Enter') return;
		event.preventDefault();
		fingers.press(key, performance.now());
		look();
	}
	function keyup(event: KeyboardEvent, key: string) {
		if (event.key === ' ' || event.key === 'Enter') release(key);
	}
	function slide(key: string, to: string) {
		stands = { ...stands, [key]: to };
		standIn.stroke({ do: 'set', key, to });
	}
</script>

<svelte:window onpointerup={lift} onpointercancel={lift} />

<div class="panel" role="group" aria-label="Simulator: {profile.name}">
	<div class="display" role="status" aria-live="polite">
		<p class="line mono"><span>{display.heading}</span><span>{display.aside}</span></p>
		<p class="value">
			<span class:blinks={display.blinks}>{display.shows}</span>{#if display.unit}<span class="unit"
					>{display.unit}</span
				>{/if}
		</p>
		<p class="line mono">
			<span>{display.foot}</span>
			<span aria-hidden="true">{heldSeconds > 0 ? `held ${heldSeconds} s` : ''}</span>
			{#if display.locked}<Locked size={16} aria-label="locked" />{/if}
		</p>
	</div>
	<div class="keys" class:many={pressed.length > 6}>
		{#each pressed as { id, print, kind } (id)}
			<button
				type="button"
				class={kind}
				class:down={down.includes(id)}
				class:asked={asked.includes(id)}
				onpointerdown={(event) => press(event, id)}
				oncontextmenu={(event) => event.preventDefault()}
				onkeydown={(event) => keydown(event, id)}
				onkeyup={(event) => keyup(event, id)}
				onblur={() => release(id)}>{print}</button
			>
		{/each}
	</div>
	{#each slides as { id, print, positions } (id)}
		<div class="slide" role="radiogroup" aria-label={print}>
			<span class="soft">{print}</span>
			{#each positions as to (to)}
				<button
					type="button"
					role="radio"
					aria-checked={(stands[id] ?? positions[0]) === to}
					class:asked={asked.includes(`${id} ${to}`)}
					onclick={() => slide(id, to)}>{to}</button
				>
			{/each}
		</div>
	{/each}
</div>

<style>
	.panel {
		padding: 1rem;
		border: 1.5px solid var(--ink);
		border-radius: 16px;
		background: var(--sheet);
		user-select: none;
		-webkit-user-select: none;
	}
	.display {
		padding: 0.6rem 0.9rem;
		border: 1px solid var(--rule);
		border-radius: 6px;
		background: var(--faint);
	}
	.line {
		display: flex;
		justify-content: space-between;
		gap: 0.75rem;
		min-height: 1.5em;
	}
	.value {
		min-height: 1.15em;
		font-family: var(--display);
		font-size: clamp(2.4rem, 11vw, 3.2rem);
		font-weight: 600;
		line-height: 1.15;
		white-space: nowrap;
	}
	.blinks {
		padding: 0 0.08em;
		background: var(--ink);
		color: var(--sheet);
	}
	.unit {
		margin-left: 0.2em;
		font-size: 0.45em;
	}
	.keys {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 0.6rem;
		margin-top: 0.9rem;
	}
	.keys.many {
		grid-template-columns: 1fr 1fr 1fr;
	}
	button {
		min-height: 3rem;
		padding: 0.25rem 0.4rem;
		border: 1.5px solid var(--ink);
		border-radius: 2rem;
		background: var(--ground);
		color: var(--ink);
		font: inherit;
		font-weight: 600;
		cursor: pointer;
		touch-action: none;
	}
	button.field {
		border-radius: 4px;
		background: var(--faint);
	}
	button.recessed {
		border-style: dotted;
		font-weight: 400;
	}
	button.down,
	button[aria-checked='true'] {
		background: var(--ink);
		color: var(--sheet);
	}
	button.asked {
		outline: 3px solid var(--held);
		outline-offset: 2px;
	}
	button:focus-visible {
		outline: 3px solid var(--ink);
		outline-offset: 2px;
	}
	.slide {
		display: flex;
		flex-wrap: wrap;
		gap: 0.35rem;
		align-items: center;
		margin-top: 0.75rem;
	}
	.slide button {
		min-height: 2.5rem;
		padding: 0.2rem 0.8rem;
		border-radius: 4px;
		touch-action: manipulation;
	}
</style>
