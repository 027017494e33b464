import { compute } from './compute';
import { jobs } from './jobs';
import { office } from './office';
import type { Operation } from './operation';
import { visits } from './visits';

export type { Operation };

/** Every route of the API: the one list from which its description is made. */
export const operations: readonly Operation[] = [...compute, ...jobs, ...visits, ...office];
