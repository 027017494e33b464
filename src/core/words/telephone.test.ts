import { expect, it } from 'vitest';
import { telephoneParts } from '.';

it('what can be dialled in a note stands apart, and nothing else does', () => {
	const dialled = (line: string) => telephoneParts(line).flatMap(({ telephone }) => telephone ?? []);
	const line = '12 Quay Street · key with the caretaker, +44 (0)1555 010-1122; since 2026-11-30';
	expect(dialled(line)).toEqual(['+44015550101122']);
	expect(
		telephoneParts(line)
			.map(({ text }) => text)
			.join('')
	).toBe(line);
	expect(dialled('flat 3, 4 of 12, 07:30 to 09:00, 20.5 °C, since 25.10.2026 14 h, 10/25/2026')).toEqual([]);
	expect(dialled('01 555 0101 or 555.0102.33')).toEqual(['015550101', '555010233']);
	expect(telephoneParts('')).toEqual([]);
});
