/**
 * `npm run docs:formats`: the field lists of the file formats, made from the schemas that read them, into
 * docs/formats/. A test holds that what is committed is what the schemas say.
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { z } from 'zod';
import { controlFileSchema, jobSchema } from '../src/core/formats';

interface Node {
	readonly type?: string | string[];
	readonly const?: unknown;
	readonly enum?: readonly unknown[];
	readonly properties?: Readonly<Record<string, Node>>;
	readonly required?: readonly string[];
	readonly items?: Node;
	readonly prefixItems?: readonly Node[];
	readonly additionalProperties?: Node | boolean;
	readonly anyOf?: readonly Node[];
	readonly oneOf?: readonly Node[];
	readonly default?: unknown;
	readonly minimum?: number;
	readonly maximum?: number;
	readonly minLength?: number;
	readonly maxLength?: number;
	readonly minItems?: number;
	readonly maxItems?: number;
	readonly pattern?: string;
}

const words: Record<string, string> = {
	string: 'text',
	number: 'number',
	integer: 'whole number',
	boolean: 'true or false',
	null: 'null',
	array: 'list',
	object: 'record'
};

const code = (value: unknown) => `\`${JSON.stringify(value)}\``;

function range(low: number | undefined, high: number | undefined, unit: string): string {
	const whole = (n: number | undefined) => (n !== undefined && Math.abs(n) < 2 ** 53 - 1 ? n : undefined);
	const [from, to] = [whole(low), whole(high)];
	if (from === undefined && to === undefined) return '';
	if (to === undefined) return `, at least ${from}${unit}`;
	return from === undefined || from === to
		? `, ${from ?? 'at most'} ${to}${unit}`.replace(/(\d+) \1/, '$1')
		: `, ${from} to ${to}${unit}`;
}

/** What may stand in a place, in words. */
function kind(node: Node): string {
	if (node.const !== undefined) return code(node.const);
	if (node.enum) return node.enum.map(code).join(' or ');
	const choices = node.anyOf ?? node.oneOf;
	if (choices) return [...new Set(choices.map(kind))].join(' or ');
	switch (node.type) {
		case 'string':
			return `text${range(node.minLength || undefined, node.maxLength, ' characters')}`;
		case 'number':
		case 'integer':
			return `${words[node.type]}${range(node.minimum, node.maximum, '')}`;
		case 'array':
			return `list${range(node.minItems, node.maxItems, ' entries')}`;
		default:
			return words[String(node.type)] ?? 'anything';
	}
}

type Row = readonly [field: string, kind: string, missing: string];

function rowsOf(node: Node, field: string, missing: string): Row[] {
	const rows: Row[] = [[field, kind(node), missing]];
	const inside = (n: Node): Row[] => {
		const choices = n.anyOf ?? n.oneOf;
		if (choices) {
			const seen = new Set<string>();
			return choices
				.flatMap(inside)
				.filter(([name, what]) => !seen.has(name + what) && seen.add(name + what));
		}
		if (n.properties)
			return Object.entries(n.properties).flatMap(([name, child]) => {
				const needed = n.required?.includes(name) ?? false;
				const absent = child.default !== undefined ? code(child.default) : needed ? 'refused' : 'left out';
				return rowsOf(child, `${field === '' ? '' : `${field}.`}${name}`, absent);
			});
		if (n.items) return rowsOf(n.items, `${field}[]`, '').slice(n.items.properties || n.items.oneOf ? 1 : 0);
		if (n.prefixItems) return n.prefixItems.flatMap((child, i) => rowsOf(child, `${field}[${i}]`, ''));
		return [];
	};
	rows.push(...inside(node));
	return rows;
}

function page(title: string, about: string, schema: z.ZodType): string {
	const root = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as Node;
	const rows = rowsOf(root, '', 'refused').slice(1);
	const table = rows.map(
		([field, what, missing]) => `| \`${field}\` | ${what.replaceAll('|', '\\|')} | ${missing} |`
	);
	return [
		`# ${title}`,
		'',
		about,
		'',
		'| field | may be | where missing |',
		'| --- | --- | --- |',
		...table,
		''
	].join('\n');
}

/** The pages by file name. */
export function formatPages(): Record<string, string> {
	const made = 'Made from the schema by `npm run docs:formats`; what each field means stands in';
	return {
		'job-file-fields.md': page('Fields of a job file', `${made} [job-file.md](../job-file.md).`, jobSchema),
		'control-file-fields.md': page(
			'Fields of a control file',
			`${made} [control-file.md](../control-file.md).`,
			controlFileSchema
		)
	};
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
	const folder = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..', 'docs', 'formats');
	mkdirSync(folder, { recursive: true });
	for (const [name, text] of Object.entries(formatPages())) writeFileSync(path.join(folder, name), text);
}
