import { z } from 'zod';

/** By which device something was noted, as which of its notes, and when: ms by the server's clock. */
export const stampSchema = z.strictObject({
	from: z.string().max(64),
	number: z.int().nonnegative(),
	atMs: z.int().nonnegative()
});
export type Stamp = z.infer<typeof stampSchema>;
