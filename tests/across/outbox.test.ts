/**
 * Two windows of one browser, two phones, a desk and a network that drops, doubles, delays and reorders, on the program's own database:
 * all that was noted is there, in the order in which it was done, and record, overview and phones say the same.
 * `npm run bench -- outbox` takes 10 000 steps and 20 commissionings; STEPS, COMMISSIONINGS and SEED choose others.
 */
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { findProfile, type ControlProfile } from '$core/control';
import {
	allToRead,
	cardOf,
	leftToKey,
	noNotes,
	noteOfReading,
	notesAt,
	replayed,
	saysSame,
	standingOf,
	withNote,
	type Note,
	type Notes
} from '$core/keying';
import { holdOf } from '$lib/server/holds';
import { findZone, listSites, noteAtControl, saveZone, zonesOf } from '$lib/server/store';
import { Browser, browsers, noBrowsers, passTime, through, type Badness } from '../support/devices';
import { db, demoJob, reopen, siteWithZones } from '../support/database';
import { seededChance } from '../support/random';
import { ControlNotes } from '$lib/ui/keyin/controlNotes.svelte';
import { Keying } from '$lib/ui/keyin/keying.svelte';
import { Outbox } from '$lib/ui/outbox/outbox.svelte';

const STEPS = Number(process.env.STEPS ?? 300);
const COMMISSIONINGS = Number(process.env.COMMISSIONINGS ?? 2);
const SEED = Number(process.env.SEED ?? 20_261_130);
const NOW_MS = Date.UTC(2026, 10, 30, 9);

beforeEach(() => browsers(NOW_MS));
afterEach(noBrowsers);

/** The server with one control, its record, and what every act of a person ought to come to. */
async function aControl(nth = 0, job = demoJob()) {
	const { name } = job.zones[nth % job.zones.length]!;
	const { site, id: siteId } = await siteWithZones({
		...job,
		visits: [],
		zones: job.zones.filter((zone) => zone.name === name).map((zone) => ({ ...zone, notes: null }))
	});
	const [{ id }] = (await zonesOf(db, site)) as unknown as [{ id: string }];
	const record = async () => (await findZone(db, site, id))!;
	const profile = findProfile((await record()).zone.control)!;
	return {
		siteId,
		id,
		profile,
		record,
		hold: async () => holdOf([(await record()).zone], profile),
		/** What the desk does: other levels. */
		async plan(levelC: (wasC: number, i: number) => number) {
			const { zone, revision } = await record();
			const levels = zone.levels.map((level, i) => ({
				...level,
				setpointC: levelC(level.setpointC ?? 0, i)
			}));
			await saveZone(db, site, id, revision, { ...zone, levels } as typeof zone);
		},
		serve: async (path: string, body: unknown) => {
			const notes = await noteAtControl(
				db,
				{ id: path.split('/')[4]! },
				path.split('/')[6]!,
				(body as { notes: Note[] }).notes
			);
			return { status: notes ? 200 : 404, data: { notes, nowMs: Date.now() } };
		},
		/** Values left by the list of jobs. */
		listed: async () => (await listSites(db)).find((one) => one.id === siteId)!.valuesLeft
	};
}
type AtControl = Awaited<ReturnType<typeof aControl>>;

let windows = 0;
/** A window of a browser with the card open: its page's data is read from the server. */
async function open(at: AtControl, browser: Browser, ask: ConstructorParameters<typeof Outbox>[1]) {
	const { notes } = await at.record();
	const hold = await at.hold();
	const from = `window ${windows++}`;
	return browser.as(() => {
		const outbox = new Outbox(at.siteId, { ...ask, from });
		const readAtMs = Date.now();
		const noted = new ControlNotes(outbox, at.id, at.profile, notes, readAtMs);
		const keying = new Keying(from, at.profile, hold, noted, cardOf, readAtMs);
		const hear = (name: string) => browser.as(() => outbox.changedElsewhere(name));
		browser.heard.add(hear);
		outbox.resume();
		return {
			browser,
			outbox,
			noted,
			keying,
			/** The page reads its data anew. */
			async refresh() {
				const readAt = Date.now();
				const [now, plan] = [(await at.record()).notes, await at.hold()];
				browser.as(() => {
					noted.refresh(now, readAt);
					keying.plan(plan, readAt);
					keying.noted();
				});
			},
			close: () => void browser.heard.delete(hear)
		};
	});
}
type Window = Awaited<ReturnType<typeof open>>;

