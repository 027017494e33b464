import { expect, it } from 'vitest';
import { findProfile } from '$core/control';
import { settingsSchema } from '$core/plan';
import { settingsWithEntry } from './entrySettings';

it('keeps an entry where the program reckons with it, and takes it back to the plan', () => {
	const stat = findProfile('six-step-room-stat')!;
	const entry = (id: string, profile = stat) => profile.menu.find((one) => one.id === id)!;
	const none = settingsSchema.parse({});
	const limited = settingsWithEntry(none, entry('most'), 22);
	expect([limited.highLimitC, limited.menu]).toEqual([22, {}]);
	const band = settingsWithEntry(limited, entry('band'), 0.8);
	expect(band.menu).toEqual({ band: 0.8 });
	expect(settingsWithEntry(band, entry('band'), null)).toEqual(limited);
	const cooler = findProfile('heat-and-cool-stat')!;
	expect(settingsWithEntry(none, entry('works', cooler), 2).changeover).toBe('cool-only');
	expect(settingsWithEntry(none, entry('fan', cooler), 1).fan).toBe('on');
});
