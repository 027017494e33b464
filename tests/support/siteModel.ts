import { profileOf } from '../../src/core/control';
import { isDeepStrictEqual } from 'node:util';
import { notesAt, withNote, zoneCard, type Note, type Notes } from '../../src/core/keying';
import { nothingNoted, VISIT_FIELDS, type OnSite, type Site, type Zone } from '../../src/core/plan';
import type { Job } from '../../src/core/formats';
import type { Database } from '../../src/lib/server/db';
import {
	addZone,
	changeSite,
	createSite,
	deleteSite,
	endVisit,
	findSite,
	readSiteAsJob,
	noteFields,
	noteAtControl,
	orderZones,
	removeZone,
	replaceSite,
	restoreSite,
	restoreZone,
	saveZone,
	siteMark,
	visitsOf,
	zonesOf
} from '../../src/lib/server/store';
import { summarise } from '../../src/lib/server/store/summary';

/** A zone as a plain model holds it. */
interface Modelled {
	readonly id: string;
	zone: Zone;
	notes: Notes | null;
	onSite: OnSite;
	revision: number;
	removed: boolean;
}

/** A generator of whole numbers below a bound, from a seed: the same seed, the same run. */
export function seeded(seed: number): (below: number) => number {
	let state = seed;
	return (below) => {
		state = (Math.imul(state, 1664525) + 1013904223) | 0;
		return Math.floor(((state >>> 0) / 4294967296) * below);
	};
}

/**
 * Desk, phone, office, import and restore against one site, several at once, for so many steps; a plain model follows by what each was
 * answered. Returns where the two first differ, in words; null where they never do.
 */
