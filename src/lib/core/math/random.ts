/** A source of randomness that is an argument, never ambient, so that every computation repeats. */
export interface Rng {
	/** Uniform in [0, 1). */
	uniform(): number;
	/** Normal with mean 0 and standard deviation 1. */
	normal(): number;
}

/** Seeded generator: mulberry32 (Ettinger, 2017, public domain) with Marsaglia's polar method for normals. */
export function seededRng(seed: number): Rng {
	let state = seed >>> 0;
	let spare: number | null = null;
	const uniform = () => {
		state = (state + 0x6d2b79f5) >>> 0;
		let t = state;
		t = Math.imul(t ^ (t >>> 15), t | 1);
		t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
		return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
	};
	const normal = () => {
		if (spare !== null) {
			const value = spare;
			spare = null;
			return value;
		}
		for (;;) {
			const u = 2 * uniform() - 1;
			const v = 2 * uniform() - 1;
			const s = u * u + v * v;
			if (s > 0 && s < 1) {
				const k = Math.sqrt((-2 * Math.log(s)) / s);
				spare = v * k;
				return u * k;
			}
		}
	};
	return { uniform, normal };
}
