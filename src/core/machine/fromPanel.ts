import {
	beginsAbsence,
	factoryOptions,
	strokesOf,
	type Act,
	type HandAct,
	type PanelGesture,
	type Rule,
	type State,
	type StateId,
	type When
} from '../control';
import { clearable } from './days';
import { channelCount, dayFields } from './fields';
import { FORGETS_AFTER_SECONDS, restId } from './rest';
import { isOption, menuFields } from './menus';
import type { Operable } from './operable';

const press = (key: string): PanelGesture => ({ do: 'press', key, times: 1 });

const blank = { title: '', aside: '', field: null, idle: null };

/** What a way leads to, as rules by its last stroke. */
type Lead = readonly Omit<Rule, 'by'>[];

/** The states along ways from one state: a state for each beginning of them. What is pressed and goes on with none begins anew. */
function along(
	root: State,
	locked: boolean,
	ways: readonly (readonly [readonly PanelGesture[], Lead])[]
): State[] {
	const states = new Map<StateId, { trail: string[]; rules: Rule[] }>([[root.id, { trail: [], rules: [] }]]);
	for (const [way, lead] of ways) {
		const strokes = way.flatMap((gesture) =>
			gesture.do === 'press' ? strokesOf(gesture).map(() => press(gesture.key)) : [gesture]
		);
		let trail: string[] = [];
		strokes.forEach((by, i) => {
			const from = states.get(restId(locked, trail))!;
			if (i === strokes.length - 1) from.rules.push(...lead.map((one) => ({ by, ...one })));
			else {
				trail = [...trail, strokesOf(by)[0]!];
				const to = restId(locked, trail);
				if (states.has(to)) return;
				states.set(to, { trail, rules: [] });
				from.rules.push({ by, do: [], to });
			}
		});
	}
	return [...states].map(([id, { rules }]): State =>
		id === root.id
			? { ...root, rules: [...rules, ...root.rules] }
			: {
					...blank,
					id,
					rules,
					like: root.id,
					idle: { seconds: FORGETS_AFTER_SECONDS, do: [], to: root.id }
				}
	);
}

/** The name of a state of the program by its field. */
const weekState = (name: string): StateId => `week/${name}`;
/** The state in which the day onto which one is copied is chosen. */
export const COPY_STATE: StateId = 'week>copy';
/** The name of the state of a menu's field. */
const menuState = (menu: number, item: number): StateId => `menu/${menu}/${item}`;

function programStates(profile: Operable): State[] {
	const { program } = profile.panel;
	const names = fieldNames(profile);
	if (!program || names.length === 0) return [];
	const leaving: Act[] = program.keeps ? [{ do: 'take', only: 'changed' }] : [{ do: 'drop' }];
	const leave = program.leave.slice(0, 1).map((by): Rule => ({ by, do: leaving, to: 'rest' }));
	const idle = { seconds: profile.keying.timeoutSeconds, do: leaving, to: 'rest' };
	const [first] = names.map(weekState);
	const toFirst: Act = { do: 'go', cursor: 'step', to: 0 };
	const afterDay: Act[] =
		program.afterLast === 'first-again' ? [toFirst] : [{ do: 'go', cursor: 'group', by: 1 }, toFirst];
	/** On from the last field of a step, or from a step that holds nothing. */
	const onFromStep = (by: PanelGesture, does: Act[], when: When = {}): Rule[] => [
		{ by, when: { ...when, last: { step: true } }, do: [...does, ...afterDay], to: first },
		{ by, when, do: [...does, { do: 'go', cursor: 'step', by: 1 }], to: first }
	];
	const on = (by: PanelGesture, does: Act[], next: string | undefined): Rule[] =>
		next === undefined
			? onFromStep(by, does)
			: [{ by, when: { cleared: false }, do: does, to: weekState(next) }, ...onFromStep(by, does)];
	const { copy } = program;
	const copyAct: Act = copy?.block ? { do: 'copy', block: true } : { do: 'copy' };
	const copies: Rule[] = !copy
		? []
		: copy.put
			? [
					{
						by: copy.start,
						when: { singles: true },
						do: [{ do: 'take', only: 'changed' }, { do: 'choose' }],
						to: COPY_STATE
					}
				]
			: [
					{
						by: copy.start,
						when: { singles: true },
						do: [{ do: 'take', only: 'changed' }, copyAct],
						to: first
					}
				];
	const toNextDay: Act[] = [{ do: 'take', only: 'changed' }, { do: 'go', cursor: 'group', by: 1 }, toFirst];
	const needed = needsMode(profile);
	const needs = needed === null ? {} : { needs: { mode: needed, back: false } };
	const states = names.map((name, i): State => ({
		...blank,
		...needs,
		id: weekState(name),
		field: { of: 'day', name },
		idle,
		rules: [
			...leave,
			...program.writes.flatMap((by, position) => on(by, [{ do: 'write', position }], names[i + 1])),
			{ by: press(program.up), do: [{ do: 'change', by: 1 }] },
			{ by: press(program.down), do: [{ do: 'change', by: -1 }] },
			...on(program.take, [{ do: 'take' }], names[i + 1]),
			{ by: program.day, do: toNextDay, to: first },
			...(program.clear && clearable(profile) ? onFromStep(program.clear, [{ do: 'clear' }]) : []),
			...copies
		]
	}));
	if (!copy?.put) return states;
	const choosing: State = {
		...blank,
		id: COPY_STATE,
		field: { of: 'day', name: names[0]! },
		idle,
		rules: [...leave, { by: program.day, do: [{ do: 'choose' }] }, { by: copy.put, do: [copyAct], to: first }]
	};
	return [...states, choosing];
}

