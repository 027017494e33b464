import type { Content, TableCell } from 'pdfmake/interfaces';
import { dateOfDay, dateWords, localTime, wallAt } from '$core/civil';
import {
	allowedOptions,
	differenceWords,
	setpointWithUnit,
	temperatureWords,
	type ControlProfile
} from '$core/control';
import { fitZone } from '$core/fit';
import { heldInWords, changesBetween, leftAsWords } from '$core/words';
import {
	offsetOf,
	onSiteValueWords,
	TEST_STANDING_WORDS,
	TEST_WORDS,
	testStanding,
	type Site
} from '$core/plan';
import { lastWhole, visitBefore, type Firm, type Visit } from '$core/record';
import { profileOf } from '$core/control';
import { print, together, words } from './printer';

const heading = (text: string, fontSize: number, top: number): Content => ({
	...words(text, { bold: true }),
	fontSize,
	margin: [0, top, 0, 3]
});
const cell = (text: string, bold = false): TableCell => words(text, { bold });
const yes = (value: boolean | null) => (value === null ? 'not recorded' : value ? 'yes' : 'no');

/** A picture of a visit as it is printed. */
export interface RecordPicture {
	/** The end of its visit; null for one that goes on. */
	readonly visitAt: string | null;
	readonly zone: string;
	readonly caption: string;
	readonly jpeg: Uint8Array;
}

/** What a record is printed from. */
export interface PrintedRecord {
	readonly site: Site;
	readonly firm: Firm;
	readonly visits: readonly Visit[];
	/** As everything stands now. */
	readonly now: Visit;
	/** The profiles that came with the site. */
	readonly profiles: readonly ControlProfile[];
	readonly pictures: readonly RecordPicture[];
}

/** Pictures two by two, each with its words under it. */
function printed(pictures: readonly RecordPicture[]): Content[] {
	const one = ({ zone, caption, jpeg }: RecordPicture): Content => ({
		stack: [
			{ image: `data:image/jpeg;base64,${Buffer.from(jpeg).toString('base64')}`, fit: [235, 176] },
			words([zone, caption].filter(Boolean).join(': '))
		],
		unbreakable: true,
		margin: [0, 4, 0, 4]
	});
	return Array.from({ length: Math.ceil(pictures.length / 2) }, (_, row): Content => ({
		columns: pictures.slice(2 * row, 2 * row + 2).map(one),
		columnGap: 12
	}));
}

/**
 * The installer's record of a site as a PDF: each visit with what it changed, and how its last one left every zone;
 * checks with the reasons with which they were overruled. What of it a role may not see was cut before.
 */