/** What a window shows as noted. */
const shownBy = ({ browser, noted, keying }: Window): Notes =>
	browser.as(() => notesAt(keying.session.profile, noted.notes));

/** Records what a window notes, stamped as it was. */
function listening(window: Window, done: Note[]) {
	const { noted, outbox } = window;
	const post = outbox.post.bind(outbox);
	outbox.post = (letter) => {
		post(letter);
		const last = outbox
			.letters('notes')
			.toSorted((a, b) => a.by.number - b.by.number)
			.at(-1)!;
		done.push({ ...(last.body as Note), by: last.by });
	};
	return noted;
}

const foldOf = (profile: ControlProfile, done: readonly Note[]): Notes =>
	done
		.toSorted((a, b) => a.by!.atMs - b.by!.atMs)
		.reduce((all, note) => withNote(profile, all, note), noNotes(profile));

/** As many steps are taken on one record before another is begun: what was done there is folded anew at each look. */
const STEPS_OF_ONE = 500;
const runs = Array.from({ length: Math.ceil(STEPS / STEPS_OF_ONE) }, (_, run) => ({
	seed: SEED + run,
	/** Each on a day of its own: no page's clock goes back. */
	atMs: NOW_MS + run * 86_400_000,
	steps: Math.min(STEPS_OF_ONE, STEPS - run * STEPS_OF_ONE)
}));

it.each(runs)(
	'$steps steps of two windows, two phones and a desk end in one record, whatever the network does: seed $seed',
	async ({ seed, steps, atMs }) => {
		vi.setSystemTime(atMs);
		const chance = seededChance(seed);
		const at = await aControl();
		const network: Badness = { isDown: false, lost: 15, answerLost: 10, twice: 10, late: 20 };
		const ask = { ask: through(at.serve, network, chance) };
		const [desk, ...phones] = [new Browser(), new Browser(), new Browser()];
		const places = [desk!, desk!, ...phones];
		const done: Note[] = [];
		const open1 = async (browser: Browser) => {
			const window = await open(at, browser, ask);
			listening(window, done);
			return window;
		};
		const all: Window[] = [];
		for (const browser of places) all.push(await open1(browser));
		let checked = 0;

		/** Everything is in: nothing waits, and all say the same. */
		const agree = async (step: number) => {
			const was = { ...network };
			Object.assign(network, { isDown: false, lost: 0, answerLost: 0, twice: 0, late: 0 });
			for (let n = 0; n < 20 && all.some(({ outbox }) => outbox.waiting > 0); n++) {
				for (const { browser, outbox } of all) browser.as(() => outbox.resume());
				await passTime(1000);
			}
			await passTime(8000);
			for (const window of all) await window.refresh();
			const { notes } = await at.record();
			const kept = notesAt(at.profile, notes);
			const wanted = foldOf(at.profile, done);
			expect(
				saysSame({ ...kept, next: null }, { ...wanted, next: null }),
				`step ${step}: ${JSON.stringify([kept.acts.length, wanted.acts.length])}`
			).toBe(true);
			const standing = standingOf(at.profile, await at.hold(), kept);
			for (const window of all) {
				expect(window.outbox.waiting, `step ${step}`).toBe(0);
				expect(saysSame(shownBy(window), kept), `step ${step}: a window`).toBe(true);
			}
			expect(await at.listed(), `step ${step}: listed`).toBe(standing.left);
			Object.assign(network, was);
			checked++;
		};

		for (let step = 0; step < steps; step++) {
			const n = chance(all.length);
			const window = all[n]!;
			const { browser, keying } = window;
			const does = chance(20);
			if (does < 9)
				browser.as(() =>
					keying.step && keying.session.noted.found
						? keying.confirm()
						: keying.say(chance(4) ? 'in-use' : 'as-new')
				);
			else if (does === 9) browser.as(() => keying.back());
			else if (does === 10) browser.as(() => keying.saw((['rest', 'other'] as const)[chance(2)]!));
			else if (does === 11) {
				const hold = await at.hold();
				const groups = allToRead(at.profile, hold);
				const group = groups[chance(groups.length)]!;
				const field = group.fields[chance(group.fields.length)]!;
				const { operated } = cardOf(at.profile, hold, shownBy(window));
				const { known } = replayed(at.profile, shownBy(window), operated.options);
				const made = noteOfReading(at.profile, known.memory.options, field, chance(5) ? field.shows : null);
				if (made) browser.as(() => window.noted.note(made));
			} else if (does === 12) {
				window.close();
				all[n] = await open1(browser);
			} else if (does === 13) await window.refresh();
			else if (does === 14) {
				const warmestC = 19 + chance(6) / 2;
				await at.plan((wasC, i) => (i === 0 ? warmestC : wasC));
			} else if (does === 15) network.isDown = !network.isDown && chance(2) === 0;
			else if (does === 16 && chance(4) === 0) {
				await passTime(5000);
				await reopen();
			} else await passTime(chance(3000));
			browser.as(() => all[n]!.keying.noted());
			// all in is said only while it is so by all that is noted here
			const { keying: now } = all[n]!;
			const own = shownBy(all[n]!);
			if (now.step === null && !now.isHeld)
				expect(leftToKey(at.profile, now.card, own).steps, `step ${step}`).toHaveLength(0);
			if (step % 25 === 24) await agree(step);
		}
		expect(checked).toBe(Math.floor(steps / 25));
		console.log(`seed ${seed}: ${done.length} notes, ${checked} times the same everywhere`);
	},
	3_600_000
);

