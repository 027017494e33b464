<script lang="ts">
	import { onDestroy, untrack } from 'svelte';
	import type { ControlProfile } from '$core/control';
	import { drawnHours, hearWeek, refusedFigures, withSaidWeek } from '$core/heard';
	import type { Zone } from '$core/plan';
	import { missingWords, refusedWords, sayWeekHelp } from '$core/words';
	import Button from '../kit/Button.svelte';
	import Field from '../kit/Field.svelte';

	/** The week, said: drawn as it is typed, and taken only when somebody says so. What is not understood is marked. */
	let {
		zone,
		profile,
		onpreview,
		oncommit,
		oncancel,
		onclose
	}: {
		zone: Zone;
		profile: ControlProfile;
		onpreview: (zone: Zone) => void;
		oncommit: () => void;
		oncancel: () => void;
		onclose: () => void;
	} = $props();

	/** The week as it was before anything was said. */
	const before = untrack(() => zone);
	let text = $state('');
	/** What is said of less than a whole day corrects what is drawn. */
	const drawn = untrack(() => drawnHours(zone, profile));
	const said = $derived(hearWeek(text, drawn));
	const unread = $derived(said.clauses.filter(({ read }) => !read));
	const isDrawn = $derived(said.days.some((spans) => spans !== null));
	const refused = $derived(refusedFigures(before, profile, said));
	let isTaken = false;

	function hear(next: string) {
		text = next;
		if (isDrawn) onpreview(withSaidWeek(before, profile, said));
		else oncancel();
	}
	function take(event: SubmitEvent) {
		event.preventDefault();
		if (!isDrawn) return;
		isTaken = true;
		oncommit();
		onclose();
	}
	onDestroy(() => {
		if (!isTaken) oncancel();
	});
</script>

<form onsubmit={take} aria-label="Say the week">
	<Field label="What they say" help={sayWeekHelp(drawn !== null)} maxlength={600} oninput={hear} />
	<div class="acts">
		<Button kind="next" type="submit" disabled={!isDrawn}>Take this week</Button>
		<Button onclick={onclose}>Leave it</Button>
	</div>
	<ul role="status" aria-label="What is not understood">
		{#each unread as { words }, i (i)}<li>not understood: “{words}”</li>{/each}
		{#if refused.length > 0}<li>{refusedWords(refused)}</li>{/if}
		{#if said.missing.length > 0}<li>{missingWords(said.missing)}</li>{/if}
	</ul>
</form>

<style>
	form {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		gap: 0.3rem 1rem;
		align-items: start;
		margin-bottom: 0.6rem;
	}
	.acts {
		display: flex;
		gap: 0.5rem;
		padding-top: 1.4rem;
	}
	li {
		color: var(--warm);
	}
	@media (max-width: 860px) {
		form {
			grid-template-columns: minmax(0, 1fr);
		}
		.acts {
			padding-top: 0;
		}
	}
</style>
