import { expect, it } from 'vitest';
import { findProfile } from '$core/control';
import { newZone, withWanted } from '$core/plan';
import { buildWeek } from '$core/week';
import { answered, followed, leftBehind, noteBefore } from './followers';

const stat = findProfile('six-step-room-stat')!;
const drawn = (name: string, minute: number) =>
	withWanted(
		newZone(name, stat),
		buildWeek([
			{ at: minute, value: 'comfort' },
			{ at: 1320, value: 'eco' }
		])
	);
const listed = (id: string, document = drawn(id, 360)) => ({ id, name: id, revision: 1, document });

it('those that lived the same week are left behind by a change, until they follow or it was answered', () => {
	const zones = [listed('a'), listed('b'), listed('c', drawn('c', 400)), listed('d')];
	noteBefore('a', zones[0]!.document);
	expect(leftBehind('a', zones[0]!.document, zones, stat)).toEqual([]);
	const changed = { ...drawn('a', 330), grouping: '5+2', note: 'Mind the step.' };
	// the page is seen again after the change: how it stood stays
	noteBefore('a', changed);
	const behind = leftBehind('a', changed, zones, stat);
	expect(behind.map(({ id }) => id)).toEqual(['b', 'd']);

	const [first] = followed(changed, behind, stat);
	expect(first).toMatchObject({ id: 'b', revision: 1, zone: { name: 'b', note: '', grouping: '5+2' } });
	expect(first!.zone.wanted).toEqual(changed.wanted);

	answered('a', changed);
	expect(leftBehind('a', changed, zones, stat)).toEqual([]);
});

it('nobody is asked to follow a week that nobody had drawn', () => {
	const fresh = newZone('e', stat);
	noteBefore('e', fresh);
	expect(leftBehind('e', drawn('e', 360), [listed('f', newZone('f', stat))], stat)).toEqual([]);
});
