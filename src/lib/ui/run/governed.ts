import { wallAt, weekdayOfDay } from '$core/civil';
import { allowedOptions, setpointWithUnit, type ControlProfile, type Program } from '$core/control';
import { askingOf, gapsOf, isWarmth } from '$core/house';
import { heatsStore, type Source, type Zone } from '$core/plan';
import { resolve, runOfZone } from '$core/run';
import { DAY_MINUTES, type WeekSteps } from '$core/week';
import { awayCutWords, gapSentences, waitsAt, waterFirstUntil } from '$core/words';

/** What governs the source of a zone, with what it is to hold. */
export interface Governor {
	readonly zone: Zone;
	readonly profile: ControlProfile;
	readonly program: Program;
}

/** What feeds a zone, as far as a moment goes. */
interface FedBy {
	readonly source: string;
	readonly governor: string | null;
	readonly may: WeekSteps<boolean>;
	readonly waterFirst: WeekSteps<boolean>;
}

/**
 * What a zone waits for at a moment, in sentences, by what the control that governs its source does then, and by the hot water that comes
 * first; null where it does not wait, or makes its own heat. `setpointC` is what its own control holds.
 */
export function waitsForGovernor(
	feeding: FedBy | null,
	governor: Governor | null | undefined,
	fed: { readonly zone: Zone; readonly profile: ControlProfile; readonly held: WeekSteps<number> },
	setpointC: number | null,
	{ timeZone, nowMs, atMs }: { readonly timeZone: string; readonly nowMs: number; readonly atMs: number }
): string | null {
	if (!feeding) return null;
	const wall = wallAt(timeZone, atMs);
	const day = Math.floor(wall / DAY_MINUTES);
	const minute = weekdayOfDay(day) * DAY_MINUTES + (wall - day * DAY_MINUTES);
	const { zone, profile, held } = fed;
	const asks = askingOf(zone, profile, held);
	const water =
		setpointC !== null && isWarmth(setpointC, asks)
			? waterFirstUntil(feeding.source, feeding.waterFirst, minute)
			: null;
	if (!governor || feeding.governor === null) return water;
	const run = runOfZone(governor.zone, governor.profile, governor.program, { timeZone, nowMs });
	const governs = { state: resolve(run, atMs), isSwitch: governor.profile.temperature === null };
	const { source, may } = feeding;
	const waits = waitsAt({ source, may, governor: feeding.governor }, asks, setpointC, governs, wall);
	if (waits === null) return water;
	// where it is so every week, first in the words of the week
	const gaps = gapsOf(asks, feeding.may);
	const gap = gaps.find(({ from, to }) => from <= minute && minute < to);
	if (!gap) return waits;
	const options = allowedOptions(profile, zone.options);
	const say = (c: number) => setpointWithUnit(profile, options, c);
	const alike = gaps.filter(
		(one) =>
			one.to - one.from === gap.to - gap.from &&
			one.wantedC === gap.wantedC &&
			(one.from - gap.from) % DAY_MINUTES === 0
	);
	return `${gapSentences(zone.name, feeding.source, alike, say)[0]!.text} ${waits}`;
}

/**
 * What an absence of a control that lets a source run cuts off, in a sentence; null where it governs nothing, keeps a temperature meanwhile,
 * or nothing but hot water hangs on its source.
 */
export function awayCut(
	zone: Pick<Zone, 'name' | 'governs'>,
	profile: ControlProfile,
	sources: readonly Pick<Source, 'id' | 'name'>[],
	zones: readonly { readonly name: string; readonly document: Zone; readonly profile: ControlProfile }[]
): string | null {
	const source = sources.find(({ id }) => id === zone.governs);
	if (!source || profile.temperature !== null) return null;
	const fed = zones.filter(
		(one) => one.document.fedBy === source.id && !heatsStore(one.profile, one.document)
	);
	return fed.length === 0
		? null
		: awayCutWords(
				source.name,
				zone.name,
				fed.map(({ name }) => name)
			);
}
