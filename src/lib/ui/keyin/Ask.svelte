<script lang="ts">
	import type { ControlProfile } from '$core/control';
	import {
		FOUND_ID,
		FOUND_IN_USE,
		foundOf,
		isKeyed,
		readId,
		type CardItem,
		type ItemKeys,
		type KeyCard,
		type Keyed
	} from '$core/keying';
	import { gestureWords, keysSaid, menuWhyWords, planFirstWords, shownWith, spokenText } from '$core/words';
	import { aloud } from './aloud.svelte';
	import Choice from '../kit/Choice.svelte';
	import ItsKeys from './ItsKeys.svelte';
	import Strokes from '../panel/Strokes.svelte';
	import MenuTimer from './MenuTimer.svelte';

	let {
		item,
		card,
		profile,
		keys,
		goingOn,
		onfound,
		enter,
		keyed,
		isFirst,
		upNext,
		pressedAt,
		instruction = $bindable()
	}: {
		/** The value to key now. */
		item: CardItem;
		card: Pick<KeyCard, 'confirm' | 'timeoutSeconds'>;
		profile: ControlProfile;
		/** The keys for it, where the panel is described. */
		keys: ItemKeys | null;
		/** Whether it is come to from the value before it. */
		goingOn: boolean;
		/** How the control was found was said. */
		onfound: (id: string, shows: string | null) => void;
		/** How to get there, where that is to be said. */
		enter: string | null | undefined;
		keyed: Keyed;
		isFirst: boolean;
		/** The values after it. */
		upNext: readonly CardItem[];
		/** When the last key was pressed, by the page's clock in ms. */
		pressedAt: number;
		/** What takes the focus when another value comes up. */
		instruction?: HTMLElement | undefined;
	} = $props();

	const { panel } = $derived(profile);
	const planFirst = $derived(planFirstWords(card.timeoutSeconds));
	/** The unit in which the control shows degrees, by what it shows. */
	const unit = $derived(item.unit === '°F' ? 'F' : 'C');
	let closed = $state(false);
	const gesture = $derived(keys ? null : gestureWords(item, card.confirm));
	const from = $derived(keys ? keys.shows : item.from);
	/** The keys as they are told from where the control stands. */
	const way = $derived(keys ? (goingOn && !closed ? keys.way : keys.fromRest) : []);
	$effect(() => {
		if (!aloud.on) return;
		const its = keys && panel ? `${keysSaid(panel, keys, way, item.shows)}. ` : '';
		aloud.say(spokenText(`${item.section}, ${item.what}. ${its}It shows ${shownWith(item)}.`));
	});
	/** Whether the display was read to show something else here, rather than the plan changed. */
	const wasRead = $derived(keyed[readId(item.id)] === keyed[item.id]);
	const presses = $derived(keys?.presses ?? item.presses);
	const isExact = $derived(keys?.change != null && keys.isSure);
	const counted = $derived(presses === 1 ? '1 press' : `${isExact ? '' : 'about '}${presses} presses`);
</script>

