import { onMount } from 'svelte';
import type { ControlProfile } from '$core/control';
import type { PricedFit } from '$core/keying';
import { isUndrawn, type Zone } from '$core/plan';
import type { Permission } from '$core/thermal';
import { FitFollower } from '$lib/workers/fitFollower';
import type { Felt } from '$core/words';
import { FeltFollower, RoomFollower } from '$lib/workers/proofFollower';
import { NowAndThen } from '../nowAndThen';
import { onceAFrame } from '../onceAFrame';
import { live } from '../zone/live.svelte';
import type { ZoneModel } from '../zone/zoneModel.svelte';

/** Milliseconds between two fits of a week that is just being dragged: the line follows the finger, what the control holds comes after. */
const HELD_PAUSE_MS = 125;

/** What follows the drawn week as it changes: what its control holds, and how the room lives with that. */
export interface WeekView {
	readonly fit: PricedFit;
	/** The room's own temperature in °C for every five minutes of the held week; null where it is not known or not shown. */
	readonly roomC: Float32Array | null;
	/** What would be felt of each grouping; null where the room is not described, or it is not known yet. */
	readonly felt: Felt | null;
	/** Outside, for the room's line. */
	readonly outdoorC: number;
	showRoom: boolean;
}

/** Follows the open zone from the fit that came with the page; while it is dragged, only the fit. */
export function followWeek(model: ZoneModel, firstFit: PricedFit, may: () => Permission): WeekView {
	let fit = $state.raw<PricedFit>(firstFit);
	let airC = $state.raw<Float32Array | null>(null);
	let showRoom = $state(true);
	let fits: FitFollower | undefined;
	let rooms: RoomFollower | undefined;
	let feltNow = $state.raw<Felt | null>(null);
	let feels: FeltFollower | undefined;

	const outdoorC = $derived(model.zone.lead.computed?.outdoorC ?? 0);
	const drawsRoom = $derived(model.zone.room !== null && showRoom && model.profile.temperature !== null);

	onMount(() => {
		fits = new FitFollower(onceAFrame((next) => (fit = next)));
		return () => {
			held.stop();
			fits?.stop();
			rooms?.stop();
			feels?.stop();
		};
	});
	const held = new NowAndThen<readonly [Zone, ControlProfile]>(HELD_PAUSE_MS, (latest) =>
		fits?.request(...latest)
	);
	$effect(() => {
		const latest = [model.zone, model.profile] as const;
		if (model.editor.dragged) return held.next(latest);
		held.stop();
		fits?.request(...latest);
	});
	$effect(() => {
		if (!drawsRoom || model.editor.dragged) return;
		rooms ??= new RoomFollower(onceAFrame((next) => (airC = next)));
		rooms.request(model.zone, model.profile, outdoorC, may());
	});
	// what is felt can wait until the line stands and nothing is dragged
	const known = $derived(model.zone.room !== null && model.profile.temperature !== null);
	$effect(() => {
		if (!known || model.editor.dragged) return;
		const question = [model.zone, model.profile, outdoorC, may()] as const;
		const soon = setTimeout(() => {
			feels ??= new FeltFollower((next) => (feltNow = next));
			feels.request(...question);
		}, 300);
		return () => clearTimeout(soon);
	});
	$effect(() => {
		const { coldMinutes, warmMinutes } = fit.chosen.misfit;
		// the tab and the navigation follow when it is let go
		if (!model.editor.dragged)
			live.show(model.id, { coldMinutes, warmMinutes, undrawn: isUndrawn(model.zone, model.profile) });
	});

	return {
		get fit() {
			return fit;
		},
		get roomC() {
			return drawsRoom ? airC : null;
		},
		get felt() {
			return known ? feltNow : null;
		},
		get outdoorC() {
			return outdoorC;
		},
		get showRoom() {
			return showRoom;
		},
		set showRoom(next) {
			showRoom = next;
		}
	};
}