/** The fields of one step of a day, by what is behind the step in their keys; of a strip the slot itself; none where there is no program. */
export function fieldNames(profile: Operable): readonly string[] {
	const { channel: _, ...factory } = factoryOptions(profile);
	const options = { ...factory, plain: false, grouping: profile.groupings[0]!.id };
	return dayFields(profile, options, 0)
		.filter(({ step }) => step === 0)
		.map(({ key }) => key.slice(key.indexOf('/') + 1 || key.length));
}

function menuStates(profile: Operable): State[] {
	const { places, modes } = profile.panel;
	const off = modes?.off == null ? -1 : modes.names.indexOf(modes.off);
	return places.flatMap((place, menu) => {
		const fields = menuFields(profile, place);
		const leaving: Act[] = place.keeps ? [{ do: 'take', only: 'changed' }] : [{ do: 'drop' }];
		const begins: Act[] = beginsAbsence(place) ? [{ do: 'hand', what: 'away' }] : [];
		const last = place.leave.length > 0 ? menuState(menu, 0) : 'rest';
		const numbered = fields.length > 1 || fields.some(({ id }) => isOption(id));
		return fields.map((field, item): State => ({
			id: menuState(menu, item),
			title: place.name,
			aside: numbered ? `${item + 1} of ${fields.length}` : '',
			field: { of: 'value', ...field },
			idle: { seconds: place.timeoutSeconds, do: leaving, to: 'rest' },
			...(place.onlyWhenOff && off >= 0 ? { needs: { mode: off, back: true } } : {}),
			rules: [
				...place.leave.slice(0, 1).map((by): Rule => ({ by, do: leaving, to: 'rest' })),
				{ by: press(place.up), do: [{ do: 'change', by: 1 }] },
				{ by: press(place.down), do: [{ do: 'change', by: -1 }] },
				item < fields.length - 1
					? { by: place.take, do: [{ do: 'take' }], to: menuState(menu, item + 1) }
					: { by: place.take, do: [{ do: 'take' }, ...begins], to: last }
			]
		}));
	});
}

/** The mode, by its place, in which alone the program can be keyed; null where any will do. */
function needsMode({ keying, panel }: Operable): number | null {
	const at = panel.modes?.names.indexOf(keying.bracket?.before ?? '') ?? -1;
	return at < 0 ? null : at;
}

function restStates(profile: Operable): State[] {
	const { panel } = profile;
	const { program, modes, lock, rest } = panel;
	const turning: Rule[] = rest
		? [
				{ by: press(rest.up), do: [{ do: 'turn', by: 1 }] },
				{ by: press(rest.down), do: [{ do: 'turn', by: -1 }] }
			]
		: [];
	const ways: [readonly PanelGesture[], Lead][] = [];
	/** Where a lead does not fit the way is gone for nothing. */
	const add = (way: readonly PanelGesture[], lead: Omit<Rule, 'by'>) =>
		ways.push([way, [lead, ...(lead.when ? [{ do: [], to: 'rest' }] : [])]]);
	const names = fieldNames(profile);
	if (program && names.length > 0) {
		const needed = needsMode(profile);
		const when: When = { week: true, ...(needed === null ? {} : { mode: [needed] }) };
		const channels = program.channels.length === 0 ? [[]] : program.channels;
		channels.forEach((more, channel) => {
			if (channel >= channelCount(profile)) return;
			add([...program.way, ...more], {
				when,
				do: [{ do: 'go', cursor: 'channel', to: channel }],
				to: weekState(names[0]!)
			});
		});
	}
	const off = modes?.off == null ? -1 : modes.names.indexOf(modes.off);
	panel.places.forEach((place, menu) => {
		if (menuFields(profile, place).length === 0) return;
		const when = place.onlyWhenOff ? { when: { mode: [off] } } : {};
		add(place.way, { ...when, do: [], to: menuState(menu, 0) });
	});
	if (modes?.next) add([modes.next], { do: [{ do: 'mode', to: 'next' }], to: 'rest' });
	modes?.each.forEach((way, to) => add(way, { do: [{ do: 'mode', to }], to: 'rest' }));
	for (const what of ['program', 'clock', 'all'] as const)
		if (panel.resets[what]) add(panel.resets[what], { do: [{ do: 'wipe', what }], to: 'rest' });
	for (const [what, way] of Object.entries(panel.hand) as [HandAct, PanelGesture[] | undefined][])
		if (way) add(way, { do: [{ do: 'hand', what }], to: 'rest' });
	panel.boosts.forEach((way, i) =>
		add(way, { do: [{ do: 'hand', what: 'boost', channel: i + 1 }], to: 'rest' })
	);
	if (lock) add(lock.way, { do: [{ do: 'lock', on: true }] });
	const states = along({ ...blank, id: 'rest', rules: turning }, false, ways);
	if (!lock) return states;
	const free = lock.covers === 'all-but-setpoint' ? turning : [];
	const ending = along({ ...blank, id: 'locked', rules: free }, true, [
		[lock.ends, [{ do: [{ do: 'lock', on: false }] }]]
	]);
	return [...states, ...ending];
}

/** The states that a control's panel is made into. */
export const panelStates = (profile: Operable): State[] => [
	...restStates(profile),
	...programStates(profile),
	...menuStates(profile)
];
