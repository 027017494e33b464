import { shippedProfiles } from '$core/control';
import type { LayoutLoad } from './$types';

/** All profiles that the site's zones may use; those that ship are known on both sides and are not sent. */
export const load: LayoutLoad = ({ data }) => ({
	...data,
	profiles: [...data.ownProfiles, ...shippedProfiles]
});
