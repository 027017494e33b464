import { standardGroupings } from './groupings';
import { profileSchema, type ControlProfile, type ProgramForm } from './profile';

const programs: Record<ProgramForm['form'], ProgramForm> = {
	events: {
		form: 'events',
		stepMinutes: 10,
		perDay: [4],
		clearable: false,
		weekend: null,
		modes: null,
		beforeFirst: 'carried',
		eventNames: null
	},
	slots: { form: 'slots', slotMinutes: 60, settings: ['comfort', 'eco'] },
	pairs: {
		form: 'pairs',
		stepMinutes: 15,
		perDay: [2],
		endsAtMidnight: true,
		settings: null,
		keyedAs: 'times',
		channels: null
	},
	plain: { form: 'plain' }
};

/** A program form to start describing a control with. */
export function blankProgram(form: ProgramForm['form']): ProgramForm {
	return programs[form];
}

/** Lower-case words joined by hyphens from any name; `control` where nothing of it can be used. */
export function slugOf(name: string): string {
	const plain = name
		.normalize('NFKD')
		.replace(/\p{M}/gu, '')
		.toLowerCase()
		.replace(/[^a-z0-9]+/g, '-')
		.replace(/^-+|-+$/g, '')
		.slice(0, 56)
		.replace(/-+$/, '');
	return plain === '' ? 'control' : plain;
}

/** A sound profile of a program form to change field by field: what most such controls are like, by common practice. */
export function blankProfile(name: string, form: ProgramForm['form']): ControlProfile {
	const [all, weekdays, , , sevenDays] = standardGroupings;
	return profileSchema.parse({
		id: slugOf(name),
		name,
		family: 'own',
		summary: '',
		temperature: form === 'pairs' ? null : { minC: 5, maxC: 30, stepC: 0.5, units: ['C'] },
		clockFormats: ['24'],
		dayNumbering: 'monday-is-1',
		program: programs[form],
		groupings: form === 'plain' ? [all] : [weekdays, sevenDays],
		keying: {
			enter: form === 'plain' ? 'Turn it by hand.' : 'Press the program key until the day shows.',
			leave: form === 'plain' ? 'Leave it there.' : 'Press the program key once more.',
			eventOrder: 'time-first',
			timeEntry: 'whole',
			timeoutSeconds: null,
			confirm: 'OK'
		}
	});
}

/**
 * A profile with another program form. What no longer goes with it is brought along: a switch loses its
 * temperatures and what it did with them, anything else gets some; cooling goes with events alone.
 */
export function withForm(profile: ControlProfile, form: ProgramForm['form']): ControlProfile {
	const switches = form === 'pairs';
	const { habits } = profile;
	return {
		...profile,
		habits: switches
			? { ...habits, limits: null, off: habits.off && { ...habits.off, keepsC: null } }
			: habits,
		program: programs[form],
		temperature: switches ? null : (profile.temperature ?? { minC: 5, maxC: 30, stepC: 0.5, units: ['C'] }),
		cooling: form === 'events' ? profile.cooling : null,
		canBePlain: form === 'plain' ? false : profile.canBePlain && !switches
	};
}
