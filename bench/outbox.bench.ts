/**
 * Two windows, two phones, a desk and a bad network against the program's own database: 10 000 steps, or as many as are given, and twenty
 * commissionings; the same code as the test. The seed can be given after that.
 */
import { spawnSync } from 'node:child_process';

const [steps = '10000', seed = '20261130'] = process.argv.slice(2);
const { status } = spawnSync('npx', ['vitest', 'run', '--project', 'unit', 'tests/across/outbox.test.ts'], {
	stdio: 'inherit',
	env: { ...process.env, STEPS: steps, SEED: seed, COMMISSIONINGS: '20' }
});
process.exitCode = status ?? 1;
