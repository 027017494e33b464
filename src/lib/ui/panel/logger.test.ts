import { expect, it } from 'vitest';
import { instantOf, wallMinute } from '$core/civil';
import { findProfile } from '$core/control';
import { isOperable } from '$core/machine';
import { begin, pass } from '$core/rehearsal';
import { measureRoom, roomModel, timeConstantHours } from '$core/thermal';
import { readLogger, writeLog } from '$core/formats';

it('the log of a stand-in is read as a logger’s, and gives its room back', () => {
	const profile = findProfile('six-step-room-stat')!;
	if (!isOperable(profile)) throw new Error('its panel is described');
	const begun = begin(profile, instantOf('Europe/Dublin', wallMinute('2026-01-05T00:00')), {
		timeZone: 'Europe/Dublin',
		outdoorC: 3
	});
	const world = pass(begun, 4 * 86_400);
	const text = writeLog(world.log, 'Europe/Dublin');
	expect(text.split('\n').slice(0, 2)).toEqual([
		'time;room;outdoor;heating',
		expect.stringMatching(/^2026-01-05 00:05;\d\d\.\d\d;-?\d\.\d\d;[01]$/)
	]);
	const read = readLogger(text, { outdoorC: 3 });
	if (!read.ok) throw new Error(read.problem.sentence);
	const { room } = world.around;
	const measured = measureRoom(room, read.value.log);
	const truth = timeConstantHours(roomModel(room));
	if (!('timeConstantHours' in measured)) throw new Error(JSON.stringify(measured));
	expect(measured.timeConstantHours.value / truth).toBeGreaterThan(0.8);
	expect(measured.timeConstantHours.value / truth).toBeLessThan(1.25);
});
