import type { Column, Content } from 'pdfmake/interfaces';
import type { Firm } from '$core/record';
import { print, together, words } from './printer';
import { type CustomerPage, type CustomerPart, type PrintedWeekDrawing } from '$core/words';

const escape = (text: string) => text.replace(/[&<>]/g, (letter) => `&#${letter.charCodeAt(0)};`);

/** The week's drawing as SVG, black on white, as it is printed. */
export function weekSvg(drawing: PrintedWeekDrawing): string {
	const days = drawing.days.map((day) => {
		const said = [...day.times, ...day.figures].map(
			(word) =>
				`<text x="${word.x}" y="${word.y}" text-anchor="${word.anchor}" font-size="10.5" font-family="Text">${escape(word.text)}</text>`
		);
		return `<g transform="translate(${drawing.left} ${day.top})"><text x="${-drawing.left}" y="${drawing.foot - 8}" font-size="14" font-weight="bold" font-family="Text">${day.name}</text><path d="${day.area}" fill="#ebebeb"/><path d="${day.line}" fill="none" stroke="#000" stroke-width="1.8"/><line x1="0" x2="${drawing.span}" y1="${drawing.foot}" y2="${drawing.foot}" stroke="#000" stroke-width="0.5"/>${said.join('')}</g>`;
	});
	return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${drawing.width} ${drawing.height}" width="${drawing.width}" height="${drawing.height}">${days.join('')}</svg>`;
}

function part({ title, lines, list }: CustomerPart, size: number): Content[] {
	const said = lines.map((line): Content =>
		line.strong ? { text: [words(line.strong, { bold: true }), ' ', words(line.text)] } : words(line.text)
	);
	// a heading stays with its text
	return [
		together(
			{ ...words(title, { bold: true }), fontSize: size * 1.1, margin: [0, 5, 0, 2] },
			list ? { ul: said } : { stack: said }
		)
	];
}

/** About how much room parts take, in letters: a heading and each line take some of their own. */
const roomOf = (parts: readonly CustomerPart[]) =>
	parts.reduce(
		(sum, { title, lines }) =>
			lines.reduce(
				(all, line) => all + 30 + (line.strong ?? '').length + line.text.length,
				sum + title.length + 60
			),
		0
	);

/** The parts in two columns: the last of the right goes to the left where that is the shorter for it. */
function columnsOf({ left, right }: CustomerPage): [CustomerPart[], CustomerPart[]] {
	const moved: [CustomerPart[], CustomerPart[]] = [[...left, ...right.slice(-1)], right.slice(0, -1)];
	const longer = (columns: readonly (readonly CustomerPart[])[]) => Math.max(...columns.map(roomOf));
	return longer(moved) < longer([left, right]) ? moved : [[...left], [...right]];
}

/** From so many letters a column on it is set a little smaller, so that a page stays one page; in points. */
const SIZES: readonly (readonly [letters: number, size: number])[] = [
	[1150, 8.9],
	[1000, 9.4],
	[0, 10]
];

function sizeOf(columns: readonly (readonly CustomerPart[])[], large: boolean): number {
	if (large) return 15;
	const letters = Math.max(...columns.map(roomOf));
	return SIZES.find(([most]) => letters >= most)![1];
}

const logo = (image: string): Column => ({ image, fit: [140, 45], width: 150 });
const blank = '______________________';

/** What customers' pages are printed from. */
export interface PrintedPages {
	readonly pages: readonly CustomerPage[];
	readonly firm: Firm;
	readonly date: string;
	readonly large?: boolean;
}

/** The customer's page as a PDF: the same words as on screen and on paper. Large print may take two pages. */
export async function customerPdf({
	pages,
	firm,
	date,
	large = false
}: PrintedPages): Promise<Uint8Array<ArrayBuffer>> {
	const content = pages.flatMap((page, i): Content[] => {
		const columns = columnsOf(page);
		const size = sizeOf(columns, large);
		return [
			{
				columns: [
					{
						width: '*',
						stack: [{ ...words(page.title, { bold: true }), fontSize: large ? 20 : 17 }, words(page.place)]
					},
					...(firm.logo ? [logo(firm.logo)] : []),
					{ ...words(date), width: 'auto' } as Column
				],
				columnGap: 10,
				...(i > 0 ? { pageBreak: 'before' as const } : {})
			},
			{
				canvas: [{ type: 'line', x1: 0, y1: 0, x2: 511, y2: 0, lineWidth: 1.5 }],
				margin: [0, 6, 0, 6]
			},
			{ svg: weekSvg(page.drawing), width: 511 },
			...page.week.map((day): Content => ({
				text: [words(`${day.days}: `, { bold: true }), words(day.sentence)],
				fontSize: large ? 14.5 : 10.5,
				margin: [0, 2, 0, 0]
			})),
			...(page.cooling.length > 0
				? part(
						{
							title: 'In warm weather it cools above',
							list: false,
							lines: page.cooling.map((day) => ({ strong: `${day.days}:`, text: day.sentence }))
						},
						size
					)
				: []),
			large
				? { stack: [...page.left, ...page.right].flatMap((one) => part(one, size)) }
				: {
						columns: [
							...columns.map((parts): Column => ({
								width: '*',
								fontSize: size,
								stack: parts.flatMap((one) => part(one, size))
							}))
						],
						columnGap: 22
					},
			{
				...words(
					`Control: ${page.control}. Set up by: ${[page.setUpBy, firm.name].filter(Boolean).join(', ') || blank}. Telephone: ${firm.telephone || blank}`
				),
				margin: [0, 12, 0, 0]
			} as Content
		];
	});
	return print({
		content,
		defaultStyle: { fontSize: sizeOf([[]], large) },
		info: { title: pages[0]?.title ?? 'Your heating week' }
	});
}
