import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	allowedOptions,
	blankProfile,
	celsiusToFahrenheit,
	displayDay,
	displaySetpoint,
	displayTime,
	factoryOptions,
	findProfile,
	groupName,
	profileSchema,
	setpointWithUnit,
	shippedProfiles,
	slugOf,
	withForm,
	type ProgramForm
} from '.';

const stat = findProfile('six-step-room-stat')!;
const celsius = { ...factoryOptions(stat), unit: 'C' as const };
const FORMS: ProgramForm['form'][] = ['events', 'slots', 'pairs', 'plain'];

describe('what a control shows', () => {
	it('of a time is that very minute, on either clock', () => {
		for (let minute = 0; minute < 1440; minute++) {
			const [, h24, m24] = /^(\d\d):(\d\d)$/.exec(displayTime(minute, '24'))!;
			expect(Number(h24) * 60 + Number(m24)).toBe(minute);
			const [, h12, m12, half] = /^(\d{1,2}):(\d\d) (am|pm)$/.exec(displayTime(minute, '12'))!;
			expect((Number(h12) % 12) * 60 + Number(m12) + (half === 'pm' ? 720 : 0)).toBe(minute);
			expect(Number(h12)).toBeGreaterThan(0);
		}
		// the end of a day, which a 12-hour clock does not tell from its start
		expect([displayTime(1440, '24'), displayTime(1440, '12')]).toEqual(['24:00', '12:00 am']);
	});

	it('of a setpoint is what NIST SP 811 makes of it in °F, in whole degrees', () => {
		// NIST SP 811, Appendix B.8: t/°F = 1.8 t/°C + 32; 21 °C = 69.8 °F
		expect(celsiusToFahrenheit(21)).toBeCloseTo(69.8, 10);
		const fahrenheit = { ...celsius, unit: 'F' as const };
		expect(setpointWithUnit(stat, fahrenheit, 21)).toBe('70\u00a0°F');
		expect(setpointWithUnit(stat, celsius, 21)).toBe('21.0\u00a0°C');
		const timer = shippedProfiles.find((one) => one.temperature === null)!;
		expect([1, 0].map((on) => displaySetpoint(timer, factoryOptions(timer), on))).toEqual(['On', 'Off']);
	});

	it('of a day is its name or its figure, whichever day is the first', () => {
		const days = (dayNumbering: typeof stat.dayNumbering) =>
			[0, 1, 2, 3, 4, 5, 6].map((day) => displayDay({ ...stat, dayNumbering }, day)).join(' ');
		expect(days('names')).toBe('Mon Tue Wed Thu Fri Sat Sun');
		expect(days('monday-is-1')).toBe('1 2 3 4 5 6 7');
		expect(days('sunday-is-1')).toBe('2 3 4 5 6 7 1');
		expect([[2], [0, 1, 2, 3, 4], [0, 1, 2, 3, 4, 5, 6]].map(groupName)).toEqual([
			'Wednesday',
			'Mon–Fri',
			'Every day'
		]);
	});
});

describe('a control described from scratch', () => {
	it('is sound in every form, and stays so through every change of form', () => {
		fc.assert(
			fc.property(fc.constantFrom(...FORMS), fc.array(fc.constantFrom(...FORMS)), (first, forms) => {
				let profile = blankProfile('Hall dial', first);
				for (const form of forms) {
					profile = withForm(profile, form);
					expect(profileSchema.safeParse(profile).success).toBe(true);
					expect(profile.program.form).toBe(form);
					expect(profile.temperature === null).toBe(form === 'pairs');
				}
			})
		);
	});

	it('may have any shipped one for its start', () => {
		for (const profile of shippedProfiles)
			for (const form of FORMS) {
				const { error } = profileSchema.safeParse(withForm(profile, form));
				expect(error?.issues ?? [], `${profile.id} as ${form}`).toEqual([]);
			}
	});

	it('has an id made of any name', () => {
		expect(slugOf('Crèche floor (2. OG)')).toBe('creche-floor-2-og');
		expect([slugOf('—'), slugOf('')]).toEqual(['control', 'control']);
		fc.assert(
			fc.property(fc.string({ unit: 'binary', maxLength: 200 }), (name) => {
				expect(slugOf(name)).toMatch(/^(?=.{1,56}$)[a-z0-9]+(-[a-z0-9]+)*$/);
			})
		);
	});

	it('takes no option that it does not offer', () => {
		for (const profile of shippedProfiles) {
			const wild = { unit: 'F', clock: '12', perDay: 11, channel: 3, plain: true } as const;
			const allowed = allowedOptions(profile, wild);
			expect(allowedOptions(profile, allowed)).toEqual(allowed);
			expect(profile.clockFormats).toContain(allowed.clock);
			expect(allowed.plain).toBe(profile.canBePlain);
			if (profile.temperature) expect(profile.temperature.units).toContain(allowed.unit);
			expect(allowedOptions(profile, factoryOptions(profile))).toEqual(factoryOptions(profile));
		}
	});
});
