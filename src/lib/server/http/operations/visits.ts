import {
	createdResponse,
	endedResponse,
	endVisitRequest,
	linkRequest,
	linkResponse,
	linksResponse,
	onSiteRequest,
	onSiteResponse,
	picturesResponse,
	readWith,
	visitsResponse
} from '$core/formats';
import { LARGEST_PICTURE, pictureAboutSchema } from '$core/record';
import { compute } from '../../compute';
import {
	addPicture,
	choiceOf,
	createLink,
	customerPageOf,
	endVisit,
	goOnWith,
	signersOf,
	leftZone,
	unfedOf,
	linksOf,
	MOST_LINKS,
	noteFields,
	pictureJpeg,
	picturesOf,
	readFirm,
	removePicture,
	revokeLink,
	visitsOf,
	zonesOf,
	type StoredVisit
} from '../../store';
import { seenBy } from '../../store/sight';
import { answer, pdfAnswer, refuse } from '../answers';
import {
	noSite,
	noZone,
	operation,
	siteAsked,
	sitePath,
	zoneAsked,
	zonePath,
	type Operation
} from '../operation';

/** The latest pictures only: a record is to be sent by mail. */
const MOST_PRINTED = 40;

/** Somebody ended the visit meanwhile: what was noted for it waits for a person's word. */
function visitEnded({ id, visit: { at, who, signedOff } }: StoredVisit): Response {
	return answer(
		endedResponse,
		{
			error: { path: 'after', sentence: `The visit was ended by ${who} meanwhile.` },
			ended: { id, at, who, signedOff }
		},
		409
	);
}

