<script lang="ts">
	import Choice from '$lib/ui/kit/Choice.svelte';
	import { dateOfDay, dateWords, wallAt } from '$core/civil';
	import type { TemperatureUnit } from '$core/control';
	import { ON_SITE_WORDS, onSiteValueWords } from '$core/plan';
	import { capital, counted } from '$core/schema';
	import { clockTime } from '$core/week';
	import type { ControlNotes } from '../keyin/controlNotes.svelte';
	import type { Outbox } from '../outbox/outbox.svelte';
	import type { OnSiteNotes, Unsent } from './onSiteNotes.svelte';
	import type { PictureNotes } from './pictureNotes.svelte';
	import { saveFile, type EndedVisit, type WhyUnsent } from './unsent';
	import Button from '$lib/ui/kit/Button.svelte';

	let {
		siteName,
		address,
		timeZone,
		outbox,
		noted,
		pictures,
		controls,
		zones,
		nameOf,
		unitOf
	}: {
		siteName: string;
		/** Where to come back to after signing in. */
		address: string;
		timeZone: string;
		outbox: Outbox;
		noted: OnSiteNotes;
		pictures: PictureNotes;
		/** What was noted at controls from this browser, by zone; those of zones that are gone included. */
		controls: Readonly<Record<string, ControlNotes>>;
		zones: readonly { readonly id: string; readonly name: string }[];
		/** The name of a zone, also of one that was removed. */
		nameOf: (zoneId: string) => string;
		unitOf: (zoneId: string) => TemperatureUnit;
	} = $props();

	/** One thing that waits for a person: what it is, why, and what can be done about it. */
	interface Item {
		readonly id: string;
		readonly what: string;
		readonly why: WhyUnsent;
		readonly file: () => { readonly name: string; readonly content: Blob | string | Promise<Blob | null> };
		readonly again: (() => void) | null;
		readonly give: ((zoneId: string) => void) | null;
		readonly leave: () => void;
	}

	const placed = (zoneId: string, otherwise = '') => nameOf(zoneId) || otherwise || 'A zone that is gone';
	const fileName = (part: string) => `${siteName}, ${part}`.replace(/[\\/:*?"<>|]+/g, ' ');

	const noteItem = (unsent: Unsent): Item => {
		const name = placed(unsent.zoneId, unsent.zoneName);
		const lines = unsent.edits.map(
			({ key, value }) =>
				`${capital(ON_SITE_WORDS[key])}: ${onSiteValueWords(key, value, unitOf(unsent.zoneId))}`
		);
		return {
			id: unsent.letters.map(({ by }) => by.number).join(),
			what: `${name}: ${lines.join('; ')}`,
			why: unsent.why,
			file: () => ({ name: fileName(`${name}, notes.txt`), content: [name, ...lines].join('\n') }),
			again: unsent.why.kind === 'refused' ? () => noted.tryAgain(unsent) : null,
			give: unsent.why.kind === 'zone-gone' ? (zoneId) => noted.giveTo(unsent, zoneId) : null,
			leave: () => noted.leaveOut(unsent)
		};
	};
	const pictureItem = (one: (typeof pictures.unsent)[number]): Item => ({
		id: one.id,
		what: `${one.zone}: a picture${one.caption ? `, ${one.caption}` : ''}`,
		why: one.why!,
		file: () => ({
			name: fileName(`${one.zone} ${one.caption || 'picture'}.jpg`),
			content: pictures.fileOf(one.id)
		}),
		again: () => pictures.tryAgain(one),
		give: null,
		leave: () => void pictures.forget(one.id)
	});
	const controlItem = ([zoneId, notes]: [string, ControlNotes]): Item => {
		const name = placed(zoneId);
		const lines = notes.pending.map((note) => JSON.stringify(note));
		return {
			id: `keyed ${zoneId}`,
			what: `${name}: ${counted(lines.length, 'note')} of what was keyed`,
			why: notes.why!,
			file: () => ({ name: fileName(`${name}, keyed.txt`), content: [name, ...lines].join('\n') }),
			again: () => notes.tryAgain(),
			give: null,
			leave: () => notes.leaveOut()
		};
	};

	const items = $derived<readonly Item[]>([
		...noted.unsent.map(noteItem),
		...pictures.unsent.map(pictureItem),
		...Object.entries(controls)
			.filter(([, notes]) => notes.why)
			.map(controlItem)
	]);
	const late = $derived(items.filter((one) => one.why.ended));
	const others = $derived(items.filter((one) => !one.why.ended));
	const ended = $derived<EndedVisit | null>(late[0]?.why.ended ?? null);

	function endedWords({ at, who, signedOff }: EndedVisit): string {
		const minute = wallAt(timeZone, Date.parse(at));
		const day = dateWords(dateOfDay(Math.floor(minute / 1440)));
		return `${who} ended this visit on ${day} at ${clockTime(((minute % 1440) + 1440) % 1440)}${signedOff ? ' and signed it off' : ''}.`;
	}

	function intoNext() {
		for (const unsent of noted.unsent) if (unsent.why.ended) noted.giveTo(unsent, unsent.zoneId);
		for (const one of pictures.unsent) if (one.why?.ended) pictures.tryAgain(one);
	}

	/** What a person has in a file of their own by now. */
	let saved = $state.raw<readonly string[]>([]);
	async function save(list: readonly Item[]) {
		for (const one of list) {
			const { name, content } = one.file();
			const file = await content;
			if (file) saveFile(name, file);
		}
		saved = [...saved, ...list.map((one) => one.id)];
	}
	let chosen = $state<Record<string, string>>({});
	const zoneFor = (one: Item) => chosen[one.id] ?? zones[0]?.id ?? '';
</script>

{#snippet fileKeys(list: readonly Item[])}
	{#if list.every((one) => saved.includes(one.id))}
		<Button onclick={() => list.forEach((one) => one.leave())}>Saved as a file: take off this list</Button>
	{:else}
		<Button onclick={() => save(list)}>Keep as a file</Button>
	{/if}
{/snippet}

{#if outbox.signedOut}
	<p class="unsent" role="alert">
		Your notes are kept here until an installer signs in.
		<a href="/sign-in?to={encodeURIComponent(address)}" data-sveltekit-reload>Sign in and send it</a>
	</p>
{/if}
{#if outbox.unkept || pictures.unkept}
	<p class="unsent signal" role="alert">
		This browser has no room to keep notes over a reload. Stay on this page until they are sent.
	</p>
{/if}
{#if ended}
	<section class="unsent" role="alert" aria-label="The visit has ended">
		<p><strong>{endedWords(ended)}</strong></p>
		<p>Noted here after that, and not in it:</p>
		<ul>
			{#each late as one (one.id)}<li>{one.what}</li>{/each}
		</ul>
		<div class="keys">
			<Button kind="next" onclick={intoNext}
				>Begin a new visit with {late.length === 1 ? 'it' : 'them'}</Button
			>
			{@render fileKeys(late)}
		</div>
	</section>
{/if}
{#each others as one (one.id)}
	<section class="unsent" role="alert" aria-label="Not sent">
		<p><strong>Not sent:</strong> {one.what}</p>
		<p>{one.why.sentence}</p>
		<div class="keys">
			{#if one.give}
				<Choice
					label="Zone to give it to"
					hideLabel
					value={zoneFor(one)}
					options={zones.map((zone) => ({ value: zone.id, text: zone.name }))}
					onchange={(value) => (chosen = { ...chosen, [one.id]: value })}
				/>
				<Button onclick={() => one.give?.(zoneFor(one))}>Give to this zone</Button>
			{/if}
			{#if one.again}<Button onclick={() => one.again?.()}>Try again</Button>{/if}
			{@render fileKeys([one])}
		</div>
	</section>
{/each}

<style>
	.unsent {
		margin-bottom: 0.6rem;
		padding: 0.6rem 0.75rem;
		border-left: 4px solid var(--signal);
		background: var(--sheet);
	}
	ul {
		margin: 0.3rem 0;
		padding-left: 1.2rem;
		list-style: revert;
	}
	.keys {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		margin-top: 0.5rem;
	}
</style>
