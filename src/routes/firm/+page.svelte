<script lang="ts">
	import FilePicker from '$lib/ui/kit/FilePicker.svelte';
	import { goto, invalidateAll } from '$app/navigation';
	import { LARGEST_LOGO } from '$core/record';
	import WhatItWas from '$lib/ui/callback/WhatItWas.svelte';
	import { call } from '$lib/ui/call';
	import Button from '$lib/ui/kit/Button.svelte';
	import Check from '$lib/ui/kit/Check.svelte';
	import Field from '$lib/ui/kit/Field.svelte';

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
			problem = `${file.name} is not a picture that can be read here.`;
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
		said = answer.ok ? 'Saved. It is on every page that customers keep.' : null;
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
	<h1>Your firm</h1>
	<p class="soft">Name, telephone and logo: on every page that customers keep.</p>
	<form onsubmit={save}>
		<Field label="Firm" maxlength={80} autocomplete="organization" bind:value={name} />
		<Field label="Telephone" maxlength={40} autocomplete="tel" bind:value={telephone} />
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
			<Button onclick={() => (logo = null)}>Remove the logo</Button>
		{/if}
		<div class="tick">
			<Check label="Sign off only what was read back from the display" bind:checked={readBackStops} />
		</div>
		<Button kind="next" type="submit">Save</Button>
	</form>
	{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
	{#if said}<p role="status">{said}</p>{/if}

	<WhatItWas
		outcomes={data.outcomes}
		onanew={() => void invalidateAll()}
		onproblem={(sentence) => (problem = sentence)}
	/>

	<h2>Keeping it safe</h2>
	<p>
		A copy is kept beside the database every night, the last fourteen of them. One to keep elsewhere:
		<Button onclick={copy}>Save a copy of everything</Button>
	</p>
	<p class="soft">
		Putting a copy back is done where the program runs: <code>npm run restore -- file</code>.
	</p>
	{#if data.signIn}
		<p>You are signed in as {data.role}. <a href="/sign-in">Sign out</a></p>
		<p>
			Lost phone or leaver? Sign everyone out, you too:
			<Button onclick={signOutAll}>Sign everybody out</Button>
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
	.logo,
	.tick {
		grid-column: 1 / -1;
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
</style>
