import { describe, expect, it } from 'vitest';
import {
	blankProfile,
	findProfile,
	profileSchema,
	shippedProfiles,
	startingPanel,
	type ControlProfile,
	type Panel
} from '$core/control';
import { readKeys } from '$core/formats';
import {
	codeOf,
	handActs,
	modeNames,
	modesBy,
	modesOf,
	newAwayPlace,
	newPlace,
	put,
	writingKeys
} from './panelDraft';

const strip = findProfile('hour-strip-keypad')!.panel!;
const withKeys = (panel: Panel, text: string): Panel => {
	const read = readKeys(text, panel.keys);
	if (!read.ok) throw new Error(read.sentence);
	return { ...panel, keys: read.value };
};
const blank = (): ControlProfile => {
	const profile = blankProfile('Chapel stat', 'events');
	return { ...profile, panel: startingPanel(profile) };
};
const problems = (profile: unknown) => {
	const read = profileSchema.safeParse(profile);
	return read.success ? [] : read.error.issues.map(({ message }) => message);
};

describe('a panel that is being described', () => {
	it('writes a strip with keys that do nothing else in the week', () => {
		const keys = writingKeys(strip, 2);
		expect(keys).toEqual([
			{ do: 'press', key: 'plus', times: 1 },
			{ do: 'press', key: 'minus', times: 1 }
		]);
		const { take, day } = strip.program!;
		for (const more of writingKeys(strip, 9)) expect([take, day]).not.toContainEqual(more);
	});

	it('has two modes or none; they are led to by a slide that has as many positions, else by the last key', () => {
		expect(modeNames('Auto')).toBeNull();
		expect(modeNames(' Auto, , Off ')).toEqual(['Auto', 'Off']);
		const { panel } = blank();
		const plain = modesOf(panel!, ['Auto', 'Off']);
		expect(plain).toEqual({
			names: ['Auto', 'Off'],
			off: 'Off',
			next: { do: 'press', key: panel!.keys.at(-1)!.id, times: 1 },
			each: [],
			figures: {}
		});
		const slid = modesOf(withKeys(panel!, 'Menu, +, OK, −, Day; Switch: Run / Warm / Off'), [
			'Run',
			'Warm',
			'Off'
		]);
		expect(slid.next).toBeNull();
		expect(slid.each.map(([gesture]) => (gesture?.do === 'set' ? gesture.to : null))).toEqual([
			'Run',
			'Warm',
			'Off'
		]);
		// renamed, they are led to as before, and what one keeps goes with its name
		const led: Panel = { ...panel!, modes: { ...plain, figures: { Off: 'frost', Auto: 'kept' } } };
		expect(modesOf(led, ['Run', 'Off'])).toEqual({
			...plain,
			names: ['Run', 'Off'],
			figures: { Off: 'frost' }
		});
	});

	it('goes through its modes by one gesture, or to each by a way that can be told from the others', () => {
		const { panel } = blank();
		const led: Panel = { ...panel!, modes: modesOf(panel!, ['Auto', 'Manual', 'Off']) };
		const each = modesBy(led, undefined);
		expect(each.next).toBeNull();
		expect(new Set(each.each.map((way) => JSON.stringify(way))).size).toBe(3);
		expect(modesBy({ ...led, modes: each }, led.modes!.next!).each).toEqual([]);
		expect(problems({ ...blank(), panel: { ...led, modes: each } })).toEqual([]);
	});

	it('gets a menu whose keys are those of its week, and one for being away with what its absence takes', () => {
		const profile = blank();
		expect(newPlace(profile.panel!, 'clock-hour')).toMatchObject({
			up: 'plus',
			down: 'minus',
			fields: ['clock-hour']
		});
		expect(newAwayPlace(profile)).toBeNull();
		const dated: ControlProfile = {
			...profile,
			habits: { ...profile.habits, holiday: { by: 'return-date', ends: 'midnight', how: '' } }
		};
		const away = newAwayPlace(dated)!;
		expect(away.fields).toEqual(['back-month', 'back-day']);
		const described = { ...dated, panel: { ...dated.panel!, places: [...dated.panel!.places, away] } };
		expect(problems(described)).toEqual([]);
		expect(newAwayPlace(described)).toBeNull();
	});

	it('asks for a code of so many figures with the keys of its week, and comes with noughts', () => {
		const stat = findProfile('six-step-room-stat')!;
		const panel = stat.panel!;
		const code = codeOf(panel, 4)!;
		expect([code.factory, code.up, code.down]).toEqual(['0000', panel.program!.up, panel.program!.down]);
		const locked = { ...panel, lock: { ...panel.lock!, code: { ...code, factory: '1234' } } };
		expect(problems({ ...stat, panel: locked })).toEqual([]);
		expect([codeOf(locked, 2)?.factory, codeOf(locked, 6)?.factory, codeOf(locked, null)]).toEqual([
			'12',
			'123400',
			null
		]);
		expect(
			problems({ ...stat, panel: { ...locked, lock: { ...locked.lock, code: { ...code, digits: 3 } } } })
		).toEqual([expect.stringContaining('must have as many figures as the code')]);
	});

	it('asks for what the household does at it as far as it has that, and every way of a shipped one is asked for', () => {
		expect(handActs(blank())).toEqual([]);
		for (const profile of shippedProfiles) {
			const asked = handActs(profile).map(([act]) => act as string);
			for (const act of Object.keys(profile.panel?.hand ?? {})) expect(asked, profile.id).toContain(act);
		}
	});

	it('keeps a record with, or without, one entry', () => {
		const both: Record<string, number> = { a: 1, b: 2 };
		expect(put(both, 'a', undefined)).toEqual({ b: 2 });
		expect(put(both, 'c', 3)).toEqual({ a: 1, b: 2, c: 3 });
	});
});
