import { profileOf } from '$core/control';
import { dateOfDay, wallAt } from '$core/civil';
import {
	addZoneRequest,
	addZonesRequest,
	applyZonesRequest,
	conflictResponse,
	createdManyResponse,
	createdResponse,
	hangZoneRequest,
	keyedRequest,
	keyedResponse,
	notesRequest,
	notesResponse,
	orderRequest,
	saveZoneRequest,
	savedResponse,
	writeCalendar,
	zoneResponse
} from '$core/formats';
import { MOST_ZONES, nothingNoted } from '$core/plan';
import { rightClock, runOfZone } from '$core/run';
import { compute } from '../../compute';
import {
	addZone,
	addZones,
	hangZone,
	noteAtControl,
	noteKeyedBefore,
	orderZones,
	removeZone,
	restoreZone,
	saveZone,
	saveZones,
	zonesOf
} from '../../store';
import { answer, fileAnswer, refuse } from '../answers';
import {
	noSite,
	noZone,
	operation,
	personOf,
	siteAsked,
	sitePath,
	zoneAsked,
	zonePath,
	type Operation
} from '../operation';

/** Days ahead for which exceptions are written out one by one. */
const DAYS_AHEAD = 730;

const unknownControl = (path: string, name = '') =>
	refuse(422, { path, sentence: `${name}${path} names a control that is not known here.` });

const channelTaken = (path: string, name = '') =>
	refuse(422, {
		path,
		sentence: `${name}This channel controls another zone already, or the control has no such channel.`
	});
const noBeside = () =>
	refuse(422, { path: 'beside', sentence: 'The zone whose control it was to share is not there.' });

