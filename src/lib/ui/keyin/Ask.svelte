<script lang="ts">
	import { isOperable } from '$core/machine';
	import type { CardItem } from '$core/keying';
	import {
		FRONT_KEYS_ONLY,
		fromRestWords,
		gestureWords,
		keysSaid,
		menuWhyWords,
		practiseFirstWords,
		shownWith,
		showsWords,
		spokenText
	} from '$core/words';
	import { aloud } from './aloud.svelte';
	import Button from '../kit/Button.svelte';
	import Face from './Face.svelte';
	import Keys from './Keys.svelte';
	import type { Keying, Otherwise } from './keying.svelte';
	import MenuTimer from './MenuTimer.svelte';
	import SeenInstead from './SeenInstead.svelte';

	let {
		keying,
		isFirst,
		onsaw,
		onday,
		instruction = $bindable()
	}: {
		keying: Keying;
		/** Whether nothing was keyed yet. */
		isFirst: boolean;
		/** The display shows something else. */
		onsaw: (what: Otherwise) => void;
		/** The values of the day are to be listed. */
		onday: () => void;
		/** What takes the focus when another value comes up. */
		instruction?: HTMLElement | undefined;
	} = $props();

	const { session, card, step, upNext, shown, closesAfter, section } = $derived(keying);
	const { profile } = $derived(session);
	const panel = $derived(isOperable(profile) ? profile.panel : null);
	const item = $derived(step!.item);
	const keys = $derived(step!.keys);
	/** What the card says of it beside its value; nothing of one that only what is there makes necessary. */
	const own = $derived<CardItem | undefined>(step!.index === null ? undefined : card.items[step!.index]);
	/** The unit in which the control shows degrees, by what it shows. */
	const unit = $derived(item.unit === '°F' ? 'F' : 'C');
	const aside = $derived(
		[own?.aside ?? '', own?.why ? menuWhyWords(own.why, unit) : ''].filter(Boolean).join(' · ')
	);
	const gesture = $derived(!keys && own ? gestureWords(own, card.confirm) : null);
	const fromRest = $derived(
		panel && keys && step!.before.place === null ? fromRestWords(panel, session.out) : null
	);
	const showsThere = $derived(
		showsWords(keys?.shows === null ? null : shown.there, item.unit, (keys?.way.length ?? 0) > 0)
	);
	const practise = $derived(isFirst ? practiseFirstWords(card.timeoutSeconds) : null);
	const next = $derived(keys ? [...keys.way, ...(keys.change ?? []), ...keys.take][0] : undefined);

	$effect(() => {
		if (!aloud.on) return;
		const its = keys && panel ? `${keysSaid(panel, keys, keys.way, item.shows)}. ` : '';
		const begins = fromRest ? `${fromRest} ` : '';
		aloud.say(spokenText(`${item.section}, ${item.what}. ${begins}${its}It shows ${shownWith(item)}.`));
	});
</script>

<div class="ask">
	{#if isFirst}<p class="care soft">{FRONT_KEYS_ONLY}</p>{/if}
	{#if practise}<p class="before">{practise}</p>{/if}
	{#if !keys && own?.before}<p class="before">{own.before}</p>{/if}
	<div
		class="instruction"
		role="group"
		tabindex="-1"
		aria-label="{item.section}, {item.what}: {shownWith(item)}"
		bind:this={instruction}
	>
		<p class="what"><strong>{item.section}</strong>, {item.what}</p>
		{#if aside}<p class="soft">{aside}</p>{/if}
		<p class="value" class:long={item.shows.length > 5}>
			{item.shows}{#if item.unit}<span class="unit">{item.unit}</span>{/if}
		</p>
		{#if fromRest}<p class="from">{fromRest}</p>{/if}
		{#if keys && panel}<Keys {panel} {keys} />{:else if gesture}<p class="gesture">{gesture}</p>{/if}
	</div>
	{#if panel && shown.there}
		<div class="now">
			<Face {panel} display={shown.now} {next} />
			{#if showsThere}<p class="soft">{showsThere}</p>{/if}
		</div>
	{/if}
	{#if upNext.length > 0}
		<ul class="then">
			{#each upNext as one, i (one.id)}
				<li class:soft={i > 0}>
					<span>then {one.section === item.section ? '' : `${one.section}, `}{one.what}</span>
					<span class="mono">{shownWith(one)}</span>
				</li>
			{/each}
		</ul>
	{:else}
		<p class="then soft">That is the last value.</p>
	{/if}
	{#if closesAfter !== null}
		<MenuTimer seconds={closesAfter} restarted={keying.pressedAt} onclosed={() => onsaw('rest')} />
	{/if}
	{#if keys}
		<SeenInstead {keying} {onsaw}>
			{#if section.length > 1}<Button onclick={onday}
					>Whole {item.section === 'Settings' ? 'list' : 'day'}</Button
				>{/if}
		</SeenInstead>
	{/if}
</div>

<style>
	.ask {
		flex: 1;
		padding: 1.2rem var(--edge) 1rem;
		overflow: auto;
	}
	.instruction:focus {
		outline: none;
	}
	.care {
		margin-bottom: 0.75rem;
		font-size: var(--small);
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
	.from {
		margin-bottom: 0.35rem;
		font-size: 1.1rem;
	}
	.gesture {
		width: fit-content;
		padding: 0.35rem 0.9rem;
		border: 2px solid var(--ink);
		border-radius: 6px;
		font-family: var(--display);
		font-size: 1.75rem;
		font-weight: 600;
	}
	.value {
		margin: 0.4rem 0;
		font-family: var(--display);
		font-weight: 600;
		font-size: clamp(5rem, 15vw, 8rem);
		line-height: 1.05;
		letter-spacing: -0.01em;
		overflow-wrap: anywhere;
	}
	.value.long {
		font-size: clamp(3rem, 11vw, 5.5rem);
	}
	.unit {
		margin-left: 0.15em;
		font-size: 0.42em;
		font-weight: 600;
		vertical-align: 0.75em;
		color: var(--soft);
	}
	.now {
		display: flex;
		gap: 1rem;
		align-items: center;
		margin-top: 0.75rem;
	}
	.then {
		max-width: 40rem;
		margin: 0.9rem 0 0;
		padding: 0.6rem 0 0;
		border-top: 1px solid var(--rule);
	}
	.then li {
		display: flex;
		gap: 1rem;
		justify-content: space-between;
	}
	@media (max-width: 860px) {
		.ask {
			padding-right: 1.1rem;
			padding-left: 1.1rem;
		}
		.value {
			font-size: clamp(4.6rem, 25vw, 8rem);
		}
		.value.long {
			font-size: clamp(3rem, 16vw, 6rem);
		}
	}
</style>
