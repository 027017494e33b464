import { isOffered, type ControlProfile } from './profile';
import { OPTION_IDS } from './operation';
import { panelSchema, type Panel, type PanelPlace } from './panel';
import type { PlaceField } from './panelParts';

/**
 * A panel to start describing a control from: the keys that most such controls have, with our own words on them (common
 * practice), leading to what this one holds.
 */
export function startingPanel(profile: ControlProfile): Panel {
	const { program, keying, habits } = profile;
	const changing = { up: 'plus', down: 'minus', take: { do: 'press', key: 'ok' } } as const;
	const options = OPTION_IDS.filter((id) => isOffered(profile, id));
	const kept: PlaceField[] =
		program.form === 'slots' ||
		(program.form === 'pairs' && program.settings) ||
		(program.form === 'events' && program.modes)
			? ['setpoints']
			: [];
	const fields: PlaceField[] = [...options, ...kept];
	const plain = program.form === 'plain' || profile.canBePlain;
	return panelSchema.parse({
		keys: [
			{ id: 'menu', print: 'Menu' },
			{ id: 'plus', print: '+' },
			{ id: 'ok', print: 'OK' },
			{ id: 'minus', print: '\u2212' },
			{ id: 'day', print: 'Day' },
			...(keying.copy ? [{ id: 'copy', print: 'Copy' }] : [])
		],
		rest: plain ? { up: 'plus', down: 'minus' } : null,
		program:
			program.form === 'plain'
				? null
				: {
						way: [
							{ do: 'press', key: 'menu' },
							{ do: 'press', key: 'ok' }
						],
						...changing,
						day: { do: 'press', key: 'day' },
						clear:
							program.form === 'pairs' || (program.form === 'events' && program.clearable)
								? { do: 'hold', keys: ['minus'], seconds: 3 }
								: null,
						copy: keying.copy
							? {
									start: { do: 'press', key: 'copy' },
									put: keying.copy.onto === 'next-day' ? null : { do: 'press', key: 'ok' },
									block: keying.copy.onto === 'block'
								}
							: null,
						leave: [{ do: 'press', key: 'menu' }]
					},
		places: [
			...(fields.length > 0
				? [
						{
							name: 'Set-up',
							way: [{ do: 'hold', keys: ['menu'], seconds: 5 }],
							fields,
							...changing,
							leave: [{ do: 'press', key: 'menu' }]
						}
					]
				: []),
			...(habits.clock.summerTime === 'no-clock'
				? []
				: [
						{
							name: 'Clock',
							way: [
								{ do: 'press', key: 'menu' },
								{ do: 'press', key: 'plus' }
							],
							fields: ['clock-day', 'clock-hour', 'clock-minute'],
							...changing
						}
					])
		],
		resets: { all: [{ do: 'hold', keys: ['menu', 'minus'], seconds: 10 }] }
	} satisfies { places: readonly Partial<Record<keyof PanelPlace, unknown>>[]; [part: string]: unknown });
}
