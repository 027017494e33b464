import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { instantOf, wallMinute } from '$core/civil';
import { findProfile } from '$core/control';
import { isOperable } from '$core/machine';
import { roomSchema } from '$core/plan';
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

it('the shipped log, three nights of a stand-in, gives back the loss of the room that it hung in, not that of a survey', () => {
	const text = readFileSync('demo/porters-lodge.log.csv', 'utf8');
	const read = readLogger(text, { outdoorC: 3 });
	if (!read.ok) throw new Error(read.problem.sentence);
	// as scripts/demoLog.ts has it
	const truth = roomSchema.parse({
		floorAreaM2: 9,
		heightM: 2.4,
		build: 'medium',
		loss: { by: 'figure', wattsPerKelvin: 27 },
		emitter: { kind: 'electric-panel', ratedW: 1000 }
	});
	const surveyed = roomSchema.parse({ ...truth, loss: { by: 'survey', insulation: 'good', exposedM2: 12 } });
	const measured = measureRoom(surveyed, read.value.log);
	if (!('timeConstantHours' in measured)) throw new Error(JSON.stringify(measured));
	const hours = (room: typeof truth) => timeConstantHours(roomModel(room));
	expect(measured.timeConstantHours.value / hours(truth)).toBeGreaterThan(0.75);
	expect(measured.timeConstantHours.value / hours(truth)).toBeLessThan(1.3);
	expect(hours(surveyed) / hours(truth)).toBeGreaterThan(1.5);
});
