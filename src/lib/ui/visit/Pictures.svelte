<script lang="ts">
	import FilePicker from '$lib/ui/kit/FilePicker.svelte';
	import Group from './Group.svelte';
	import { call } from '../call';
	import type { PictureNotes, Shown } from './pictureNotes.svelte';
	import Words from './Words.svelte';
	import Button from '$lib/ui/kit/Button.svelte';

	let {
		siteId,
		zone,
		queue,
		onServer
	}: {
		siteId: string;
		zone: string;
		queue: PictureNotes;
		/** Pictures of the visit that the server had when the page was loaded. */
		onServer: readonly { readonly id: string; readonly zoneName: string; readonly caption: string }[];
	} = $props();

	let caption = $state('');
	let removed = $state.raw<readonly string[]>([]);
	let problem = $state<string | null>(null);

	const all = $derived<Shown[]>([
		...onServer
			.filter((one) => one.zoneName === zone && !queue.shown.some((here) => here.id === one.id))
			.map((one) => ({
				id: one.id,
				zone,
				caption: one.caption,
				src: `/api/v1/jobs/${siteId}/pictures/${one.id}`,
				sent: true,
				why: null
			})),
		...queue.shown.filter((one) => one.zone === zone)
	]);
	const shown = $derived(all.filter((one) => !removed.includes(one.id)));

	async function take(files: readonly File[]) {
		for (const file of files) await queue.add(file, zone, caption.trim());
		caption = '';
	}

	async function remove(one: Shown) {
		problem = null;
		if (one.sent) {
			const answer = await call('DELETE', `/api/v1/jobs/${siteId}/pictures/${one.id}`);
			if (!answer.ok && answer.status !== 404) {
				problem = answer.sentence;
				return;
			}
		}
		removed = [...removed, one.id];
		await queue.forget(one.id);
	}
</script>

<Group label="Pictures">
	{#if shown.length > 0}
		<ul>
			{#each shown as one (one.id)}
				<li>
					<img src={one.src} alt={one.caption || `${zone}, without a word`} />
					<span
						>{one.caption}{one.sent
							? ''
							: `${one.caption ? ', ' : ''}${one.why ? 'not sent' : one.caption ? 'waits here' : 'Waits here'}`}</span
					>
					<Button onclick={() => remove(one)}
						>Remove<span class="out-of-sight"> {one.caption || 'this picture'}</span></Button
					>
				</li>
			{/each}
		</ul>
	{/if}
	<Words label="What it shows" value={caption} onchange={(value) => (caption = value)} />
	<FilePicker
		label="Take a picture"
		name="Pictures to keep"
		accept="image/*"
		multiple
		onfiles={(files) => void take(files)}
	/>
	<p class="soft">Where and with what it was taken is not kept, only what it shows.</p>
	{#if problem ?? queue.problem}<p class="signal" role="alert">{problem ?? queue.problem}</p>{/if}
</Group>

<style>
	ul {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(min(9rem, 100%), 1fr));
		gap: 0.75rem;
	}
	li {
		display: grid;
		gap: 0.25rem;
		align-content: start;
	}
	img {
		width: 100%;
		aspect-ratio: 4 / 3;
		object-fit: cover;
		border: 1px solid var(--rule);
		background: var(--sheet);
	}
	li span {
		overflow-wrap: anywhere;
		font-size: var(--small);
	}
</style>
