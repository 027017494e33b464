import { createRequire } from 'node:module';

/** What is used of the reference solver, whose own types do not hold under this project's strictness. */
export interface OdexSolver {
	absoluteTolerance: number;
	relativeTolerance: number;
	solve(
		derivative: (x: number, y: number[]) => number[],
		from: number,
		y: number[],
		to: number
	): { y: number[]; nEval: number };
}

/** A solver of so many equations at a tolerance. */
export function odexSolver(equations: number, tolerance: number): OdexSolver {
	const { Solver } = createRequire(import.meta.url)('odex') as { Solver: new (n: number) => OdexSolver };
	const solver = new Solver(equations);
	solver.absoluteTolerance = solver.relativeTolerance = tolerance;
	return solver;
}
