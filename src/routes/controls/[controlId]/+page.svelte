<script lang="ts">
	import Redo from 'carbon-icons-svelte/lib/Redo.svelte';
	import Undo from 'carbon-icons-svelte/lib/Undo.svelte';
	import { beforeNavigate, goto } from '$app/navigation';
	import { profileSense } from '$core/checks';
	import { profileSchema, type ControlProfile } from '$core/control';
	import { problemOf, writeControlFile } from '$core/formats';
	import { call } from '$lib/ui/call';
	import KnownOfIt from '$lib/ui/controls/KnownOfIt.svelte';
	import SampleWeek from '$lib/ui/controls/SampleWeek.svelte';
	import TryIt from '$lib/ui/controls/TryIt.svelte';
	import UsedBy from '$lib/ui/controls/UsedBy.svelte';
	import { DocumentEditor } from '$lib/ui/document/documentEditor.svelte';
	import Button from '$lib/ui/kit/Button.svelte';
	import Field from '$lib/ui/kit/Field.svelte';
	import Problem from '$lib/ui/kit/Problem.svelte';
	import { refresh } from '$lib/ui/refresh';
	import { saving } from '$lib/ui/saving.svelte';
	import { profileFacts, senseWords } from '$core/words';

	let { data } = $props();

	const own = $derived(data.revision !== null);
	// the page is made anew for each control
	// svelte-ignore state_referenced_locally
	const editor = new DocumentEditor<ControlProfile>(
		`/api/v1/controls/${data.profile.id}`,
		'profile',
		data.profile,
		data.revision ?? 1
	);
	const profile = $derived(editor.document);

	let failed = $state<string | null>(null);

	const facts = $derived(profileFacts(profile));
	const findings = $derived(profileSense(profile));

	let problem = $state<string | null>(null);
	function rename(name: string) {
		const read = profileSchema.safeParse({ ...profile, name });
		problem = read.success ? null : problemOf(read.error).sentence;
		if (read.success) editor.change(read.data);
	}

	beforeNavigate(({ cancel, to, willUnload }) => {
		if (!editor.unsaved || willUnload || !to || saving.now.kind === 'waiting') return;
		cancel();
		void editor.flush().then(() => goto(to.url));
	});

	async function copy() {
		const made = {
			...profile,
			id: `${profile.id.slice(0, 50)}-copy`,
			name: `${profile.name.slice(0, 72)} (copy)`
		};
		const answer = await call<{ id: string }>('POST', '/api/v1/controls', writeControlFile(made));
		if (answer.ok) await goto(`/controls/${answer.data.id}`);
		else failed = answer.sentence;
	}

	// which zones a change would touch: they are re-fitted only when asked
	$effect(() => {
		if (own && saving.now.kind === 'saved') void refresh('fq:control');
	});
</script>

<svelte:head><title>{profile.name}, control · Fond Quarter</title></svelte:head>

<main>
	<header>
		<div>
			{#if own}
				<h1 class="out-of-sight">{profile.name}</h1>
				<div class="title">
					<Field
						label="Name of the control"
						hideLabel
						maxlength={80}
						value={profile.name}
						onchange={rename}
					/>
				</div>
				{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
			{:else}
				<h1>{profile.name}</h1>
			{/if}
			<p class="lead" aria-live="polite">
				{#if findings[0]}
					<span class={findings[0].severity === 'stop' ? 'signal' : 'warm'}
						>{senseWords(findings[0].fact)}</span
					>
					{#if findings.length > 1}<span class="soft">and {findings.length - 1} more below.</span>{/if}
				{:else}
					{facts[0]!.sentences[0]}
				{/if}
			</p>
		</div>
		<div class="tools">
			{#if own}
				<Button
					kind="quiet"
					icon={Undo}
					iconLabel="Undo"
					disabled={!editor.canUndo}
					onclick={() => editor.undo()}
				/>
				<Button
					kind="quiet"
					icon={Redo}
					iconLabel="Redo"
					disabled={!editor.canRedo}
					onclick={() => editor.redo()}
				/>
			{/if}
			<Button onclick={copy}>Copy to change</Button>
			<Button href="/api/v1/controls/{data.profile.id}" download>Export file</Button>
		</div>
	</header>

	<Problem sentence={failed} onclose={() => (failed = null)} />
	{#if editor.refusal}<p class="signal" role="alert">Not saved. {editor.refusal}</p>{/if}
	{#if editor.conflict}
		<div class="note" role="alert">
			<p><strong>Another window changed this control.</strong> Both versions are kept until you choose.</p>
			<Button onclick={() => editor.keepMine()}>Keep this one</Button>
			<Button onclick={() => editor.takeTheirs()}>Take the other</Button>
		</div>
	{/if}

	{#if data.uses.length > 0}
		<UsedBy
			{profile}
			uses={data.uses}
			flush={() => editor.flush()}
			onfailed={(sentence) => (failed = sentence)}
		/>
	{/if}

	<div class="two">
		<KnownOfIt {profile} {own} {facts} {findings} {editor} />

		<div>
			<SampleWeek {profile} />
			<TryIt {profile} />
		</div>
	</div>
</main>

<style>
	header {
		display: flex;
		flex-wrap: wrap;
		gap: 1rem;
		justify-content: space-between;
	}
	header > div:first-child {
		flex: 1 1 30rem;
	}
	.title {
		width: min(34rem, 100%);
	}
	.title :global(input) {
		background: transparent;
		font-size: 1.45rem;
		font-weight: 700;
	}
	.tools {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: start;
	}
	.note {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 0.75rem;
		align-items: center;
		margin-top: 0.75rem;
		padding: 0.25rem 0 0.25rem 0.75rem;
		border-left: 4px solid var(--signal);
	}
	.two {
		display: grid;
		grid-template-columns: minmax(20rem, 2fr) minmax(0, 3fr);
		gap: 2rem;
		margin-top: 0.9rem;
	}
	@media (max-width: 1080px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
