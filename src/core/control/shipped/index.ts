import { profileSchema, type ControlProfile } from '../profile';
import { emitterStats } from './emitterStats';
import { withPanelWords } from '../panelWords';
import { programmers } from './programmers';
import { roomStats } from './roomStats';

/** The families of the docs/domain.md (§2) as profiles. Names are descriptive, figures are our own. */
const profiles = [...roomStats, ...emitterStats, ...programmers];

/** The profiles that ship with the program, in the order they are offered. */
export const shippedProfiles: readonly ControlProfile[] = profiles.map((profile) =>
	withPanelWords(profileSchema.parse({ ...profile, family: profile.id }))
);

/** The profile with this id among those given and those shipped; undefined if there is none. */
export function findProfile(id: string, own: readonly ControlProfile[] = []): ControlProfile | undefined {
	return own.find((profile) => profile.id === id) ?? shippedProfiles.find((profile) => profile.id === id);
}

/** The profile of a control, among those given and those shipped. Throws where there is none: a zone never has a control that nobody knows. */
export function profileOf(
	{ control }: { readonly control: string },
	own: readonly ControlProfile[] = []
): ControlProfile {
	const found = findProfile(control, own);
	if (!found) throw new RangeError(`no profile of the control "${control}"`);
	return found;
}
