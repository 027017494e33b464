import { readFileSync } from 'node:fs';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { describe, expect, it } from 'vitest';
import { findProfile } from '$core/control';
import { readJobFile, standingOf } from '$core/formats';
import { onSiteSchema } from '$core/plan';
import { firmSchema, visitSchema } from '$core/record';
import { customerPdf, recordPdf } from '.';
import { faceOf } from './faces';
import { words } from './printer';
import { customerPage, type CustomerPage } from '$core/words';

const read = readJobFile(readFileSync('demo/tallow-quay-workshops.job.json', 'utf8'));
if (!read.ok) throw new Error(read.problem.sentence);
const job = read.value;
const profileOf = (zone: { control: string }) => findProfile(zone.control, job.profiles)!;
const page = (index: number, choice = {}): CustomerPage =>
	customerPage(
		job.zones[index]!,
		profileOf(job.zones[index]!),
		{ name: 'Tallow Quay', place: '', timeZone: 'Europe/Dublin' },
		Date.parse('2026-11-25T09:00:00Z'),
		{ choice }
	);
const firm = firmSchema.parse({ name: 'Tilling & Őrsi, heating', telephone: '01 555 0100' });
const plain = (text: string) => text.replace(/\s+/g, '').replaceAll('→', 'to');

/** A PDF as another reader has it: its pages' text, and the fonts that are in it. */
async function opened(bytes: Uint8Array<ArrayBuffer>) {
	const raw = Buffer.from(bytes).toString('latin1');
	const doc = await getDocument({ data: bytes.slice(), useSystemFonts: false }).promise;
	const texts: string[] = [];
	for (let n = 1; n <= doc.numPages; n++) {
		const { items } = await (await doc.getPage(n)).getTextContent();
		texts.push(items.map((item) => ('str' in item ? item.str : '')).join(' '));
	}
	return {
		pages: doc.numPages,
		text: plain(texts.join(' ')),
		fontFiles: raw.match(/\/FontFile[23]?\b/g)?.length ?? 0,
		images: raw.match(/\/Subtype\s*\/Image/g)?.length ?? 0
	};
}

describe('what is handed over as a file', () => {
	it('is one page of text in embedded faces, with every word that is on screen and on paper', async () => {
		for (const index of job.zones.keys()) {
			const sheet = page(index);
			const pdf = await opened(await customerPdf({ pages: [sheet], firm, date: '25 November 2026' }));
			expect(pdf.pages, sheet.title).toBe(1);
			expect(pdf.fontFiles).toBeGreaterThanOrEqual(2);
			expect(pdf.images).toBe(0);
			const said = [
				sheet.title,
				...sheet.week.flatMap((day) => [day.days, day.sentence]),
				...[...sheet.left, ...sheet.right].flatMap((part) => [
					part.title,
					...part.lines.map((line) => line.text)
				]),
				...sheet.drawing.days.flatMap((day) => day.times.map((time) => time.text)),
				firm.name,
				firm.telephone
			];
			for (const words of said) expect(pdf.text, words).toContain(plain(words));
		}
	});

	it('has a customer’s own unit and clock, and large print', async () => {
		const usual = await opened(await customerPdf({ pages: [page(0)], firm, date: '' }));
		const other = await opened(
			await customerPdf({ pages: [page(0, { unit: 'F', clock: '12' })], firm, date: '', large: true })
		);
		expect(usual.text).toContain('20.5°C');
		expect(usual.text).not.toMatch(/°F(?!ri)/);
		expect(other.text).toMatch(/69°F|68\.9°F/);
		expect(other.text).toContain('4:50am');
		expect(other.pages).toBeGreaterThanOrEqual(1);
	});

	it('the installer’s record says what was overruled and why, and what changed from visit to visit', async () => {
		const at = (day: string) => `2026-${day}T10:00:00.000Z`;
		const left = (roomC: number, reason: string | null) =>
			job.zones.slice(0, 2).map((one, i) => ({
				id: String(i),
				zone: standingOf(one).zone,
				onSite: onSiteSchema.parse({ roomC, lockWanted: true, lockSet: true, lockCode: '4711' }),
				done: 1,
				of: 2,
				checks: [
					{ id: 'test-missing', severity: 'stop', sentence: 'The functional test was not made.', reason }
				]
			}));
		const visits = [
			visitSchema.parse({ at: at('01-10'), who: 'R. Tilling', signedOff: false, zones: left(18, null) }),
			visitSchema.parse({
				at: at('03-10'),
				who: 'M. Őrsi',
				signedOff: true,
				note: 'Cold hall',
				zones: left(20, 'Boiler away for repair')
			})
		];
		const pdf = await opened(
			await recordPdf({ site: job.site, firm, visits, now: visits[1]!, profiles: job.profiles, pictures: [] })
		);
		for (const words of [
			'Accepted: Boiler away for repair',
			'M. Őrsi, signed off',
			'The room: 18.0 °C → 20.0 °C.',
			'code 4711',
			'Cold hall'
		])
			expect(pdf.text).toContain(plain(words));
	});

	it('the customer’s page never says a lock code, a note or a day away', () => {
		const zone = {
			...job.zones[0]!,
			note: 'secret-note',
			onSite: onSiteSchema.parse({ lockCode: 'secret-code', foundNote: 'secret-found' })
		};
		const sheet = customerPage(zone, profileOf(zone), { name: 'S', place: '', timeZone: 'UTC' }, 0);
		expect(JSON.stringify(sheet)).not.toMatch(/secret/);
	});

	it('names in other scripts stand in faces that have them, from the right where they are read so', async () => {
		const names = ['Гостиная Анны', 'Αίθουσα χορού', 'מרפאת שיניים', 'غرفة الجلوس', 'ห้องนั่งเล่น', '客厅与书房'];
		for (const name of names)
			for (const letter of name.replace(/\s/g, '')) expect(faceOf(letter), letter).not.toBe('Text');
		const pages = names.map((name) => ({ ...page(0), title: name }));
		const pdf = await opened(await customerPdf({ pages, firm, date: '' }));
		// two of our own (regular and bold), and one for each script
		expect(pdf.fontFiles).toBeGreaterThanOrEqual(2 + names.length);
		const runs = (text: string) =>
			(words(text).text as { text: string; font: string }[]).map((run) => run.text);
		expect(runs('Bath 2, מרפאת שיניים')).toEqual(['Bath 2, ', 'שיניים', ' ', 'מרפאת']);
		for (const name of names.filter((_, i) => i !== 2 && i !== 3)) expect(pdf.text).toContain(plain(name));
	});
});