/** The zones of a site, and what is keyed at them. */
export const zones: readonly Operation[] = [
	operation({
		path: `${sitePath}/zones`,
		method: 'post',
		id: 'addZone',
		summary: 'Add a zone',
		role: 'installer',
		takes: addZoneRequest,
		gives: createdResponse,
		created: true,
		refusals: [409],
		async handle({ db, params, body: { zone, after, beside } }) {
			const fresh = { zone, notes: null, onSite: nothingNoted };
			const came = await addZone(db, { id: params.siteId! }, fresh, after, beside);
			if (came.kind === 'added') return { id: came.id };
			if (came.kind === 'gone') return noSite();
			switch (came.because) {
				case 'full':
					return refuse(409, `A site holds at most ${MOST_ZONES} zones.`);
				case 'control':
					return unknownControl('zone.control');
				case 'channel':
					return channelTaken('zone.options.channel');
				case 'beside':
					return noBeside();
			}
		}
	}),
	operation({
		path: `${sitePath}/zones/add`,
		method: 'post',
		id: 'addZones',
		summary: 'Add several zones together, or none',
		role: 'installer',
		takes: addZonesRequest,
		gives: createdManyResponse,
		created: true,
		// of two hundred zones
		most: 4_000_000,
		refusals: [409],
		async handle({ db, params, body }) {
			const came = await addZones(db, { id: params.siteId! }, body.zones);
			if (came.kind === 'added') return { ids: [...came.ids] };
			if (came.kind === 'gone') return noSite();
			const name = `${body.zones[came.index]!.zone.name}: `;
			if (came.because === 'full')
				return refuse(409, `A site holds at most ${MOST_ZONES} zones. Nothing was added.`);
			return came.because === 'control'
				? unknownControl(`zones[${came.index}].zone.control`, name)
				: channelTaken(`zones[${came.index}].zone.options.channel`, name);
		}
	}),
	operation({
		path: `${zonePath}/control`,
		method: 'put',
		id: 'hangZone',
		summary: "Put a zone on another zone's control, on a free channel there, or on a control of its own",
		role: 'installer',
		takes: hangZoneRequest,
		async handle({ db, params, headers, body: { beside, channel } }) {
			const by = personOf(headers);
			const came = await hangZone(db, { id: params.siteId! }, params.zoneId!, beside, channel, by);
			if (came === 'gone') return noZone();
			if (came === 'channel') return channelTaken('channel');
			if (came === 'beside') return noBeside();
		}
	}),
	operation({
		path: `${sitePath}/zones/order`,
		method: 'put',
		id: 'orderZones',
		summary: 'Put the zones in order',
		role: 'installer',
		takes: orderRequest,
		async handle(asked) {
			await orderZones(asked.db, await siteAsked(asked), asked.body.order);
		}
	}),
	operation({
		path: `${sitePath}/zones/apply`,
		method: 'post',
		id: 'applyZones',
		summary: 'Save several zones together, or none',
		role: 'installer',
		takes: applyZonesRequest,
		// of two hundred zones
		most: 4_000_000,
		refusals: [409],
		async handle(asked) {
			const by = personOf(asked.headers);
			const came = await saveZones(asked.db, await siteAsked(asked), asked.body.changes, by);
			if (came.kind === 'control')
				return unknownControl(`changes[${came.index}].zone.control`, `${came.name}: `);
			if (came.kind === 'channel')
				return channelTaken(`changes[${came.index}].zone.options.channel`, `${came.name}: `);
			if (came.kind === 'behind')
				return refuse(
					409,
					`${came.name} has been changed or removed in another window. Nothing was changed; look again.`
				);
		}
	}),
	operation({
		path: zonePath,
		method: 'get',
		id: 'readZone',
		summary: 'A zone as it is seen, with what belongs to its control in it; as the computations take it',
		role: 'reader',
		gives: zoneResponse,
		async handle(asked) {
			const { zone: stored, site } = await zoneAsked(asked);
			const others = (await zonesOf(asked.db, site)).filter(
				({ id, boxId }) => boxId === stored.boxId && id !== stored.id
			);
			return {
				revision: stored.revision,
				zone: stored.zone,
				beside: others.map(({ id, zone }) => ({ id, name: zone.name, channel: zone.options.channel }))
			};
		}
	}),
	operation({
		path: zonePath,
		method: 'put',
		id: 'saveZone',
		summary: 'Save a zone, unless someone else has meanwhile',
		role: 'installer',
		takes: saveZoneRequest,
		gives: savedResponse,
		refusals: [409],
		async handle({ db, params, headers, body: { revision, zone } }) {
			const by = personOf(headers);
			const saved = await saveZone(db, { id: params.siteId! }, params.zoneId!, revision, zone, by);
			switch (saved.kind) {
				case 'saved':
					return { revision: saved.revision };
				case 'refused':
					return saved.because === 'channel'
						? channelTaken('zone.options.channel')
						: unknownControl('zone.control');
				case 'gone':
					return noZone();
				case 'conflict':
					return answer(
						conflictResponse,
						{
							error: {
								path: 'revision',
								sentence: 'Another window has changed this zone since you opened it.'
							},
							current: { revision: saved.current.revision, zone: saved.current.zone }
						},
						409
					);
			}
		}
	}),
	operation({
		path: zonePath,
		method: 'delete',
		id: 'removeZone',
		summary: 'Remove a zone; it can be put back for 30 days',
		role: 'installer',
		async handle({ db, params }) {
			if (!(await removeZone(db, { id: params.siteId! }, params.zoneId!))) return noZone();
		}
	}),
	operation({
		path: `${zonePath}/restore`,
		method: 'post',
		id: 'restoreZone',
		summary: 'Put a removed zone back',
		role: 'installer',
		async handle({ db, params }) {
			if (!(await restoreZone(db, { id: params.siteId! }, params.zoneId!)))
				return refuse(404, 'There is no removed zone to put back, or the site is full.');
		}
	}),
	operation({
		path: `${zonePath}/notes`,
		method: 'post',
		id: 'noteAtControl',
		summary: 'Note what was done at a control; what no card of it could ask for is passed over',
		role: 'installer',
		takes: notesRequest,
		// what waited in a browser for weeks
		most: 2_000_000,
		gives: notesResponse,
		async handle({ db, params, body }) {
			const notes = await noteAtControl(db, { id: params.siteId! }, params.zoneId!, body.notes);
			return notes ? { notes, nowMs: Date.now() } : noZone();
		}
	}),
	operation({
		path: `${zonePath}/keyed`,
		method: 'post',
		id: 'noteKeyed',
		summary: 'Note values as keyed, as the version before sent them',
		role: 'installer',
		takes: keyedRequest,
		gives: keyedResponse,
		async handle({ db, params, body: { changes, sent } }) {
			if (!(await noteKeyedBefore(db, { id: params.siteId! }, params.zoneId!, changes, sent)))
				return noZone();
			const keyed = Object.entries(changes).flatMap(([id, shows]) => (shows === null ? [] : [[id, shows]]));
			return { keyed: Object.fromEntries(keyed), nowMs: Date.now() };
		}
	}),
	operation({
		path: `${zonePath}/calendar`,
		method: 'get',
		id: 'zoneCalendar',
		summary: 'The periods and exceptions of a zone as an iCalendar file',
		role: 'reader',
		text: 'text/calendar',
		async handle(asked) {
			const { zone, site } = await zoneAsked(asked);
			const profile = profileOf(zone.zone, site.profiles);
			const { chosen } = await compute('zoneFit', { zone: zone.zone, profile }, asked);
			const { timeZone } = site.site;
			const nowMs = Date.now();
			const clock = { ...rightClock(profile, nowMs), follows: true };
			const text = writeCalendar({
				prepared: runOfZone(zone.zone, profile, chosen.program, { timeZone, nowMs, clock }),
				held: chosen.held,
				heldCool: chosen.heldCool,
				name: `${zone.zone.name}, ${site.site.name}`,
				uid: zone.id,
				fromDate: dateOfDay(Math.floor(wallAt(timeZone, nowMs) / 1440)),
				days: DAYS_AHEAD,
				nowMs
			});
			const name = zone.zone.name.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'zone';
			return fileAnswer(text, 'text/calendar; charset=utf-8', `${name}.ics`);
		}
	})
];