<div class="ask">
	{#if isFirst}
		<p class="care soft">
			The keys at the front are all this needs: never open a live enclosure; wiring and gas belong to licensed
			trades.
		</p>
	{/if}
	{#if isFirst && planFirst}<p class="before">{planFirst}</p>{/if}
	{#if isFirst && panel}
		<div class="found">
			<Choice
				label="The control was found"
				small
				value={foundOf(keyed)}
				options={[
					{ value: 'as-new', text: 'as new, or reset' },
					{ value: 'unknown', text: 'in use: it holds something' }
				]}
				onchange={(found) => onfound(FOUND_ID, found === 'unknown' ? FOUND_IN_USE : null)}
			/>
			{#if foundOf(keyed) === 'unknown' && panel.resets.all}
				<p class="soft">
					As new after <Strokes {panel} strokes={panel.resets.all} />, which wipes everything.
				</p>
			{/if}
		</div>
	{/if}
	{#if enter && !keys}<p class="before">{enter}</p>{/if}
	<div
		class="instruction"
		role="group"
		tabindex="-1"
		aria-label="{item.section}, {item.what}: {shownWith(item)}"
		bind:this={instruction}
	>
		<p class="what"><strong>{item.section}</strong>, {item.what}</p>
		<p class="soft aside">{item.aside}{item.why ? ` · ${menuWhyWords(item.why, unit)}` : ''}</p>
		<div class="set">
			<p class="value" class:long={item.shows.length > 5}>
				{item.shows}{#if item.unit}<span class="unit">{item.unit}</span>{/if}
			</p>
			{#if keys && panel}
				<ItsKeys {panel} {keys} {way} />
			{:else if gesture}<p class="gesture">{gesture}</p>{/if}
		</div>
	</div>
	<p class="soft">
		{#if from !== null}
			shows now <span class="mono">{shownWith({ ...item, shows: from })}</span> · {counted}
		{:else}{counted}{/if}
	</p>
	{#if keyed[item.id] !== undefined && keyed[item.id] !== item.shows}
		<p class="signal">
			{wasRead
				? `Read from the display: ${keyed[item.id]}. Key it again.`
				: `The plan has changed: ${keyed[item.id]} was keyed here before.`}
		</p>
	{:else if isKeyed(item, keyed)}
		<p class="soft">Keyed already. Confirm again, or go on.</p>
	{/if}
	{#if card.timeoutSeconds !== null}
		<MenuTimer seconds={card.timeoutSeconds} restarted={pressedAt} bind:closed />
	{/if}
	{#if upNext.length > 0}
		<p class="then soft">
			then {#each upNext as one, i (one.id)}{i > 0 ? ', then ' : ''}{one.section === item.section
					? ''
					: `${one.section}, `}{one.what} <strong>{shownWith(one)}</strong>{/each}
		</p>
	{:else}
		<p class="then soft">That is the last value to key.</p>
	{/if}
</div>

<style>
	.ask {
		flex: 1;
		padding: 1.4rem 1.4rem 0;
		overflow: auto;
	}
	.instruction:focus {
		outline: none;
	}
	.care {
		margin-bottom: 0.75rem;
		font-size: var(--small);
	}
	.found :global(.bx--form-item) {
		flex: 0 1 20rem;
	}
	.found {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1.25rem;
		align-items: end;
		margin-bottom: 0.9rem;
	}
	.before {
		margin-bottom: 0.9rem;
		padding: 0.6rem 0.75rem;
		border-left: 4px solid var(--ink);
		background: var(--sheet);
	}
	.what {
		font-size: 1.25rem;
	}
	.set {
		display: flex;
		flex-wrap: wrap;
		gap: 0 2rem;
		align-items: center;
	}
	.gesture {
		padding: 0.35rem 0.9rem;
		border: 2px solid var(--ink);
		border-radius: 6px;
		font-family: var(--display);
		font-size: clamp(1.5rem, 5vw, 2.2rem);
		font-weight: 600;
		white-space: nowrap;
	}
	.value {
		margin: 0.75rem 0 0.5rem;
		font-family: var(--display);
		font-weight: 600;
		font-size: clamp(5rem, 17vw, 9rem);
		line-height: 1.05;
		letter-spacing: -0.01em;
		overflow-wrap: anywhere;
	}
	.value.long {
		font-size: clamp(3rem, 13vw, 6rem);
	}
	.unit {
		margin-left: 0.15em;
		font-size: 0.42em;
		font-weight: 600;
		vertical-align: 0.75em;
		color: var(--soft);
	}
	.then {
		margin-top: 1rem;
		padding-top: 0.75rem;
		border-top: 1px solid var(--rule);
		max-width: 40rem;
	}
	.then strong {
		font-family: var(--display);
		font-weight: 600;
		color: var(--ink);
	}
	@media (max-width: 860px) {
		.ask {
			padding-right: 1.1rem;
			padding-left: 1.1rem;
		}
		.value {
			font-size: clamp(4.6rem, 27vw, 9rem);
		}
		.value.long {
			font-size: clamp(3rem, 17vw, 6rem);
		}
	}
</style>
