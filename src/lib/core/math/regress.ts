import { CholeskyDecomposition, Matrix } from 'ml-matrix';

export interface Regression {
	coefficients: number[];
	/** One sigma of each coefficient, from the residuals. */
	sigmas: number[];
	residuals: Float64Array;
}

const ITERATIONS = 12;

/**
 * Least squares of y on columns, reweighted by Huber's rule (k = 1.5 robust sigmas) when `robust`. Null where the columns do
 * not determine the coefficients.
 */
export function regress(columns: readonly Float64Array[], y: Float64Array, robust = false): Regression | null {
	const k = columns.length;
	const n = y.length;
	const weights = new Float64Array(n).fill(1);
	let found: Regression | null = null;
	for (let round = 0; round < (robust ? ITERATIONS : 1); round++) {
		const normal = Matrix.zeros(k, k);
		const right = Matrix.zeros(k, 1);
		for (let a = 0; a < k; a++) {
			for (let i = 0; i < n; i++) right.set(a, 0, right.get(a, 0) + weights[i] * columns[a][i] * y[i]);
			for (let b = 0; b <= a; b++) {
				let sum = 0;
				for (let i = 0; i < n; i++) sum += weights[i] * columns[a][i] * columns[b][i];
				normal.set(a, b, sum);
				normal.set(b, a, sum);
			}
		}
		// Scaled to unit diagonal first, so that the test of rank does not depend on units.
		const scale = normal.diagonal().map((v) => 1 / Math.sqrt(v || 1));
		const scaled = normal.clone();
		for (let a = 0; a < k; a++) for (let b = 0; b < k; b++) scaled.set(a, b, normal.get(a, b) * (scale[a] * scale[b]));
		const chol = new CholeskyDecomposition(scaled);
		const pivots = chol.lowerTriangularMatrix.diagonal();
		if (!chol.isPositiveDefinite() || pivots.some((p) => p < 1e-5)) return null;
		const inverse = chol.solve(Matrix.eye(k));
		const coefficients = columns.map((_, a) =>
			columns.reduce((sum, __, b) => sum + inverse.get(a, b) * scale[a] * scale[b] * right.get(b, 0), 0),
		);
		const residuals = new Float64Array(n);
		let [variance, total] = [0, 0];
		for (let i = 0; i < n; i++) {
			let fitted = 0;
			for (let a = 0; a < k; a++) fitted += columns[a][i] * coefficients[a];
			residuals[i] = y[i] - fitted;
			variance += weights[i] * residuals[i] ** 2;
			total += weights[i];
		}
		const sigma = Math.sqrt(variance / Math.max(1, total - k));
		found = { coefficients, sigmas: columns.map((_, a) => sigma * scale[a] * Math.sqrt(inverse.get(a, a))), residuals };
		const cut = 1.5 * Math.max(1e-12, medianSize(residuals));
		for (let i = 0; i < n; i++) weights[i] = Math.min(1, cut / Math.max(1e-300, Math.abs(residuals[i])));
	}
	return found;
}

const medianSize = (values: Float64Array) => 1.4826 * values.map(Math.abs).sort()[values.length >> 1];