export async function recordPdf({
	site,
	firm,
	visits,
	now,
	profiles,
	pictures
}: PrintedRecord): Promise<Uint8Array<ArrayBuffer>> {
	const when = (at: string) => {
		const wall = wallAt(site.timeZone, Date.parse(at));
		return `${dateWords(dateOfDay(Math.floor(wall / 1440)))} ${localTime(wall).slice(11)}`;
	};
	const kept = visits.map((visit) => ({ visit }));
	const state = lastWhole(kept)?.visit ?? now;
	const zones = state.zones.flatMap(({ zone, onSite, done, of, checks }): Content[] => {
		const profile = profileOf(zone, profiles);
		const options = allowedOptions(profile, zone.options);
		const { chosen } = fitZone(zone, profile);
		const offset = offsetOf(onSite.offsetReadings);
		const facts: [string, string][] = [
			['Control', profile.name.toLowerCase()],
			['Day grouping', chosen.grouping.name],
			[
				'Levels',
				zone.levels
					.map(
						(level) =>
							`${level.name} ${setpointWithUnit(profile, options, level.setpointC)}${level.coolC === null ? '' : `, cooling above ${setpointWithUnit(profile, options, level.coolC)}`}`
					)
					.join('; ')
			],
			['Keyed', `${done} of ${of} values`],
			['Found in', onSiteValueWords('foundIn', onSite.foundIn, options.unit)],
			['Left in', onSiteValueWords('leftIn', onSite.leftIn, options.unit)],
			['Frost protection on', yes(onSite.frostOn)],
			...(offset
				? [
						[
							'Offset',
							`${differenceWords(options.unit, offset.offsetK)} (spread ${differenceWords(options.unit, offset.spreadK, 2)} of ${onSite.offsetReadings.length} readings); keyed ${onSite.offsetSetK === null ? 'none' : differenceWords(options.unit, onSite.offsetSetK)}`
						] as [string, string]
					]
				: []),
			...(onSite.batteriesOn ? [['Batteries of', onSite.batteriesOn] as [string, string]] : []),
			...(onSite.lockWanted
				? [
						['Locked', `${yes(onSite.lockSet)}${onSite.lockCode ? `, code ${onSite.lockCode}` : ''}`] as [
							string,
							string
						]
					]
				: []),
			...(['roomC', 'floorC', 'supplyC', 'storeC'] as const).flatMap((key): [string, string][] =>
				onSite[key] === null
					? []
					: [
							[
								{ roomC: 'Room', floorC: 'Floor', supplyC: 'Supply', storeC: 'Cylinder' }[key],
								temperatureWords(options.unit, onSite[key])
							]
						]
			),
			[
				'Functional test',
				`${TEST_STANDING_WORDS[testStanding(onSite.test)]}${onSite.test.length > 0 ? `: ${onSite.test.map((step) => `${TEST_WORDS[step.step]} ${when(step.at).slice(-5)}${step.readingC === null ? '' : ` (${temperatureWords(options.unit, step.readingC)})`}`).join(', ')}` : ''}`
			]
		];
		const parts: Content[] = [
			heading(zone.name, 12, 10),
			{
				table: { widths: [110, '*'], body: facts.map(([name, value]) => [cell(name, true), cell(value)]) },
				layout: 'lightHorizontalLines'
			},
			...heldInWords(chosen.held, profile, options).map((day): Content => ({
				text: [words(`${day.name}: `, { bold: true }), words(day.sentence)],
				margin: [0, 2, 0, 0]
			})),
			...(chosen.heldCool
				? heldInWords(chosen.heldCool, profile, options).map((day): Content => ({
						text: [words(`${day.name}, cooling above: `, { bold: true }), words(day.sentence)],
						margin: [0, 2, 0, 0]
					}))
				: []),
			...(checks.length > 0
				? [
						{
							ul: checks.map((check): Content =>
								words(
									`${check.severity}: ${check.sentence}${check.reason === null ? '' : ` Accepted: ${check.reason}`}`
								)
							),
							margin: [0, 4, 0, 0] as [number, number, number, number]
						}
					]
				: [])
		];
		// what is said of a zone stands on one page
		return [together(...parts)];
	});
	const history = [...kept].reverse().flatMap((one): Content[] => {
		const { visit } = one;
		const before = visitBefore(kept, one);
		const changes = before ? changesBetween(before.visit, visit, (zone) => profileOf(zone, profiles)) : [];
		const said: Content[] = [
			heading(`${when(visit.at)}: ${visit.who}, ${leftAsWords(visit)}`, 10.5, 6),
			...(visit.note ? [words(visit.note)] : []),
			...changes.map((zone): Content => words(`${zone.name}: ${zone.sentences.join(' ')}`))
		];
		const [first, ...more] = printed(pictures.filter((picture) => picture.visitAt === visit.at));
		return [together(...said, ...(first ? [first] : [])), ...more];
	});
	return print({
		info: { title: `${site.name}, the record` },
		content: [
			heading(`${site.name}: the record`, 17, 0),
			words([site.place, firm.name, firm.telephone].filter(Boolean).join(' · ')),
			words(
				lastWhole(kept)
					? `As the visit of ${when(state.at)} left it.`
					: 'No visit is kept yet: as everything stands now.'
			),
			...zones,
			together(heading('Visits, the latest first', 12, 12), history[0] ?? words('None.')),
			...history.slice(1),
			...printed(pictures.filter((picture) => picture.visitAt === null))
		],
		footer: (page: number, pages: number) =>
			({
				...words(`${site.name} · ${page} of ${pages}`),
				alignment: 'center',
				fontSize: 8
			}) as Content
	});
}
