<script lang="ts">
	import type { ControlProfile } from '$core/control';
	import { cardOf, leftToKey, notesAt, type Notes, type ToHold, type TurnStep } from '$core/keying';
	import { isOperable } from '$core/machine';
	import { FRONT_KEYS_ONLY, keysSaid, leftWords, shownWith, strokesSaid } from '$core/words';

	let {
		name,
		site,
		profile,
		hold,
		notes,
		shown = false
	}: {
		name: string;
		site: string;
		profile: ControlProfile;
		/** What the control is to hold. */
		hold: ToHold;
		/** What is noted at it by now. */
		notes: Notes | null;
		/** Whether it stands on the screen too. */
		shown?: boolean;
	} = $props();

	const noted = $derived(notesAt(profile, notes));
	const card = $derived(cardOf(profile, hold, noted));
	const turn = $derived(leftToKey(profile, card, noted));
	const panel = $derived(isOperable(profile) ? profile.panel : null);
	const left = $derived(leftWords({ left: turn.steps.length, presses: turn.presses }));
	const sections = $derived.by(() => {
		const made: { heading: string; aside: string; steps: TurnStep[] }[] = [];
		for (const step of turn.steps) {
			const last = made.at(-1);
			const aside = step.index === null ? '' : card.items[step.index]!.aside.split(' · ')[0]!;
			if (last?.heading === step.item.section) last.steps.push(step);
			else made.push({ heading: step.item.section, aside, steps: [step] });
		}
		return made;
	});
	const before = ({ index }: TurnStep) => (index === null ? null : card.items[index]!.before);
</script>

<article class="printed" class:shown aria-hidden={!shown}>
	<h1>{name}: what to key in</h1>
	<p>
		{site}. {left}{panel && turn.presses > 0 ? `, ${turn.presses} presses` : ''}, in this order. {card.route.join(
			' '
		)}
		{#if noted.found === null}For a control with factory settings.{/if}
	</p>
	<p class="care">{FRONT_KEYS_ONLY}</p>
	<div class="columns">
		{#each sections as section, i (i)}
			<section>
				<h2>{section.heading} <span>{section.aside}</span></h2>
				<ul>
					{#each section.steps as step (step.item.id)}
						<li>
							<span class="box"></span>
							<span
								>{#if !step.keys && before(step)}<strong>{before(step)}</strong>{/if}
								{step.item.what}{#if panel && step.keys}<em
										>{keysSaid(panel, step.keys, step.keys.way, step.item.shows)}</em
									>{/if}</span
							>
							<strong class="mono">{shownWith(step.item)}</strong>
						</li>
					{/each}
				</ul>
			</section>
		{/each}
	</div>
	<p>
		<strong>{panel ? (turn.leave.length > 0 ? `${strokesSaid(panel, turn.leave)}.` : '') : card.leave}</strong
		> Then read it back.
	</p>
</article>

<style>
	.printed {
		display: none;
	}
	.printed.shown {
		display: block;
		margin-bottom: 2rem;
	}
	.columns {
		columns: 18rem 3;
		column-gap: 1.5rem;
		margin: 0.6rem 0;
	}
	h2 {
		margin-top: 0.5rem;
		font-size: 1rem;
		break-after: avoid;
	}
	h2 span {
		font-weight: 400;
		font-size: 0.85em;
	}
	li {
		display: grid;
		grid-template-columns: 1rem 1fr auto;
		gap: 0.3rem;
		padding: 0.15rem 0;
		border-bottom: 1px solid var(--rule);
		break-inside: avoid;
		line-height: 1.2;
	}
	em {
		display: block;
		font-style: normal;
		font-size: 0.85em;
	}
	.box {
		width: 0.8em;
		height: 0.8em;
		margin-top: 0.15em;
		border: 1px solid var(--ink);
	}
	@media print {
		.printed {
			display: block;
			font-size: 10.5pt;
		}
		.printed.shown {
			break-after: page;
		}
		h1 {
			font-size: 16pt;
		}
		.care {
			margin: 4pt 0;
			font-size: 9.5pt;
		}
		.columns {
			columns: 3;
			column-gap: 14pt;
		}
		h2 {
			font-size: 10.5pt;
		}
		em {
			font-size: 8.5pt;
		}
	}
</style>
