import { menuEntrySchema, type MenuEntry } from '../control';

type Values = MenuEntry['values'];

/** The values of an entry as a person writes them: "Air / Floor / Both", "20 to 40 °C", "0.2 to 3 by 0.1 K". */
export function writeValues(values: Values): string {
	switch (values.kind) {
		case 'choices':
			return values.choices.map(({ shows }) => shows).join(' / ');
		case 'degrees':
			return `${values.minC} to ${values.maxC} °C`;
		case 'figure':
			return `${values.min} to ${values.max} by ${values.step}${values.unit && ` ${values.unit}`}`;
	}
}

const number = '(-?\\d+(?:[.,]\\d+)?)';
const RANGE = new RegExp(`^${number}\\s*(?:to|–|-)\\s*${number}(?:\\s*by\\s*${number})?\\s*(.*)$`, 'i');
const figure = (text: string) => Number(text.replace(',', '.'));

/**
 * Values read as {@link writeValues} writes them. What a choice says is kept for one that was there `before` under the same
 * word. A range without a step goes by ones.
 */
export function readValues(
	text: string,
	before: Values
): { readonly ok: true; readonly value: Values } | { readonly ok: false; readonly sentence: string } {
	const range = RANGE.exec(text.trim().replace(/\u2212/g, '-'));
	const [, low, high, step, unit = ''] = range ?? [];
	const known = before.kind === 'choices' ? before.choices : [];
	const made = range
		? /^°?\s*c$/i.test(unit)
			? { kind: 'degrees', minC: figure(low!), maxC: figure(high!) }
			: {
					kind: 'figure',
					unit: unit.trim(),
					min: figure(low!),
					max: figure(high!),
					step: figure(step ?? '1')
				}
		: {
				kind: 'choices',
				choices: text
					.split('/')
					.map((shows) => shows.trim())
					.filter((shows) => shows !== '')
					.map((shows) => ({ shows, is: known.find((one) => one.shows === shows)?.is ?? '' }))
			};
	const read = menuEntrySchema.shape.values.safeParse(made);
	return read.success
		? { ok: true, value: read.data }
		: {
				ok: false,
				sentence:
					'Write the values with a slash between, as Air / Floor, or a range, as 20 to 40 °C or 0.2 to 3 by 0.1 K.'
			};
}
