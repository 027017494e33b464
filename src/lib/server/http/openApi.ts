import { z } from 'zod';
import { conflictResponse, controlConflictResponse, problemResponse } from '$core/formats';
import { refusalsOf } from './operation';
import { operations } from './operations';

const refusalWords: Record<number, string> = {
	400: 'Not JSON',
	401: 'Not signed in, where that is wanted',
	403: 'Not for this role',
	404: 'Not there',
	409: 'Changed meanwhile, or full',
	412: 'Changed since the mark that was sent',
	413: 'Too large',
	415: 'Does not say that it is JSON',
	422: 'A field is wrong; the path says which',
	503: 'Too much to do just now, or stopping: try again later'
};

function body(schema: z.ZodType, direction: 'input' | 'output') {
	const { $schema: _, ...document } = z.toJSONSchema(schema, { io: direction, unrepresentable: 'any' });
	return { 'application/json': { schema: document } };
}

/** The OpenAPI 3.1 document of the API, made from the schemas that the routes check with. */
export function openApi() {
	const paths: Record<string, Record<string, unknown>> = {};
	for (const op of operations) {
		const parameters = [...op.path.matchAll(/\{(\w+)\}/g)].map((match) => ({
			name: match[1],
			in: 'path',
			required: true,
			schema: { type: 'string' }
		}));
		const success = op.gives ? (op.created ? '201' : '200') : op.text ? '200' : '204';
		(paths[op.path] ??= {})[op.method] = {
			operationId: op.id,
			summary: op.summary,
			'x-least-role': op.role,
			...(parameters.length > 0 ? { parameters } : {}),
			...(op.file
				? {
						requestBody: {
							required: true,
							content: { [op.file]: { schema: { type: 'string', format: 'binary' } } }
						}
					}
				: {}),
			...(op.takes ? { requestBody: { required: true, content: body(op.takes, 'input') } } : {}),
			responses: {
				[success]: {
					description: 'Done',
					...(op.gives ? { content: body(op.gives, 'output') } : {}),
					...(op.text ? { content: { [op.text]: { schema: { type: 'string' } } } } : {})
				},
				...Object.fromEntries(
					refusalsOf(op).map((status) => [
						String(status),
						{
							description: refusalWords[status],
							content: body(
								status === 409
									? z.union([conflictResponse, controlConflictResponse, problemResponse])
									: problemResponse,
								'output'
							)
						}
					])
				)
			}
		};
	}
	return {
		openapi: '3.1.0',
		info: {
			title: 'Fond Quarter',
			version: '1',
			description:
				'Fits a wanted week to what a heating control can hold and says what to key in. Times are week minutes (Monday 00:00 = 0), temperatures °C.'
		},
		paths
	};
}
