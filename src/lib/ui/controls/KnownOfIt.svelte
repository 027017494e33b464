<script lang="ts">
	import type { profileSense } from '$core/checks';
	import { profileSchema, withPanelWords, type ControlProfile } from '$core/control';
	import { problemOf } from '$core/formats';
	import { senseWords, type FactTopic, type profileFacts } from '$core/words';
	import type { DocumentEditor } from '../document/documentEditor.svelte';
	import Button from '../kit/Button.svelte';
	import ProfileFields from './ProfileFields.svelte';

	let {
		profile,
		own,
		facts,
		findings,
		editor
	}: {
		profile: ControlProfile;
		/** Whether it may be changed: one of one's own. */
		own: boolean;
		facts: ReturnType<typeof profileFacts>;
		findings: ReturnType<typeof profileSense>;
		editor: DocumentEditor<ControlProfile>;
	} = $props();

	/** What was changed into something no control can be: kept on screen, not saved. */
	let draft = $state.raw<ControlProfile | null>(null);
	let problem = $state<string | null>(null);
	let openTopic = $state<FactTopic | null>(null);

	function take(next: ControlProfile) {
		const read = profileSchema.safeParse(next);
		if (!read.success) {
			draft = next;
			problem = `${problemOf(read.error).sentence} Not kept until it is mended.`;
			return;
		}
		draft = null;
		problem = null;
		editor.change(withPanelWords(read.data));
	}
</script>

<section aria-label="What is known of it">
	{#each facts as fact (fact.topic)}
		<div class="fact">
			<h2>{fact.title}</h2>
			<div>
				<p>{fact.sentences.join(' ')}</p>
				{#if own && openTopic === fact.topic}
					<ProfileFields
						topic={fact.topic}
						draft={draft ?? profile}
						onchange={take}
						onproblem={(words) => (problem = words)}
					/>
					{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
				{/if}
			</div>
			{#if own}
				<Button
					small
					aria-expanded={openTopic === fact.topic}
					aria-label="Change: {fact.title}"
					onclick={() => {
						problem = null;
						draft = null;
						openTopic = openTopic === fact.topic ? null : fact.topic;
					}}>{openTopic === fact.topic ? 'Done' : 'Change'}</Button
				>
			{/if}
		</div>
	{/each}
	{#if findings.length > 1}
		<ul class="findings">
			{#each findings.slice(1) as finding (finding.path + finding.fact.kind)}
				<li class:signal={finding.severity === 'stop'}>{senseWords(finding.fact)}</li>
			{/each}
		</ul>
	{/if}
</section>

<style>
	.fact {
		display: grid;
		grid-template-columns: 1fr auto;
		gap: 0.15rem 0.75rem;
		padding: 0.55rem 0;
		border-top: 1px solid var(--rule);
	}
	.fact > div {
		grid-row: 2;
		grid-column: 1 / -1;
	}
	h2 {
		font-size: var(--small);
		color: var(--soft);
	}
	.findings {
		margin: 1em 0;
		list-style: revert;
		padding-left: 1.1rem;
	}
</style>
