import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shippedProfiles } from '../control';
import { noNotes, withNote } from '../keying';
import { newZone, nothingNoted, siteSchema, withWanted } from '../plan';
import { buildWeek, WEEK_MINUTES } from '../week';
import { LARGEST_JOB_FILE, readJobFile, writeJobFile, type Job, type JobFile } from '.';

const demo = readdirSync('demo').filter((name) => name.endsWith('.job.json'));
const demoText = (name: string) => readFileSync(`demo/${name}`, 'utf8');

function sentence(text: string): string {
	const read = readJobFile(text);
	return read.ok ? 'read' : read.problem.sentence;
}

/** The bindery's file with one field changed. */
function changed(change: (job: JobFile) => unknown): string {
	const job = JSON.parse(demoText('tallow-quay-workshops.job.json')) as JobFile;
	return JSON.stringify(change(job) ?? job);
}

describe('the job file', () => {
	it.each(demo)('import and export of %s is the identity', (name) => {
		const read = readJobFile(demoText(name));
		if (!read.ok) throw new Error(read.problem.sentence);
		expect(writeJobFile(read.value)).toBe(demoText(name));
	});

	it.each(demo)(
		'%s as it was written before houses had sources opens with nothing fed or governed',
		(name) => {
			const job = JSON.parse(demoText(name)) as {
				site: Record<string, unknown>;
				zones: Record<string, unknown>[];
			};
			delete job.site.sources;
			for (const zone of job.zones) {
				delete zone.fedBy;
				delete zone.governs;
			}
			const read = readJobFile(JSON.stringify(job));
			if (!read.ok) throw new Error(read.problem.sentence);
			expect(read.value.site.sources).toEqual([]);
			expect(read.value.zones.every((zone) => zone.fedBy === null && zone.governs === null)).toBe(true);
		}
	);

	it('refuses heat in a circle and one source twice', () => {
		expect(
			sentence(
				changed((job) => ({
					...job,
					zones: job.zones.map((zone, i) =>
						i === 0 ? { ...zone, fedBy: 'boiler', governs: 'boiler' } : zone
					)
				}))
			)
		).toMatch(/is the source that this zone itself lets run: heat would go in a circle/);
		const boiler = { id: 'boiler', name: 'Boiler', kind: 'boiler' as const };
		expect(
			sentence(changed((job) => ({ ...job, site: { ...job.site, sources: [boiler, boiler] } })))
		).toMatch(/names one source twice/);
	});

	it('is the identity for any weeks, names and keyed values', () => {
		const anyZone = fc
			.record({
				name: fc
					.string({ minLength: 1, maxLength: 80, unit: 'grapheme' })
					.filter((s) => /^[^\p{Cc}]+$/u.test(s.trim()) && s.trim().length > 0 && s.length <= 80),
				profile: fc.constantFrom(...shippedProfiles),
				ats: fc.uniqueArray(fc.integer({ min: 0, max: WEEK_MINUTES - 1 }), { minLength: 1, maxLength: 30 }),
				picks: fc.infiniteStream(fc.nat(1)),
				keyed: fc.array(
					fc.record({
						what: fc.constantFrom('keyed' as const, 'read' as const, 'begun' as const),
						goals: fc.array(
							fc.record({
								of: fc.constant('option' as const),
								id: fc.constant('unit' as const),
								position: fc.constant(0)
							}),
							{ minLength: 1, maxLength: 2 }
						),
						by: fc.record({ from: fc.string({ maxLength: 9 }), number: fc.nat(), atMs: fc.nat() })
					}),
					{ maxLength: 4 }
				)
			})
			.map(({ name, profile, ats, picks, keyed }) => {
				const zone = newZone(name.trim(), profile);
				const week = buildWeek(
					ats.map((at) => ({ at, value: zone.levels[picks.next().value as number]!.id }))
				);
				const notes = keyed.reduce((all, note) => withNote(profile, all, note), noNotes(profile));
				return { ...withWanted(zone, week), notes, onSite: nothingNoted, hangsOn: 0 };
			});
		fc.assert(
			fc.property(fc.array(anyZone, { maxLength: 5 }), (zones) => {
				const job: Job = {
					site: siteSchema.parse({ name: 'S' }),
					weather: null,
					visits: [],
					calls: [],
					profiles: [],
					zones: zones.map((zone, i) => ({ ...zone, hangsOn: i }))
				};
				const text = writeJobFile(job);
				const read = readJobFile(text);
				if (!read.ok) throw new Error(read.problem.sentence);
				expect(read.value.zones.map(({ wanted }) => wanted)).toEqual(zones.map(({ wanted }) => wanted));
				expect(read.value.zones.map(({ notes }) => notes)).toEqual(zones.map(({ notes }) => notes));
				expect(writeJobFile(read.value)).toBe(text);
			}),
			{ numRuns: 60 }
		);
	});

	it('says where a text stops being JSON', () => {
		expect(sentence('{\n"format": fond')).toMatch(/not JSON.*line 2, column 1\d/);
		expect(sentence('')).toMatch(/not JSON/);
		expect(sentence('[1,2]')).toMatch(/not a job file/);
	});

	it('names the field that is wrong', () => {
		const cases: [string, string][] = [
			[
				changed((job) => ({ ...job, version: 7 })),
				'This job file has version 7; this program reads version 1, 2 and 3.'
			],
			[changed((job) => ({ ...job, sight: 1 })), 'The document has a field that is not known here: "sight".'],
			[
				changed((job) => void (job.zones[3]!.levels[0]!.setpointC = '21' as never)),
				'Zone 4, level 1, setpoint must be a number.'
			],
			[changed((job) => void delete (job.zones[1] as { name?: string }).name), 'Zone 2, name is missing.'],
			[
				changed((job) => void (job.zones[0]!.name = 'x'.repeat(500))),
				'Zone 1, name is longer than 80 characters.'
			],
			[
				changed((job) => void (job.controls[0]!.control = 'teapot')),
				'Control 1, control names a control that is neither in this file nor shipped ("teapot").'
			],
			[
				changed((job) => void (job.controls[0]!.grouping = '9-day')),
				'Control 1, day grouping names a day grouping that Six-step room stat does not offer ("9-day").'
			],
			[
				changed((job) => void (job.zones[0]!.wanted[2]!.at = 3)),
				'Zone 1, step of the wanted week 3, time does not come after the step before it.'
			],
			[
				changed((job) => void (job.zones[0]!.wanted[2]!.level = 'tepid')),
				'Zone 1, step of the wanted week 3, level names no level of this zone ("tepid").'
			],
			[
				changed((job) => void (job.zones[0]!.levels[1]!.letter = 'C')),
				'Zone 1, level 2, letter is used by two levels.'
			],
			[
				changed((job) => ({ ...job, zones: Array.from({ length: 2000 }, () => job.zones[0]) })),
				'Zones must be at most 200 entries.'
			]
		];
		for (const [text, words] of cases) expect(sentence(text)).toBe(words);
	});

	it('refuses a file far too large without reading it', () => {
		expect(sentence(' '.repeat(LARGEST_JOB_FILE + 1))).toMatch(/too large: 8\.0 MB/);
	});

	it('takes markup in a name as a name', () => {
		const read = readJobFile(changed((job) => void (job.site.name = '<script>alert(1)</script>')));
		expect(read.ok && read.value.site.name).toBe('<script>alert(1)</script>');
	});

	it('never throws on a mutated file', () => {
		const text = demoText('osier-lane-reading-room.job.json');
		fc.assert(
			fc.property(fc.nat(text.length - 1), fc.nat(40), fc.string({ maxLength: 12 }), (at, cut, put) => {
				expect(() => readJobFile(text.slice(0, at) + put + text.slice(at + cut))).not.toThrow();
			}),
			{ numRuns: 400 }
		);
	});
});
