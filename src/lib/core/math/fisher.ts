import { CholeskyDecomposition, Matrix } from 'ml-matrix';

/** What is fitted: an objective to be made small, and its slope and information at a place, of the parameters from `first` on. */
export interface Scored {
	objective(theta: Float64Array): number;
	/** Minus the slope of the objective, and the expected curvature. */
	score(theta: Float64Array, first: number): { gradient: Float64Array; information: Matrix };
}

const ATTEMPTS = 5;
const [HARDER, EASIER, FIRST_DAMPING] = [6, 5, 1e-3];

/**
 * Damped Fisher scoring from a start, the parameters before `first` held: steps are cut to `longest` in their largest component, and end
 * when the objective falls by less than `settled`.
 */
export function fisherScoring(
	{ objective: of, score }: Scored,
	start: Float64Array,
	{ first, steps, longest, settled }: { first: number; steps: number; longest: number; settled: number },
): { theta: Float64Array; objective: number } {
	let theta = start.slice();
	let objective = of(theta);
	let damping = FIRST_DAMPING;
	for (let step = 0; step < steps; step++) {
		const { gradient, information } = score(theta, first);
		let fell = 0;
		for (let attempt = 0; attempt < ATTEMPTS; attempt++) {
			const damped = information.clone();
			for (let k = 0; k < gradient.length; k++) damped.set(k, k, information.get(k, k) * (1 + damping));
			const cholesky = new CholeskyDecomposition(damped);
			if (!cholesky.isPositiveDefinite()) {
				damping *= HARDER;
				continue;
			}
			const delta = cholesky.solve(Matrix.columnVector(gradient)).getColumn(0);
			const cut = Math.min(1, longest / Math.max(...delta.map(Math.abs), 1e-12));
			const next = theta.slice();
			delta.forEach((d, k) => (next[first + k] += cut * d));
			const value = of(next);
			if (value < objective) {
				[fell, theta, objective] = [objective - value, next, value];
				damping /= EASIER;
				break;
			}
			damping *= HARDER;
		}
		if (fell < settled) break;
	}
	return { theta, objective };
}
