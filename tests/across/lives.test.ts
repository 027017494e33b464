/** Controls that are lived with: the run, the stand-in, its display, the household's page and the card tell the same. See `lived`; `bench/across` does the thousands. */
import { expect, it } from 'vitest';
import { lived } from '../support/lives';

const SEED = 20_261_201;
const LIVES = 500;

it(`${LIVES} controls, shipped and described at random, are told the same by all that tell of them: seed ${SEED}`, () => {
	const differs = Array.from({ length: LIVES }, (_, i) => lived(SEED + i)).flat();
	expect(differs).toEqual([]);
}, 300_000);