it('fourteen values keyed, every level raised at the desk, keyed on: phone, record and lists count the same to the end', async () => {
	const at = await aControl(0, demoJob('osier-lane-reading-room'));
	const network: Badness = { isDown: false, lost: 0, answerLost: 0, twice: 0, late: 0 };
	const phone = await open(at, new Browser(), { ask: through(at.serve, network, seededChance(1)) });
	const { browser, keying, outbox } = phone;
	browser.as(() => keying.say('as-new'));
	for (let values = 1; keying.step; values++) {
		expect(values).toBeLessThan(100);
		browser.as(() => keying.confirm());
		await passTime(200);
		if (values === 14) {
			await at.plan((wasC) => wasC + 1);
			await phone.refresh();
			browser.as(() => keying.seen());
			await passTime(200);
		}
		browser.as(() => keying.noted());
		expect(outbox.waiting).toBe(0);
		const { notes } = await at.record();
		const standing = standingOf(at.profile, await at.hold(), notesAt(at.profile, notes));
		expect([await at.listed(), keying.left.values], `after ${values}`).toEqual([
			standing.left,
			standing.left
		]);
	}
}, 120_000);

it(`${COMMISSIONINGS} commissionings through a bad network: what the phone calls all in, the record does`, async () => {
	const chance = seededChance(SEED);
	let right = 0;
	for (let n = 0; n < COMMISSIONINGS; n++) {
		const at = await aControl(n);
		const network: Badness = { isDown: false, lost: 25, answerLost: 5, twice: 10, late: 20 };
		const phone = await open(at, new Browser(), { ask: through(at.serve, network, chance) });
		phone.browser.as(() => phone.keying.say('as-new'));
		for (let values = 0; phone.keying.step; values++) {
			expect(values).toBeLessThan(200);
			phone.browser.as(() => phone.keying.confirm());
			await passTime(chance(1500));
			phone.browser.as(() => phone.keying.noted());
		}
		for (let more = 0; more < 60 && phone.outbox.waiting > 0; more++) await passTime(3000);
		await passTime(8000);
		const { notes } = await at.record();
		const standing = standingOf(at.profile, await at.hold(), notesAt(at.profile, notes));
		expect([standing.left, (await at.listed()) >= 0]).toEqual([0, true]);
		expect(saysSame(notesAt(at.profile, notes), shownBy(phone))).toBe(true);
		right++;
	}
	console.log(`${right} of ${COMMISSIONINGS} right`);
}, 3_600_000);
