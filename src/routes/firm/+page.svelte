<script lang="ts">
	import FilePicker from '$lib/ui/kit/FilePicker.svelte';
	import { goto, invalidateAll } from '$app/navigation';
	import { Button } from 'carbon-components-svelte';
	import { LARGEST_LOGO } from '$core/record';
	import { call } from '$lib/ui/call';

	let { data } = $props();

	// svelte-ignore state_referenced_locally
	let name = $state(data.firm.name);
	// svelte-ignore state_referenced_locally
	let telephone = $state(data.firm.telephone);
	// svelte-ignore state_referenced_locally
	let logo = $state<string | null>(data.firm.logo);
	// svelte-ignore state_referenced_locally
	let readBackStops = $state(data.firm.readBackStops);
	let problem = $state<string | null>(null);
	let said = $state<string | null>(null);

	/** Drawn anew at most 600 pixels wide: a picture's hidden data (place, camera) does not come along. */
	async function read(file: File | undefined) {
		problem = null;
		if (!file) return;
		try {
			const picture = await createImageBitmap(file);
			const scale = Math.min(1, 600 / picture.width, 300 / picture.height);
			const canvas = document.createElement('canvas');
			canvas.width = Math.max(1, Math.round(picture.width * scale));
			canvas.height = Math.max(1, Math.round(picture.height * scale));
			canvas.getContext('2d')!.drawImage(picture, 0, 0, canvas.width, canvas.height);
			const address = canvas.toDataURL('image/png');
			if (address.length > LARGEST_LOGO) problem = `${file.name} is too large even when made small.`;
			else logo = address;
		} catch {
			problem = `${file.name} is no picture that can be read here.`;
		}
	}

	async function save(event: SubmitEvent) {
		event.preventDefault();
		const answer = await call('PUT', '/api/v1/firm', {
			name,
			telephone,
			logo,
			readBackStops,
			revision: data.revision
		});
		problem = answer.ok ? null : answer.sentence;
		said = answer.ok ? 'Saved. It stands on every page that is handed over.' : null;
		await invalidateAll();
	}

	async function signOutAll() {
		const answer = await call('DELETE', '/api/v1/sessions');
		if (answer.ok) await goto('/sign-in', { invalidateAll: true });
		else problem = answer.sentence;
	}

	async function copy() {
		problem = null;
		said = 'Copying …';
		const response = await fetch('/api/v1/backup', { method: 'POST' }).catch(() => null);
		if (!response?.ok) {
			said = null;
			problem = 'No copy was made. Nothing is lost; try again.';
			return;
		}
		const address = URL.createObjectURL(await response.blob());
		const link = document.createElement('a');
		link.href = address;
		link.download =
			/filename="([^"]+)"/.exec(response.headers.get('content-disposition') ?? '')?.[1] ?? 'copy.sqlite';
		link.click();
		URL.revokeObjectURL(address);
		said = 'A copy of everything was saved on this device.';
	}
</script>

<svelte:head><title>Firm · Fond Quarter</title></svelte:head>

<main>
	<h1>Whose name stands on what is handed over?</h1>
	<form onsubmit={save}>
		<label><span>Firm</span><input bind:value={name} maxlength="80" autocomplete="organization" /></label>
		<label><span>Telephone</span><input bind:value={telephone} maxlength="40" autocomplete="tel" /></label>
		<div class="logo">
			<FilePicker
				label="Choose a logo, PNG or JPEG"
				name="Logo, PNG or JPEG"
				accept="image/png,image/jpeg"
				onfiles={([file]) => void read(file)}
			/>
		</div>
		{#if logo}
			<img src={logo} alt="The logo" />
			<button class="quiet" type="button" onclick={() => (logo = null)}>Without a logo</button>
		{/if}
		<label class="tick"
			><input type="checkbox" bind:checked={readBackStops} />
			<span>Sign off only what was read back from the display</span></label
		>
		<Button type="submit">Save</Button>
	</form>
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	{#if said}<p role="status">{said}</p>{/if}

	<h2>Keeping it safe</h2>
	<p>
		A copy is kept beside the database every night, the last fourteen of them. One to keep elsewhere:
		<button class="quiet" onclick={copy}>Save a copy of everything</button>
	</p>
	<p class="soft">
		Putting a copy back is done where the program runs: <code>npm run restore -- file</code>.
	</p>
	{#if data.signIn}
		<p>You are signed in as {data.role}. <a href="/sign-in">Sign out</a></p>
		<p>
			A telephone lost, somebody gone? Everybody signs in anew, you too:
			<button class="quiet" onclick={signOutAll}>Sign everybody out</button>
		</p>
	{:else}
		<p class="soft">Only this machine reaches the program, so nobody signs in.</p>
	{/if}
</main>

<style>
	main {
		max-width: 46rem;
	}
	form {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 0.9rem;
		align-items: end;
		justify-items: start;
		margin: 0.9rem 0;
	}
	label {
		width: 100%;
	}
	label span {
		display: block;
		color: var(--soft);
		font-size: 0.9rem;
	}
	input {
		width: 100%;
		min-height: 48px;
		padding: 0.5rem 0.6rem;
		font-size: 1.05rem;
	}
	.logo,
	.tick {
		grid-column: 1 / -1;
	}
	.tick {
		display: flex;
		align-items: center;
		gap: 0.7rem;
		min-height: 44px;
	}
	.tick input {
		flex: none;
		width: 24px;
		min-height: 24px;
	}
	.tick span {
		color: inherit;
		font-size: 1rem;
	}
	img {
		max-width: 16rem;
		max-height: 6rem;
		background: #fff;
	}
	h2 {
		margin: 1.5rem 0 0.4rem;
		font-size: 1.05rem;
	}
	p {
		margin-bottom: 0.6rem;
	}
	@media (max-width: 600px) {
		form {
			grid-template-columns: 1fr;
		}
	}
	input::file-selector-button {
		min-height: 34px;
		margin-right: 0.75rem;
		padding: 0 0.9rem;
		border: 1px solid var(--rule);
		border-radius: 4px;
		background: var(--ground);
		color: inherit;
		font: inherit;
	}
</style>
