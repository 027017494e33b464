import { modeSentence, OPTION_IDS, waySentence, type ControlOptions, type ControlProfile } from '../control';
import type { Absence } from '../plan';
import { duration } from '../week';
import { absenceForHousehold } from './absence';
import { clockChanges, reserveSentence } from './clock';

/** A heading of the customer's page and what stands under it. */
export interface CustomerLines {
	readonly title: string;
	readonly sentences: readonly string[];
}

const end = (text: string) => (/[.!?]$/.test(text.trim()) ? text.trim() : `${text.trim()}.`);

/**
 * What a customer must know of a control's own ways, in plain words: warmer for a while, going away, when the
 * clocks change, what a power cut or a change of batteries costs. What the control has not is left out. `lets` names the source that its hours let run: that
 * stays on when everybody is away. `planned` are its absences ahead.
 */
export function customerLines(
	profile: ControlProfile,
	options: ControlOptions,
	timeZone: string,
	atMs: number,
	lets: string | null = null,
	planned: readonly Absence[] = []
): CustomerLines[] {
	const { habits } = profile;
	const isSwitch = profile.temperature === null;
	const lines: CustomerLines[] = [];
	const put = (title: string, sentences: (string | null | false | undefined)[]) => {
		const said = sentences
			.filter((one): one is string => typeof one === 'string' && one.trim() !== '')
			.map(end);
		if (said.length > 0) lines.push({ title, sentences: said });
	};

	const { override, boost, hold, advance, manual } = habits;
	const { panel } = profile;
	const ownBoost = panel?.boosts[options.channel - 1];
	const each = boost && boost.mostSteps > 1 ? ` once for every ${duration(boost.stepMinutes)}` : '';
	const ownHow = panel && ownBoost && `${waySentence(panel, ownBoost).replace(/\.$/, '')}${each}`;
	// set to one setpoint it has no week that could go on
	const isPlain = options.plain || profile.program.form === 'plain';
	const nextChange = isPlain ? 'It stays where you leave it' : 'It ends at your next usual time';
	put(isSwitch ? 'On or off for a while' : 'Warmer or cooler for a while', [
		override &&
			`${end(override.how)} ${
				isPlain || override.ends === 'next-change'
					? nextChange
					: `It ends automatically after ${duration(override.minutes)}`
			}`,
		boost &&
			`${end(ownHow || boost.how)} ${
				boost.ends === 'next-change'
					? nextChange
					: `At most ${duration(boost.stepMinutes * boost.mostSteps)}; then ${isPlain ? 'it goes back' : 'your usual times start again'} automatically`
			}`,
		advance?.how,
		!override &&
			!boost &&
			!advance &&
			manual &&
			`${end(manual.how)} It stays like that until you put it back on its program`,
		!override &&
			!boost &&
			!advance &&
			!manual &&
			profile.program.form === 'plain' &&
			'Turn it; it stays where you leave it'
	]);
	const { holiday } = habits;
	const away: (string | false)[] =
		lets !== null
			? [
					`Leave this on its week, also in winter: it lets ${lets} run, and without it nothing keeps the pipes from freezing. Turn the controls of the rooms down instead`
				]
			: holiday === null
				? [
						!isSwitch &&
							'Turn it down before you leave and up when you are back: it has no holiday setting of its own'
					]
				: [
						holiday.how,
						holiday.by === 'days'
							? `${holiday.todayCounts ? 'The day you set it counts as the first' : 'The day you set it does not count'}; it ends ${holiday.ends === 'midnight' ? 'at midnight after the last day' : 'at the hour at which you set it'}`
							: holiday.by === 'return-date'
								? holiday.ends === 'midnight'
									? 'Your usual times start again at midnight before the day of return'
									: 'Your usual times start again then'
								: holiday.by === 'periods'
									? 'Only whole days away are set, and can be set long before'
									: 'Stays on until you end it: the rooms stay cool'
					];
	const ahead = lets === null ? planned.map((one) => absenceForHousehold(one, profile, options)) : [];
	// where what is planned is said key by key, the general words are in it
	const keyed = ahead.some((sentences) => sentences.length > 1);
	put('When you go away', [...(keyed ? [] : away), ...ahead.flat()]);
	if (hold) put('If it stays at one temperature', ['It may have been left on hold', holdEnds(profile)]);

	const changes = clockChanges(profile, options, timeZone, atMs, 2);
	const { summerTime, how } = habits.clock;
	if (summerTime !== 'no-clock')
		put('When the clocks change', [
			changes.length === 0
				? 'Clocks do not change here'
				: summerTime === 'by-hand'
					? `Set its clock by hand on ${changes.map((change) => `${change.date} (${change.from} becomes ${change.to})`).join(' and ')}. ${end(how)} Until you do, the heating runs ${duration(Math.abs(changes[0]!.shiftMinutes))} ${changes[0]!.shiftMinutes > 0 ? 'late' : 'early'}`
					: 'The clock changes automatically. Check it once'
		]);
	if (summerTime !== 'no-clock')
		put(habits.power === 'batteries' ? 'Batteries' : 'After a power cut', [reserveSentence(profile)]);
	put('If something seems wrong', wrongLines(profile));
	return lines;
}

/** How a hold is ended: by the same keys once more, or by the mode in which the week runs; a control whose keys nobody described says how it is held. */
function holdEnds({ panel, habits }: ControlProfile): string | undefined {
	if (!panel) return habits.hold?.how;
	const again = panel.hand.hold ? waySentence(panel, panel.hand.hold) : '';
	return again === ''
		? modeSentence(panel, panel.modes?.names[0] ?? null)
		: `${end(again)} Your usual times start again`;
}

/** What a household can look at by itself before it calls somebody, on this very control. */
function wrongLines({
	panel,
	operation,
	temperature
}: ControlProfile): (string | false | null | undefined)[] {
	const first = panel?.modes?.names[0];
	return [
		temperature !== null && 'No heat while the room is warmer than set. This is normal',
		first !== undefined && panel && `It must show ${first}. ${modeSentence(panel, first)}`,
		operation.lock && `Buttons do nothing? They may be locked. ${operation.lock.ends}`,
		...receiverLines(operation.receiver),
		leaveAlone(panel)
	];
}

/** What a receiver shows and does by itself, for somebody who stands before it. */
function receiverLines(receiver: ControlProfile['operation']['receiver']): string[] {
	if (!receiver) return [];
	const { lamps, ownKey } = receiver;
	return [
		...(lamps.length > 0
			? [`The lamp at the receiver: ${lamps.map(({ shows, means }) => `${shows}, ${means}`).join('; ')}`]
			: []),
		...(ownKey === '' ? [] : [ownKey])
	];
}

/** Which menu belongs to whoever set the control up: the one with its options. */
function leaveAlone(panel: ControlProfile['panel']): string | false {
	const place = panel?.places.find(({ fields }) =>
		fields.some((field) => field.startsWith('menu/') || (OPTION_IDS as readonly string[]).includes(field))
	);
	return place !== undefined && `The “${place.name}” menu is for your installer`;
}
