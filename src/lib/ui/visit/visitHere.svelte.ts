import { onMount, tick, untrack } from 'svelte';
import { goto } from '$app/navigation';
import { type Fed, stopsOf } from '$core/checks';
import { dateOfDay, dateWords, wallAt } from '$core/civil';
import { profileOf, type ControlProfile } from '$core/control';
import { fitZone } from '$core/fit';
import { boxStanding, leftToKey, notesAt, settingsCard, type KeyingStanding, type Notes } from '$core/keying';
import { joinReadings, testStanding, unitOf, type OnSite, type Site, type Zone } from '$core/plan';
import { type Missed, checksOf } from '$core/words';
import { keep, keepJson, kept as keptText, keptJson } from '../browserStore';
import { call, WHO } from '../call';
import { ControlNotes } from '../keyin/controlNotes.svelte';
import { outboxOf, sendWaiting, signEnd } from '../outbox/outbox.svelte';
import { refresh } from '../refresh';
import { boxesTogether, leadsOf, onBoxOf } from '../zone/boxes';
import { watchSite } from '../watchSite';
import { keepingOf, keepVisit } from './keptPages.svelte';
import { onSiteNotesOf } from './onSiteNotes.svelte';
import { newUuid } from '../newUuid';
import { PictureNotes } from './pictureNotes.svelte';
import {
	placeKept,
	stepsAt,
	VISIT_STEPS,
	type KeptPlace,
	type VisitPlace,
	type VisitStep
} from './visitSteps';

/** What the page of a visit read from the server. */
export interface VisitData {
	readonly site: { readonly id: string; readonly timeZone: string; readonly occupants: Site['occupants'] };
	readonly mark: string;
	readonly readAtMs: number;
	readonly nowMs: number;
	readonly readBackStops: boolean;
	/** When zones ask in vain for warmth, by their ids. */
	readonly unfed: Readonly<Record<string, Fed>>;
	readonly zones: readonly {
		readonly id: string;
		readonly boxId: string;
		/** Its control with its place. */
		readonly box: string;
		readonly name: string;
		readonly document: Zone;
		readonly summary: Missed & KeyingStanding & { readonly grouping: string };
		readonly clock: { readonly words: string };
	}[];
	readonly removed: readonly { readonly id: string; readonly name: string }[];
	readonly profiles: readonly ControlProfile[];
	readonly noted: Readonly<Record<string, OnSite>>;
	/** What is noted at the control of each zone. */
	readonly notes: Readonly<Record<string, Notes | null>>;
	/** The last visit that was ended, and whether nothing was noted since. */
	readonly last: {
		readonly id: string;
		readonly at: string;
		readonly who: string;
		readonly signedOff: boolean;
		readonly isLatest: boolean;
	} | null;
}

/**
 * A visit as it goes on in this window: where it stands, what was noted and keyed and waits to be sent, what the checks say of
 * it, and its end. `read` gives what the page last read. `arrived` hears of every place that is gone to.
 */
