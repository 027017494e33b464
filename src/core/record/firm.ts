import { z } from 'zod';
import { oneLine } from '../schema';

/** The largest logo kept, in characters of its data address: about 300 kB of picture. */
export const LARGEST_LOGO = 420_000;

/** Whoever hands over: on the customer's page and the installer's record. */
export const wholeFirmSchema = z.strictObject({
	name: oneLine(80),
	telephone: oneLine(40),
	/** A PNG or JPEG as a data address; null for none. */
	logo: z
		.string()
		.max(LARGEST_LOGO, 'is larger than 300 kB')
		.regex(/^data:image\/(png|jpeg);base64,[A-Za-z0-9+/]+=*$/, 'is neither a PNG nor a JPEG picture')
		.nullable(),
	/** Whether a site is signed off only when every control was read back. */
	readBackStops: z.boolean()
});
/** The same as it was kept, whatever was not known yet left out. */
export const firmSchema = wholeFirmSchema.extend({
	name: wholeFirmSchema.shape.name.default(''),
	telephone: wholeFirmSchema.shape.telephone.default(''),
	logo: wholeFirmSchema.shape.logo.default(null),
	readBackStops: wholeFirmSchema.shape.readBackStops.default(false)
});
export type Firm = z.infer<typeof firmSchema>;