export async function againstModel(
	open: () => Promise<Database>,
	first: Job,
	second: Job,
	steps: number,
	seed: number
): Promise<string | null> {
	const random = seeded(seed);
	const pick = <T>(from: readonly T[]): T => from[random(from.length)]!;
	let db = await open();
	const id = await createSite(db, first);
	let site: Site = (await findSite(db, id))!.site;
	let visits = first.visits.length;
	let zones: Modelled[] = [];
	/** Whether a visit goes on. */
	let goesOn = false;
	const begun = Object.fromEntries(VISIT_FIELDS.map((key) => [key, nothingNoted[key]]));
	const readAnew = async () => {
		const stored = (await findSite(db, id))!;
		zones = (await zonesOf(db, stored)).map((one) => ({
			id: one.id,
			zone: one.zone,
			notes: one.notes,
			onSite: one.onSite,
			revision: one.revision,
			removed: false
		}));
	};
	await readAnew();
	const live = () => zones.filter((one) => !one.removed);
	const at = { id };

	/** A desk's save, on the revision that it knew or an older one. */
	const desk = async (n: number) => {
		const one = pick(zones);
		const knew = random(6) === 0 ? one.revision - 1 : one.revision;
		const weights = { cold: 1 + random(6), warm: 1 };
		const zone: Zone = { ...one.zone, note: `note ${n}`, ...(random(3) === 0 ? { weights } : {}) };
		const came = await saveZone(db, at, one.id, knew, zone);
		if (came.kind !== 'saved') return;
		one.zone = zone;
		one.revision = came.revision;
	};
	const sent = [0, 0, 0, 0];
	/** A phone's notes: some values of the card, keyed, read, begun or taken back; each phone has its own. */
	const phone = async (n: number, lane: number) => {
		const one = pick(zones);
		const stored = (await findSite(db, id))!;
		const profile = profileOf(one.zone, stored.profiles);
		const { card } = zoneCard(one.zone, profile, notesAt(profile, one.notes));
		const own = card.items.filter((_, i) => i % 4 === lane);
		if (own.length === 0) return;
		const notes = Array.from({ length: 1 + random(3) }, (): Note => {
			sent[lane]!++;
			const what = pick(['keyed', 'keyed', 'read', 'begun', 'not-keyed'] as const);
			return {
				what,
				goals: Array.from({ length: 1 + random(3) }, () => pick(own).goal),
				by: { from: `phone ${lane}`, number: sent[lane]!, atMs: sent[lane]! * 4 + lane }
			};
		});
		if (!(await noteAtControl(db, at, one.id, notes))) return;
		one.notes = notes.reduce((all, note) => withNote(profile, all, note), notesAt(profile, one.notes));
		// the network brings some of it once more
		if (random(4) === 0) await noteAtControl(db, at, one.id, notes.slice(random(notes.length)));
	};
	const fields = ['foundNote', 'promised', 'lockCode'] as const;
	const onSite = async (n: number, lane: number) => {
		const one = pick(zones);
		const key = fields[lane % 3]!;
		const value = `said ${n}`;
		const came = await noteFields(db, at, one.id, [{ key, value }]);
		// the first note after a visit has ended begins the next with nothing found, tested or left
		if (came.kind === 'noted' && !goesOn) {
			goesOn = true;
			if (visits > 0) for (const each of zones) each.onSite = { ...each.onSite, ...begun };
		}
		if (came.kind === 'noted') one.onSite = { ...one.onSite, [key]: value };
	};
	const office = async (n: number, lane: number) => {
		const field = (['place', 'note', 'name', 'place'] as const)[lane]!;
		if (lane === 3) return;
		if ((await changeSite(db, id, { [field]: `${field} ${n}` })).kind === 'saved')
			site = { ...site, [field]: `${field} ${n}` };
	};
	const beside = [desk, desk, phone, phone, onSite, office];

	/** What is done by itself: it moves zones, or all of them. */
	const alone: readonly (() => Promise<void>)[] = [
		async () => {
			const one = pick(live());
			if (live().length > 1 && (await removeZone(db, at, one.id))) one.removed = true;
		},
		async () => {
			const one = pick(zones);
			if (await restoreZone(db, at, one.id)) one.removed = false;
		},
		async () => {
			if (live().length >= 7) return;
			const like = pick(live());
			const zone = { ...like.zone, clockReadings: [] };
			const made = await addZone(db, at, { zone, notes: null, onSite: nothingNoted }, like.id);
			if (made.kind !== 'added') throw new Error(`not added: ${JSON.stringify(made)}`);
			const fresh = { id: made.id, zone, notes: null, onSite: nothingNoted, revision: 1, removed: false };
			zones.splice(zones.indexOf(like) + 1, 0, fresh);
		},
		async () => {
			const order = live()
				.map((one) => one.id)
				.sort(() => random(3) - 1);
			await orderZones(db, at, order);
			const place = (one: Modelled) => order.indexOf(one.id);
			zones = [...live().sort((a, b) => place(a) - place(b)), ...zones.filter((one) => one.removed)];
		},
		async () => {
			if (visits > 12) return;
			const ended = await endVisit(db, at, { who: 'R. Tilling', note: '', signedOff: false });
			if (ended.kind === 'kept') {
				visits++;
				goesOn = false;
			}
		},
		async () => {
			// a file in its place, by the mark of what was known, then by one that is out of date
			const job = pick([first, second]);
			const mark = siteMark((await findSite(db, id))!);
			if ((await replaceSite(db, id, job, mark)).kind !== 'saved') throw new Error('not replaced');
			if ((await replaceSite(db, id, first, mark)).kind !== 'refused') throw new Error('replaced unawares');
			site = job.site;
			visits = job.visits.length;
			await readAnew();
		},
		async () => {
			await deleteSite(db, id);
			if (await restoreSite(db, id)) return;
			throw new Error('not put back');
		},
		async () => {
			await db.close();
			db = await open();
		}
	];

	const difference = async (): Promise<string | null> => {
		const stored = (await findSite(db, id))!;
		if (!isDeepStrictEqual(stored.site, site)) return `the site ${JSON.stringify([stored.site, site])}`;
		const there = await zonesOf(db, stored);
		const model = live();
		if (
			!isDeepStrictEqual(
				there.map((one) => one.id),
				model.map((one) => one.id)
			)
		)
			return 'the zones’ order';
		for (const [i, one] of there.entries()) {
			const { zone, notes, onSite, revision } = model[i]!;
			for (const [what, a, b] of [
				['zone', one.zone, zone],
				['notes', one.notes, notes],
				['fields', one.onSite, onSite],
				['revision', one.revision, revision],
				['counts', one.summary, await summarise(zone, notes, profileOf(zone, stored.profiles))]
			] as const)
				if (!isDeepStrictEqual(a, b))
					return `the ${what} of ${zone.name}: ${JSON.stringify(a).slice(0, 400)} instead of ${JSON.stringify(b).slice(0, 400)}`;
		}
		if ((await visitsOf(db, id)).length !== visits) return 'the visits';
		const job = (await readSiteAsJob(db, id))!;
		return isDeepStrictEqual(
			job.zones.map(({ notes }) => notes),
			model.map(({ notes }) => notes)
		)
			? null
			: 'the job file';
	};

	try {
		for (let step = 0; step < steps;) {
			if (random(12) === 0) {
				const n = random(alone.length);
				await alone[n]!();
				step++;
			} else {
				const many = 1 + random(4);
				await Promise.all(Array.from({ length: many }, (_, lane) => pick(beside)(step + lane, lane)));
				step += many;
			}
			const differs = await difference();
			if (differs) return `after ${step} steps of seed ${seed}: ${differs}`;
		}
		return null;
	} finally {
		await db.close();
	}
}