export function visitHere(read: () => VisitData, arrived: () => void) {
	const data = $derived.by(() => {
		const all = read();
		// what hangs on one control is gone through together
		return { ...all, zones: boxesTogether(all.zones) };
	});
	const steps = $derived(stepsAt(data.zones));
	const leads = $derived(leadsOf(data.zones));

	const loaded = $derived({
		readAtMs: data.readAtMs,
		after: data.last?.id ?? null,
		zones: data.zones,
		names: Object.fromEntries([...data.zones, ...data.removed].map((one) => [one.id, one.name]))
	});
	const outbox = outboxOf(data.site.id);
	const onSiteNotes = onSiteNotesOf(data.site.id, data.noted, loaded);
	$effect(() => {
		const now = loaded;
		untrack(() => {
			onSiteNotes.refresh(data.noted, now);
			pictures.knows(now.after);
		});
	});
	const pictures = new PictureNotes(outbox);
	const placeKey = `fond-quarter/visit-at/${data.site.id}`;
	const zoneIds = $derived(data.zones.map((one) => one.id));
	let place = $state.raw<VisitPlace>({ zone: 0, step: 'found' });
	/** The zone on show, wherever it stands by now: others are added, moved and removed meanwhile. */
	let shownId: string | undefined;
	$effect(() => {
		const ids = zoneIds;
		untrack(() => {
			place = placeKept({ ...place, zoneId: shownId }, ids, steps);
			shownId = ids[place.zone];
		});
	});
	let who = $state('');
	let note = $state('');
	let problem = $state<string | null>(null);
	let busy = $state(false);
	/** Of the end of this visit: sent again without having heard an answer, it is the same end. */
	let endId = newUuid();

	onMount(() => {
		sendWaiting(data.site.id);
		void pictures.show();
		const at = keptJson(placeKey) as KeptPlace | null;
		if (at && (at.step === 'sign-off' || VISIT_STEPS.some(([id]) => id === at.step))) {
			place = placeKept(at, zoneIds, steps);
			shownId = zoneIds[place.zone];
		}
		who = keptText(WHO) ?? '';
		void keepVisit(data.site.id, zoneIds);
		const stop = watchSite(
			data.site.id,
			() => data.mark,
			() => refresh('fq:site')
		);
		return stop;
	});

	/** Of which visit the person here knows that it ended: they began another, only look, or have read who ended it. */
	let knownEnd = $state(untrack(() => (data.last?.isLatest ? null : (data.last?.id ?? null))));
	const isKnown = (id: string) => id === knownEnd || id === onSiteNotes.begunAfter;
	/** The visit that somebody ended while this page was open, where the next one goes on already. */
	const endedMeanwhile = $derived(
		data.last && !data.last.isLatest && !isKnown(data.last.id) ? data.last : null
	);
	const ended = $derived(data.last?.isLatest ? data.last : null);
	const between = $derived(
		ended !== null && !isKnown(ended.id) && onSiteNotes.waiting === 0 && onSiteNotes.unsent.length === 0
	);
	const dateOf = (iso: string) =>
		dateWords(dateOfDay(Math.floor(wallAt(data.site.timeZone, Date.parse(iso)) / 1440)));
	/** What belongs to one visit starts empty; survey, offset, batteries and lock stay as they were left. */
	function begin() {
		knownEnd = ended?.id ?? null;
		if (ended) onSiteNotes.begin(ended.id);
		// the first note opens it, and on the server nothing of the last one counts from then on
		const first = data.zones[0];
		if (first) onSiteNotes.note(first.id, 'foundNote', '');
		go({ zone: 0, step: 'found' });
	}
	/** Goes on with the visit that was kept: what was found and tested stands. */
	async function goOn() {
		const kept = ended;
		if (!kept || busy) return;
		busy = true;
		const answer = await call('POST', `/api/v1/jobs/${data.site.id}/visits/${kept.id}/go-on`);
		problem = answer.ok ? null : answer.sentence;
		if (answer.ok) knownEnd = kept.id;
		await refresh('fq:site');
		busy = false;
	}
	function go(next: VisitPlace) {
		place = next;
		shownId = zoneIds[next.zone];
		keepJson(placeKey, { ...next, zoneId: shownId });
		window.scrollTo(0, 0);
		// whoever does not see the page hears where they are now
		void tick().then(arrived);
	}

	const row = $derived(data.zones[place.zone]);
	const zone = $derived(row?.document);
	const profileHere = (one: Zone) => profileOf(one, data.profiles);
	const profile = $derived(zone ? profileHere(zone) : null);
	const unitOfZone = (id: string) => {
		const of = data.zones.find((one) => one.id === id)?.document;
		return of ? unitOf(of, profileHere(of)) : 'C';
	};
	const nameOf = (id: string) => loaded.names[id] ?? '';
	const onSite = $derived(row ? onSiteNotes.of(row.id) : null);
	function set<K extends keyof OnSite>(key: K, value: OnSite[K]) {
		problem = row ? onSiteNotes.note(row.id, key, value) : null;
	}

	/** What is noted at the controls, and at those of zones that are gone where something of them waits here. */
	const controlNotes = $derived.by(() => {
		const { zones, notes, readAtMs } = data;
		const there = zones.map(
			({ id, document }) =>
				[id, new ControlNotes(outbox, id, profileHere(document), notes[id] ?? null, readAtMs)] as const
		);
		const gone = outbox.letters('notes').flatMap(({ zoneId }) => (zoneId in notes ? [] : [zoneId]));
		return Object.fromEntries([
			...there,
			...gone.map((id) => [id, new ControlNotes(outbox, id, null, null)] as const)
		]);
	});

	const fittedZone = (zone: Zone) => ({ zone, fit: fitZone(zone, profileHere(zone)) });
	/** What is noted at the control of a zone, as far as this browser knows. */
	const notesNow = (lead: string): Notes | null => controlNotes[lead]?.notes ?? null;
	/** How far each control is, what was noted here and is not yet sent included. */
	const keying = $derived(
		Object.fromEntries(
			data.zones.map(({ id, document, summary }) => {
				const lead = leads[id]!;
				const own = profileHere(document);
				const here = controlNotes[lead]?.notes ?? null;
				if (here === data.notes[lead]) return [id, summary];
				return [id, boxStanding([fittedZone(document)], own, notesAt(own, here))];
			})
		)
	);

	/** The zones of the control on show, itself among them. */
	const beside = $derived(row ? onBoxOf(data.zones, row.boxId) : []);
	const fitted = $derived(
		beside.length < 2 || !profile ? [] : beside.map(({ document }) => fittedZone(document))
	);
	/** How far the card of the control on show is, whatever hangs on it. */
	const keyingHere = $derived(
		!row
			? { left: 0, presses: 0 }
			: fitted.length > 1 && profile
				? boxStanding(fitted, profile, notesAt(profile, notesNow(leads[row.id]!)))
				: keying[row.id]!
	);

	/** How many settings of the control on show are still to be keyed; null where it has none. */
	const settingsLeft = $derived.by(() => {
		if (!row || !profile) return null;
		const noted = notesAt(profile, notesNow(leads[row.id]!));
		const card = settingsCard(
			profile,
			beside.map(({ document }) => document),
			row.summary.grouping,
			noted
		);
		const { steps } = leftToKey(profile, card, noted);
		return card.items.length === 0 ? null : noted.found === null ? card.items.length : steps.length;
	});

	/** What feeds a zone, with what governs it left as it was noted here. */
	const fedNow = (fed: Fed | undefined): Fed | undefined =>
		fed && zoneIds.includes(fed.governor.id)
			? { ...fed, governor: { ...fed.governor, leftIn: onSiteNotes.of(fed.governor.id).leftIn } }
			: fed;

	/** The checks of every zone as it stands here, noted but not yet sent included. */
	const checked = $derived(
		data.zones.map((one) => {
			const noted = onSiteNotes.of(one.id);
			const known = profileHere(one.document);
			const checks = checksOf({
				zone: {
					...one.document,
					clockReadings: joinReadings(one.document.clockReadings, noted.clockReadings)
				},
				profile: known,
				onSite: noted,
				...keying[one.id]!,
				livesHere: data.site.occupants,
				readBackStops: data.readBackStops,
				misfit: one.summary,
				unfed: fedNow(data.unfed[one.id]),
				timeZone: data.site.timeZone,
				nowMs: data.nowMs
			});
			return { id: one.id, name: one.name, checks, onSite: noted, stops: stopsOf(checks, noted) };
		})
	);
	const stops = $derived(checked.reduce((sum, one) => sum + one.stops.length, 0));
	const stepIndex = $derived(VISIT_STEPS.findIndex(([id]) => id === place.step));
	const stepName = $derived(VISIT_STEPS[stepIndex]?.[1] ?? 'Sign off');
	const stateOf = (step: string): string => {
		if (!onSite || !row) return '';
		if (step === 'found') return onSite.foundIn ?? '–';
		if (step === 'settings' && settingsLeft !== null)
			return settingsLeft === 0 ? 'set' : `${settingsLeft} left`;
		if (step === 'key-in') return keyingHere.left === 0 ? 'keyed in' : `${keyingHere.left} left`;
		if (step === 'test')
			return { missing: '–', 'under-way': '…', passed: 'passed', failed: 'failed' }[
				testStanding(onSite.test)
			];
		if (step === 'leave') return onSite.leftIn ?? '–';
		if (step === 'clock') return onSite.clockReadings.length > 0 ? 'set' : row.clock.words;
		return '';
	};

	/** Whether what a step is for has been done. */
	const isDone = (step: VisitStep): boolean => {
		if (!onSite || !row) return false;
		switch (step) {
			case 'found':
				return onSite.foundIn !== null;
			case 'settings':
				return settingsLeft === null ? onSite.frostOn !== null : settingsLeft === 0;
			case 'clock':
				return profile?.habits.clock.summerTime === 'no-clock' || onSite.clockReadings.length > 0;
			case 'key-in':
				return keyingHere.left === 0;
			case 'test':
				return testStanding(onSite.test) === 'passed';
			case 'leave':
				return onSite.leftIn !== null;
		}
	};
	/** A step with an act of its own that is not done yet: that act is the filled button, going on is only skipping it. */
	const skips = $derived(
		(place.step === 'clock' || place.step === 'key-in' || place.step === 'test') && !isDone(place.step)
	);

	async function end(signedOff: boolean) {
		if (busy) return;
		busy = true;
		problem = await signEnd(data.site.id, {
			who,
			note,
			signedOff,
			dwelling: null,
			id: endId,
			after: loaded.after
		});
		if (problem !== null) {
			busy = false;
			return;
		}
		endId = newUuid();
		keep(placeKey, null);
		await refresh('fq:site');
		await goto(`/sites/${data.site.id}/record`);
		busy = false;
	}

	return {
		outbox,
		onSiteNotes,
		pictures,
		keeping: () => keepingOf(data.site.id),
		get place() {
			return place;
		},
		go,
		begin,
		goOn,
		/** Only looks at what was left: no visit is begun. */
		look: () => (knownEnd = ended?.id ?? null),
		/** The end of the visit by another hand has been read. */
		seenEnd: () => (knownEnd = endedMeanwhile?.id ?? null),
		get between() {
			return between;
		},
		get ended() {
			return ended;
		},
		get endedMeanwhile() {
			return endedMeanwhile;
		},
		dateOf,
		get row() {
			return row;
		},
		get zone() {
			return zone;
		},
		get profile() {
			return profile;
		},
		get onSite() {
			return onSite;
		},
		set,
		unitOfZone,
		nameOf,
		get controlNotes() {
			return controlNotes;
		},
		/** The first zone of the control on show: what is keyed at it is noted there. */
		get lead() {
			return row ? leads[row.id]! : '';
		},
		/** The zones of the control on show. */
		get beside() {
			return beside;
		},
		get keyingHere() {
			return keyingHere;
		},
		/** The steps at each zone, for going through them. */
		get steps() {
			return steps;
		},
		/** The zones in the order in which they are gone through. */
		get zones() {
			return data.zones;
		},
		/** What is worked at: the control by its own name where more than one zone hangs on it, else the zone. */
		get controlName() {
			return beside.length > 1 ? row!.box : (row?.name ?? '');
		},
		get checked() {
			return checked;
		},
		get stops() {
			return stops;
		},
		get stepName() {
			return stepName;
		},
		stateOf,
		isDone,
		get skips() {
			return skips;
		},
		overrule: (zoneId: string, overruled: OnSite['overruled']) =>
			(problem = onSiteNotes.note(zoneId, 'overruled', overruled)),
		get who() {
			return who;
		},
		set who(next) {
			who = next;
		},
		get note() {
			return note;
		},
		set note(next) {
			note = next;
		},
		get problem() {
			return problem;
		},
		get busy() {
			return busy;
		},
		end
	};
}
