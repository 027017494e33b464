import { onMount, untrack } from 'svelte';
import { roundTemperatureWords, type ControlProfile } from '$core/control';
import { target, unitOf, type KeptStagger, type Site, type Zone } from '$core/plan';
import {
	dayOfPeak,
	heatedBy,
	nightsOf,
	peakOfDay,
	staggerInputs,
	type SiteLoad,
	type Source
} from '$core/thermal';
import { loadWords } from '$core/words';
import {
	LoadFollower,
	staggerInWorker,
	type LoadAnswer,
	type Staggered,
	type StaggerRun
} from '$lib/workers/siteHeat';
import { call } from '../call';
import { refresh } from '../refresh';
import { saving } from '../saving.svelte';

/** This instant, in ISO 8601. */
const nowIso = () => new Date().toISOString();

/** What the page of a site's load read from the server. */
export interface HeatData {
	readonly site: Site & { readonly id: string };
	readonly zones: readonly {
		readonly id: string;
		readonly name: string;
		readonly revision: number;
		readonly document: Zone;
	}[];
	readonly profiles: readonly ControlProfile[];
}

/** What all zones of a site draw at once, as it is known while the page is open: computed behind it, staggered when asked. */
export function heatView(read: () => HeatData) {
	const data = $derived(read());
	const profileOf = (zone: Zone) =>
		data.profiles.find((profile) => profile.id === zone.control) ?? data.profiles[0]!;
	const known = $derived(
		data.zones.map((row) => ({
			id: row.id,
			zone: row.document,
			profile: profileOf(row.document),
			revision: row.revision
		}))
	);
	const electric = $derived(heatedBy(known, 'electric'));
	const water = $derived(heatedBy(known, 'water'));
	const unknown = $derived(data.zones.filter((row) => !row.document.room));

	let chosen = $state<Source | null>(data.site.stagger?.source ?? null);
	const source = $derived<Source>(
		chosen ?? (electric.length > 0 || water.length === 0 ? 'electric' : 'water')
	);
	const heated = $derived(source === 'electric' ? electric : water);
	const supply = $derived(data.site.supply);
	const limit = $derived({
		limitW: source === 'electric' ? supply.electricW : supply.boilerW,
		windowMinutes: supply.windowMinutes
	});

	let outdoorC = $state(data.site.stagger?.outdoorC ?? 0);
	let latest = $state.raw<LoadAnswer | null>(null);
	/** What was computed for the source on show, for these zones. */
	const now = $derived(
		latest?.source === source && latest.load.zones.length === heated.length ? latest : null
	);
	let share = $state<number | null>(null);
	let staggered = $state.raw<Staggered | null>(null);
	let run = $state.raw<StaggerRun | null>(null);
	let runShare = $state(0);
	let pickedDay = $state<number | null>(null);
	let problem = $state<string | null>(null);
	let busy = $state(false);
	let view = $state<'staggered' | 'now'>('staggered');

	let follower: LoadFollower | undefined;
	onMount(() => {
		follower = new LoadFollower(
			(answer) => {
				latest = answer;
				share = null;
			},
			(part) => (share = part)
		);
		ask();
		return () => {
			follower?.stop();
			run?.stop();
		};
	});
	const sent = $derived(heated.map(({ id, zone, profile }) => ({ id, zone, profile })));
	function ask() {
		if (heated.length > 0) {
			share = 0;
			follower?.request($state.snapshot(sent), source, { ...limit }, outdoorC);
		} else latest = null;
	}
	$effect(() => {
		void [sent, source, limit, outdoorC];
		untrack(() => {
			staggered = null;
			run?.stop();
			run = null;
			ask();
		});
	});

	/** The unit of the site: that of most of its controls here. */
	const unit = $derived(
		heated.filter(({ zone, profile }) => unitOf(zone, profile) === 'F').length * 2 > heated.length ? 'F' : 'C'
	);
	const outside = (c: number) => roundTemperatureWords(unit, c);
	const kW = (w: number) => `${(w / 1000).toFixed(1)} kW`;
	const shown = $derived<SiteLoad | null>(
		(view === 'staggered' ? staggered?.load : null) ?? now?.load ?? null
	);
	/** The day on show: the one picked, or that of the highest load. */
	const day = $derived(pickedDay ?? (shown ? dayOfPeak(shown.peakAt) : 0));
	const late = (load: SiteLoad) => load.zones.reduce((sum, zone) => sum + zone.late.length, 0);
	const lateWords = (load: SiteLoad) => {
		const count = late(load);
		return count === 0 ? 'every room is warm in time' : `${count} times in the week a room is late`;
	};

	const answer = $derived.by(() => {
		if (heated.length === 0) return 'No room here is described yet: what it draws is not known.';
		if (!shown) return 'Computing …';
		const staggeredNow = shown === staggered?.load;
		const { w, at: when } = peakOfDay(shown, day);
		return `${staggeredNow ? 'Staggered: ' : ''}${loadWords({ ...shown, peakW: w, peakAt: when }, limit)}; ${lateWords(shown)}.`;
	});
	/** What is drawn at the worst minute, which a mean does not show. */
	const instant = $derived(
		shown
			? `At one minute up to ${shown.atOnce} of ${heated.length} heat together${limit.limitW !== null && shown.worstW > limit.limitW ? ': only a load-shedding relay rules that out' : ''}.`
			: null
	);
	const canLock = $derived(
		limit.limitW !== null && now !== null && now.load.worstW > limit.limitW && heated.length > 1
	);
	/** Takes leads over into the zones as they are now, and says whether that was kept. */
	async function takeLeads(
		zones: readonly { readonly id: string; readonly zone: Zone }[],
		kept?: KeptStagger
	) {
		busy = true;
		saving.now = { kind: 'saving' };
		const changes = zones.flatMap(({ id, zone: { lead } }) => {
			const row = data.zones.find((one) => one.id === id)!;
			return JSON.stringify(lead) === JSON.stringify(row.document.lead)
				? []
				: [{ id, revision: row.revision, zone: { ...row.document, lead } }];
		});
		const post = () => call('POST', `/api/v1/jobs/${data.site.id}/zones/apply`, { changes });
		let done = changes.length === 0 ? ({ ok: true } as const) : await post();
		if (done.ok && kept) done = await call('PATCH', `/api/v1/jobs/${data.site.id}`, { stagger: kept });
		problem = done.ok ? null : done.sentence;
		saving.now = done.ok ? { kind: 'saved', at: Date.now() } : { kind: 'refused', sentence: 'Not saved' };
		await refresh('fq:site');
		busy = false;
	}
	const bad = $derived(shown !== null && (shown.overMinutes > 0 || late(shown) > 0));
	const hopeless = $derived(
		now && limit.limitW !== null && now.load.steadyW > limit.limitW
			? `Only to keep these rooms warm takes ${kW(now.load.steadyW)} at ${outside(outdoorC)} outside: supply too small whatever the start times.`
			: null
	);

	const inputs = $derived(staggerInputs(heated, limit, outdoorC));
	const kept = $derived(data.site.stagger?.source === source ? data.site.stagger : null);
	const keptStale = $derived(
		kept !== null &&
			kept.inputs !==
				staggerInputs(heated, { limitW: kept.limitW, windowMinutes: kept.windowMinutes }, kept.outdoorC)
	);

	/** The needs of a zone's week with the minutes by which its setpoint rises before them, as it is shown. */
	const strips = $derived(
		heated.map((one) => {
			const zone =
				view === 'staggered' && staggered
					? (staggered.zones.find(({ id }) => id === one.id)?.zone ?? one.zone)
					: one.zone;
			const week = target(zone).week;
			const lateAt = shown?.zones.find(({ id }) => id === one.id)?.late ?? [];
			return {
				id: one.id,
				name: zone.name,
				needs: nightsOf(zone, one.profile).map(({ at: need }) => {
					const started = [...week].reverse().find((step) => step.at <= need) ?? week.at(-1)!;
					return { at: need, start: need - started.at, late: lateAt.includes(need) };
				})
			};
		})
	);

	async function stagger() {
		problem = null;
		runShare = 0;
		run = staggerInWorker($state.snapshot(sent), source, { ...limit }, outdoorC, (part) => (runShare = part));
		const own = run;
		const found = await own.answer;
		if (run !== own) return;
		run = null;
		staggered = found;
		view = 'staggered';
	}

	async function take() {
		if (!staggered || !now) return;
		const stagger: KeptStagger = {
			at: nowIso(),
			source,
			outdoorC,
			limitW: limit.limitW!,
			windowMinutes: limit.windowMinutes,
			beforeW: Math.round(now.load.peakW),
			afterW: Math.round(staggered.load.peakW),
			moved: staggered.stagger.zones.flatMap(({ id, rises }) =>
				rises
					.filter((rise) => rise.earlier > 0)
					.map(({ at: need, minutes, earlier }) => ({
						zone: heated.find((one) => one.id === id)!.zone.name,
						at: need,
						neededMinutes: minutes - earlier,
						minutes
					}))
			),
			inputs
		};
		await takeLeads(staggered.zones, stagger);
	}

	return {
		get electric() {
			return electric;
		},
		get water() {
			return water;
		},
		get source() {
			return source;
		},
		get heated() {
			return heated;
		},
		get unknown() {
			return unknown;
		},
		get supply() {
			return supply;
		},
		get limit() {
			return limit;
		},
		get now() {
			return now;
		},
		get share() {
			return share;
		},
		get staggered() {
			return staggered;
		},
		get run() {
			return run;
		},
		get runShare() {
			return runShare;
		},
		get problem() {
			return problem;
		},
		get busy() {
			return busy;
		},
		get unit() {
			return unit;
		},
		get shown() {
			return shown;
		},
		get day() {
			return day;
		},
		get answer() {
			return answer;
		},
		get instant() {
			return instant;
		},
		get canLock() {
			return canLock;
		},
		get bad() {
			return bad;
		},
		get hopeless() {
			return hopeless;
		},
		get kept() {
			return kept;
		},
		get keptStale() {
			return keptStale;
		},
		get strips() {
			return strips;
		},
		get outdoorC() {
			return outdoorC;
		},
		set outdoorC(next) {
			outdoorC = next;
		},
		get view() {
			return view;
		},
		set view(next) {
			view = next;
		},
		choose: (next: Source) => (chosen = next),
		pickDay: (next: number) => (pickedDay = next),
		say: (sentence: string | null) => (problem = sentence),
		leave: () => (staggered = null),
		stop() {
			run?.stop();
			run = null;
		},
		outside,
		kW,
		stagger,
		take,
		takeLeads
	};
}