/** What belongs to being there and handing over: notes, visits, pictures, papers, links. */
export const visits: readonly Operation[] = [
	operation({
		path: `${zonePath}/on-site`,
		method: 'post',
		id: 'noteOnSite',
		summary: 'Note what was found or done at a control, field by field',
		role: 'installer',
		takes: onSiteRequest,
		gives: onSiteResponse,
		refusals: [409],
		async handle({ db, params, body }) {
			const noted = await noteFields(db, { id: params.siteId! }, params.zoneId!, body.edits, body.after);
			if (noted.kind === 'gone') return noZone();
			if (noted.kind === 'refused') return refuse(422, noted.sentence);
			if (noted.kind === 'ended') return visitEnded(noted.visit);
			const conflicts = noted.conflicts.map((one) => ({ ...one }));
			return { onSite: noted.onSite, conflicts, nowMs: Date.now() };
		}
	}),
	operation({
		path: `${sitePath}/visits`,
		method: 'get',
		id: 'listVisits',
		summary: 'The visits to a site, oldest first',
		role: 'reader',
		gives: visitsResponse,
		async handle(asked) {
			const visits = await visitsOf(asked.db, (await siteAsked(asked)).id);
			return { visits: visits.map(({ id, visit }) => ({ id, visit })) };
		}
	}),
	operation({
		path: `${sitePath}/visits`,
		method: 'post',
		id: 'endVisit',
		summary: 'End a visit: keep how everything is left, or sign it off; or sign one dwelling off by itself',
		role: 'installer',
		takes: endVisitRequest,
		gives: createdResponse,
		created: true,
		refusals: [409],
		async handle({ db, params, body }) {
			const ended = await endVisit(db, { id: params.siteId! }, body, body);
			if (ended.kind === 'gone') return noSite();
			if (ended.kind === 'ended') return visitEnded(ended.visit);
			return ended.kind === 'kept'
				? { id: ended.id }
				: refuse(409, `Not signed off. ${ended.sentences.join(' ')}`);
		}
	}),
	operation({
		path: `${sitePath}/visits/[visitId]/go-on`,
		method: 'post',
		id: 'goOnWithVisit',
		summary: 'Go on with the last visit, that was kept and not signed off',
		role: 'installer',
		refusals: [409],
		async handle({ db, params }) {
			if (!(await goOnWith(db, params.siteId!, params.visitId!)))
				return refuse(409, 'This visit cannot be gone on with: it was signed off, or another one is open.');
		}
	}),
	operation({
		path: `${sitePath}/pictures`,
		method: 'get',
		id: 'listPictures',
		summary: "The pictures of a site's visits, oldest first",
		role: 'reader',
		gives: picturesResponse,
		handle: async (asked) => ({ pictures: await picturesOf(asked.db, (await siteAsked(asked)).id) })
	}),
	operation({
		path: `${sitePath}/pictures`,
		method: 'post',
		id: 'addPicture',
		summary:
			'Keep a picture with the visit that goes on: its pixels only; zone, caption and id may stand in the address',
		role: 'installer',
		file: 'image/*',
		sent: 'bytes',
		most: LARGEST_PICTURE,
		gives: createdResponse,
		created: true,
		refusals: [409],
		async handle(asked) {
			const site = await siteAsked(asked);
			const about = readWith(pictureAboutSchema, Object.fromEntries(asked.search));
			if (!about.ok) return refuse(422, about.problem);
			const added = await addPicture(asked.db, site.id, asked.body, {
				id: about.value.id,
				zoneName: about.value.zone,
				caption: about.value.caption,
				after: about.value.after === '' ? null : about.value.after,
				agoMs: about.value.agoMs
			});
			if ('ended' in added) return visitEnded(added.ended);
			return 'refused' in added
				? refuse(422, { path: 'picture', sentence: added.refused })
				: { id: added.id };
		}
	}),
	operation({
		path: `${sitePath}/pictures/{pictureId}`,
		method: 'get',
		id: 'readPicture',
		summary: 'A picture of a visit',
		role: 'reader',
		text: 'image/jpeg',
		async handle(asked) {
			const site = await siteAsked(asked);
			const jpeg = await pictureJpeg(asked.db, site.id, asked.params.pictureId!);
			if (!jpeg) return refuse(404, 'There is no such picture.');
			return new Response(new Uint8Array(jpeg), {
				headers: { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' }
			});
		}
	}),
	operation({
		path: `${sitePath}/pictures/{pictureId}`,
		method: 'delete',
		id: 'removePicture',
		summary: 'Remove a picture of the visit that goes on',
		role: 'installer',
		async handle(asked) {
			const site = await siteAsked(asked);
			if (!(await removePicture(asked.db, site.id, asked.params.pictureId!)))
				return refuse(404, 'There is no such picture, or its visit has ended: then it stays in the record.');
		}
	}),
	operation({
		path: `${zonePath}/customer.pdf`,
		method: 'get',
		id: 'customerPdf',
		summary: "The customer's page of a zone as a PDF; large=1, unit=C or F, clock=12 or 24 choose how",
		role: 'reader',
		text: 'application/pdf',
		async handle(asked) {
			const { zone, site } = await zoneAsked(asked);
			const choice = choiceOf(asked.search);
			const page = await customerPageOf(
				asked.db,
				zone,
				site,
				choice,
				(await signersOf(asked.db, site.id))(zone.zone.dwelling)
			);
			const date = new Date().toLocaleDateString('en-GB', {
				day: 'numeric',
				month: 'long',
				year: 'numeric'
			});
			const firm = await readFirm(asked.db);
			const bytes = await compute('customerPdf', { pages: [page], firm, date, large: choice.large }, asked);
			return pdfAnswer(bytes, `${site.site.name} ${zone.zone.name}`);
		}
	}),
	operation({
		path: `${sitePath}/record.pdf`,
		method: 'get',
		id: 'recordPdf',
		summary: "The installer's record of a site as a PDF",
		role: 'reader',
		text: 'application/pdf',
		async handle(asked) {
			const { db, role } = asked;
			const site = await siteAsked(asked);
			const now = Date.now();
			const firm = await readFirm(db);
			const stored = await zonesOf(db, site);
			const unfed = await unfedOf(site, stored);
			const zones = stored.map((zone) => leftZone(zone, site, firm, now, unfed));
			const visits = (await visitsOf(db, site.id)).map(({ visit }) => visit);
			const pictures: { visitAt: string | null; zone: string; caption: string; jpeg: Uint8Array }[] = [];
			for (const one of (await picturesOf(db, site.id)).slice(-MOST_PRINTED)) {
				const jpeg = await pictureJpeg(db, site.id, one.id);
				if (jpeg)
					pictures.push({
						visitAt: one.visitAt,
						zone: one.zoneName,
						caption: one.caption,
						jpeg: new Uint8Array(jpeg)
					});
			}
			const record = seenBy(role, {
				site: site.site,
				firm,
				visits,
				now: {
					at: new Date(now).toISOString(),
					who: 'now',
					note: '',
					signedOff: false,
					dwelling: null,
					zones
				},
				profiles: [...site.profiles],
				pictures
			});
			return pdfAnswer(await compute('recordPdf', record, asked), `${site.site.name} record`);
		}
	}),
	operation({
		path: `${sitePath}/links`,
		method: 'get',
		id: 'listLinks',
		summary: "The customer's links of a site",
		role: 'reader',
		gives: linksResponse,
		handle: async (asked) => ({ links: [...(await linksOf(asked.db, (await siteAsked(asked)).id))] })
	}),
	operation({
		path: `${sitePath}/links`,
		method: 'post',
		id: 'createLink',
		summary: "A read-only link to the customer's pages, for so many days",
		role: 'installer',
		takes: linkRequest,
		gives: linkResponse,
		created: true,
		async handle(asked) {
			const site = await siteAsked(asked);
			const link = await createLink(asked.db, site.id, asked.body.days, asked.body.dwelling);
			if (!link)
				return refuse(422, `This dwelling has ${MOST_LINKS} links that still open. End one of them first.`);
			return { path: `/c/${link.token}`, id: link.id, endsAt: link.endsAt };
		}
	}),
	operation({
		path: `${sitePath}/links/{linkId}`,
		method: 'delete',
		id: 'endLink',
		summary: "End a customer's link",
		role: 'installer',
		async handle(asked) {
			const site = await siteAsked(asked);
			if (!(await revokeLink(asked.db, site.id, asked.params.linkId!)))
				return refuse(404, 'There is no such link, or it has ended already.');
		}
	})
];
