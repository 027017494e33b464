/** A square matrix, row by row. */
export type Matrix = readonly (readonly number[])[];

const identity = (n: number) =>
	Array.from({ length: n }, (_, i) => Array.from({ length: n }, (_, j) => (i === j ? 1 : 0)));

const add = (a: Matrix, b: Matrix) => a.map((row, i) => row.map((x, j) => x + b[i]![j]!));

/** The product of two square matrices. */
export function multiply(a: Matrix, b: Matrix): number[][] {
	const n = a.length;
	return a.map((row) => {
		const out = new Array<number>(n).fill(0);
		for (let k = 0; k < n; k++) {
			const factor = row[k]!;
			if (factor === 0) continue;
			for (let j = 0; j < n; j++) out[j]! += factor * b[k]![j]!;
		}
		return out;
	});
}

/**
 * The exponential of a small square matrix, by scaling to a norm of 1/4, thirteen terms of Taylor's series (the next is
 * below 1e-19), and squaring (Moler and Van Loan 2003, methods 1 and 3). What it is over the identity is squared as
 * 2·E + E·E, so that entries far smaller than 1 keep their digits too. Exact to about 1e-15 for the sizes met here.
 */
export function expm(matrix: Matrix): number[][] {
	const n = matrix.length;
	const norm = Math.max(...matrix.map((row) => row.reduce((sum, x) => sum + Math.abs(x), 0)));
	const squarings = Math.max(0, Math.ceil(Math.log2(norm / 0.25)));
	const scale = 2 ** -squarings;
	const scaled = matrix.map((row) => row.map((x) => x * scale));
	let less: number[][] = scaled;
	let term: number[][] = scaled;
	for (let k = 2; k <= 13; k++) {
		term = multiply(term, scaled).map((row) => row.map((x) => x / k));
		less = add(less, term);
	}
	for (let i = 0; i < squarings; i++) less = add(add(less, less), multiply(less, less));
	return add(less, identity(n));
}

/** Solves a·x = b by Gaussian elimination with pivoting; throws on a singular matrix. */
export function solve(a: Matrix, b: readonly number[]): number[] {
	const n = a.length;
	const rows = a.map((row, i) => [...row, b[i]!]);
	for (let col = 0; col < n; col++) {
		let pivot = col;
		for (let i = col + 1; i < n; i++) if (Math.abs(rows[i]![col]!) > Math.abs(rows[pivot]![col]!)) pivot = i;
		if (Math.abs(rows[pivot]![col]!) < 1e-300) throw new RangeError('the matrix is singular');
		[rows[col], rows[pivot]] = [rows[pivot]!, rows[col]!];
		for (let i = 0; i < n; i++) {
			if (i === col) continue;
			const factor = rows[i]![col]! / rows[col]![col]!;
			for (let j = col; j <= n; j++) rows[i]![j]! -= factor * rows[col]![j]!;
		}
	}
	return rows.map((row, i) => row[n]! / row[i]!);
}
