<script lang="ts">
	import { goto } from '$app/navigation';
	import type { ControlProfile } from '$core/control';
	import { newZone } from '$core/plan';
	import { call } from '../call';
	import Button from '../kit/Button.svelte';
	import Choice from '../kit/Choice.svelte';
	import Field from '../kit/Field.svelte';
	import Problem from '../kit/Problem.svelte';
	import { refresh } from '../refresh';

	let {
		siteId,
		profiles,
		first
	}: {
		siteId: string;
		profiles: readonly ControlProfile[];
		/** Whether the site has no zone yet: then this is the next act. */
		first: boolean;
	} = $props();

	let name = $state('');
	let control = $state('six-step-room-stat');
	let problem = $state<string | null>(null);
	let busy = $state(false);
	const profile = $derived(profiles.find((candidate) => candidate.id === control)!);

	async function add(event: SubmitEvent) {
		event.preventDefault();
		busy = true;
		const answer = await call<{ id: string }>('POST', `/api/v1/jobs/${siteId}/zones`, {
			zone: newZone(name.trim(), profile),
			after: null
		});
		busy = false;
		problem = answer.ok ? null : answer.sentence;
		await refresh('fq:site');
		if (!answer.ok) return;
		name = '';
		await goto(`/sites/${siteId}/zones/${answer.data.id}/week`);
	}
</script>

<form onsubmit={add}>
	<Field label="New zone" placeholder="Room, loop or radiator" maxlength={80} required bind:value={name} />
	<Choice
		label="Its control"
		value={control}
		options={profiles.map((one) => ({ value: one.id, text: one.name }))}
		onchange={(id) => (control = id)}
	/>
	<Button kind={first ? 'next' : 'plain'} type="submit" disabled={busy || name.trim() === ''}>Add zone</Button
	>
</form>
<p class="soft">{profile.summary}</p>
<Problem sentence={problem} onclose={() => (problem = null)} />

<style>
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: end;
		margin-top: 1rem;
	}
	form :global(.bx--form-item) {
		flex: 0 1 18rem;
	}
	p {
		max-width: 48rem;
		margin-top: 0.4rem;
	}
	@media (max-width: 700px) {
		form :global(.bx--form-item) {
			flex: 1 1 100%;
		}
	}
</style>
