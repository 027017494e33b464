import { z } from 'zod';
import { onSiteEditSchema } from '$core/plan';
import { keepJson, keptJson, keptNames } from '../browserStore';
import { call } from '../call';
import { whyUnsentSchema } from '../visit/unsent';
import { stampNow, type Letter } from './letter';
import { keepPicture, picturesBefore } from './pictureStore';

/** Where what was found waiting is put: what goes out from one site. */
interface Outbox {
	readonly siteId: string;
	post(letter: Omit<Letter, 'by'>): void;
}

/** A field as the version before kept it waiting. */
const fieldSchema = onSiteEditSchema.extend({
	id: z.string(),
	zoneId: z.string(),
	zoneName: z.string().default(''),
	after: z.string().nullable().optional(),
	why: whyUnsentSchema.optional()
});

function takeFields(outbox: Outbox): void {
	const name = `fond-quarter/visit/${outbox.siteId}`;
	const waiting = z.array(z.unknown()).safeParse(keptJson(name));
	if (!waiting.success) return;
	for (const one of waiting.data) {
		const read = fieldSchema.safeParse(one);
		if (!read.success) continue;
		const { id: _, zoneId, zoneName, after, why, ...body } = read.data;
		outbox.post({ kind: 'on-site', zoneId, zoneName, after, why, body });
	}
	keepJson(name, null);
}

/** Where values keyed waited, by the address that takes them. */
const KEYED = 'fond-quarter/keyed/';

/** Values are sent where they would have been sent: only the server knows what they are of. */
async function sendKeyed(siteId: string, ask: typeof call): Promise<void> {
	for (const name of keptNames()) {
		if (!name.startsWith(`${KEYED}/api/v1/jobs/${siteId}/`) || name.endsWith('/acked')) continue;
		const changes = z.record(z.string(), z.string().nullable()).safeParse(keptJson(name));
		if (!changes.success || Object.keys(changes.data).length === 0) continue;
		const { from, number } = stampNow();
		const path = name.slice(KEYED.length);
		const answer = await ask('POST', path, { changes: changes.data, sent: { from, number } });
		if (answer.ok) keepJson(name, null);
	}
}

async function takePictures(outbox: Outbox): Promise<void> {
	for (const { id, zone, caption, file, after } of await picturesBefore(outbox.siteId)) {
		await keepPicture(id, file as Blob);
		outbox.post({ kind: 'picture', zoneId: '', zoneName: zone, after, body: { id, caption } });
	}
}

/** Takes up all that the version before left waiting in this browser for a site. Call in the browser. */
export async function takeBefore(outbox: Outbox, ask: typeof call = call): Promise<void> {
	takeFields(outbox);
	await Promise.all([sendKeyed(outbox.siteId, ask), takePictures(outbox)]);
}
