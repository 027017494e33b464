<script lang="ts">
	import { untrack } from 'svelte';
	import type { Zone } from '$core/plan';
	import Button from '../kit/Button.svelte';
	import { answered, followed, leftBehind, noteBefore, typeStanding, type ZoneInList } from './followers';
	import TypeFollowers from './TypeFollowers.svelte';
	import { together } from './together.svelte';
	import type { ZoneModel } from './zoneModel.svelte';

	let {
		model,
		zone,
		zones
	}: {
		model: ZoneModel;
		/** As it stands, but not while it is dragged. */
		zone: Zone;
		/** All zones of the site. */
		zones: readonly ZoneInList[];
	} = $props();

	untrack(() => noteBefore(model.id, model.zone));
	let said = $state<string | null>(null);
	let problem = $state<string | null>(null);
	/** Counts the answers: what they are kept in tells nobody of a change. */
	let asked = $state(0);
	const behind = $derived(asked >= 0 ? leftBehind(model.id, zone, zones, model.profile) : []);
	/** To its like of a type it stands for good, whatever window changed it. */
	const standing = $derived(typeStanding(model.id, zone, zones));
	const names = $derived(
		behind.length < 3
			? behind.map((one) => one.name).join(' and ')
			: `${behind[0]!.name} and ${behind.length - 1} more`
	);

	function leave() {
		answered(model.id, zone);
		asked++;
	}

	async function follow() {
		const changes = followed(zone, behind, model.profile);
		problem = await together.give(model.siteId, { id: model.id, zone }, changes, () => zones);
		if (problem) return;
		said = `${changes.length === 1 ? changes[0]!.zone.name : `${changes.length} zones`} followed; one undo takes it back everywhere.`;
		leave();
	}
</script>

{#if problem}<p class="signal" role="alert">{problem}</p>{/if}
{#if standing}
	<TypeFollowers {model} {zone} {zones} {standing} />
{:else if behind.length > 0}
	<p role="status">
		{names} had this same week. <Button kind="quiet" onclick={follow}
			>Copy this week to {behind.length === 1 ? 'it' : 'them'}</Button
		>
		<Button kind="quiet" onclick={leave}>Leave {behind.length === 1 ? 'it' : 'them'}</Button>
	</p>
{:else if said}
	<p role="status">{said}</p>
{/if}
