import { inverse, Matrix } from 'ml-matrix';
import type { HoverSeenRequest, SeenView } from '../../schema/hoverSeen';
import { DEG, wrapPi } from '../frames/angles';
import { seededRng } from '../math/random';
import { FEEL } from './feltWind';
import { seenLimits as limits } from './seenLimits';
import { inMetres } from './seenViews';

type Creep = NonNullable<SeenView['creep']>[number];

/** A hands-off creep as a speed over ground. */
interface Crept {
	noseDeg: number;
	towardDeg: number;
	speedMps: number;
	heightM: number;
}

/** Air drag takes up an aircraft that is let go from rest, 1/s. */
const TAKES_UP = 0.28;
/** Trim is small where it was set well, and anything where it was not: deviations a single axis, m/s, equally likely. */
const TRIMS = [0.15, 1.2] as const;
const BLIND_WIND_MPS = 3;
const DRAWS = { count: 400, seed: 1 } as const;

function speedOf({ t0, t1, fromRest }: Creep, metres: number): number {
	const t = t1 - t0;
	return metres / (fromRest ? t - (1 - Math.exp(-TAKES_UP * t)) / TAKES_UP : t);
}

/** The creeps of all views that can be used: the nose known, and the wind's direction where it is told by the wind. */
function creptOf(request: HoverSeenRequest): Crept[] {
	const { wind, views } = request;
	return views.flatMap(({ noseDeg, creep, heightM }) => {
		if (noseDeg === undefined) return [];
		return (creep ?? []).flatMap((one): Crept[] => {
			const from = wind?.fromDeg;
			if (one.frame === 'wind' && from === undefined) return [];
			const zero = one.frame === 'nose' ? noseDeg : one.frame === 'wind' ? (from ?? 0) + 180 : 0;
			const speedMps = speedOf(one, inMetres(one.distance, request));
			return [{ noseDeg, heightM, speedMps, towardDeg: zero + one.dirDeg }];
		});
	});
}

/** A direction and the one to its right, as north and east. */
const axes = (deg: number) => {
	const [c, s] = [Math.cos(deg * DEG), Math.sin(deg * DEG)];
	return [
		[c, -s],
		[s, c],
	];
};

/** Covariance with deviations along a direction and across it. */
function spreadAlong(deg: number, along: number, across: number): Matrix {
	const turn = new Matrix(axes(deg));
	return turn.mmul(Matrix.diag([along ** 2, across ** 2])).mmul(turn.transpose());
}

/** What is expected of the air, north and east, before anything crept. */
function windPrior({ wind }: HoverSeenRequest, heightM: number): { mean: number[]; covariance: Matrix } {
	if (!wind) return { mean: [0, 0], covariance: Matrix.eye(2).mul(BLIND_WIND_MPS ** 2) };
	const felt = wind.scale === undefined ? null : FEEL[wind.scale];
	const speed = felt?.mps ?? wind.speedMps ?? 0;
	const sigma = wind.sigmaMps ?? felt?.sigma ?? Math.max(0.5, 0.3 * speed);
	const shear = (Math.max(1, heightM) / (felt ? 10 : wind.heightM)) ** 0.143;
	const [m, sd] = [speed * shear, sigma * shear];
	if (wind.fromDeg === undefined) return { mean: [0, 0], covariance: Matrix.eye(2).mul((m ** 2 + sd ** 2) / 2) };
	const toward = wind.fromDeg + 180;
	return {
		mean: [m * Math.cos(toward * DEG), m * Math.sin(toward * DEG)],
		covariance: spreadAlong(toward, Math.hypot(sd, 0.1 * m), 0.15 + 0.36 * m),
	};
}

interface Filtered {
	mean: Matrix;
	covariance: Matrix;
	lnEvidence: number;
}

/** Wind and trim after all creeps, for one width of the trim. */
function filtered(crept: readonly Crept[], prior: ReturnType<typeof windPrior>, trim: number): Filtered {
	let mean = Matrix.columnVector([...prior.mean, 0, 0]);
	let covariance = Matrix.zeros(4, 4);
	covariance.setSubMatrix(prior.covariance, 0, 0);
	covariance.set(2, 2, trim ** 2);
	covariance.set(3, 3, trim ** 2);
	let lnEvidence = 0;
	for (const { noseDeg, towardDeg, speedMps } of crept) {
		const [[c, s], [t, u]] = axes(noseDeg);
		const seen = new Matrix([
			[1, 0, c, s],
			[0, 1, t, u],
		]);
		const v = [speedMps * Math.cos(towardDeg * DEG), speedMps * Math.sin(towardDeg * DEG)];
		const noise = spreadAlong(towardDeg, 0.15 + 0.35 * speedMps, 0.15 + 0.33 * speedMps);
		const apart = Matrix.sub(Matrix.columnVector(v), seen.mmul(mean));
		const inner = Matrix.add(seen.mmul(covariance).mmul(seen.transpose()), noise);
		const back = inverse(inner);
		const gain = covariance.mmul(seen.transpose()).mmul(back);
		mean = Matrix.add(mean, gain.mmul(apart));
		covariance = Matrix.sub(covariance, gain.mmul(seen).mmul(covariance));
		const misfit = apart.transpose().mmul(back).mmul(apart).get(0, 0);
		const det = inner.get(0, 0) * inner.get(1, 1) - inner.get(0, 1) * inner.get(1, 0);
		lnEvidence -= 0.5 * (misfit + Math.log(det));
	}
	return { mean, covariance, lnEvidence };
}

/** Share of seeded draws in which a pair of the state is longer than a speed. */
function longer({ mean, covariance }: Filtered, first: 0 | 2, mps: number): number {
	const rng = seededRng(DRAWS.seed);
	const [a, b] = [mean.get(first, 0), mean.get(first + 1, 0)];
	const l11 = Math.sqrt(Math.max(1e-12, covariance.get(first, first)));
	const l21 = covariance.get(first + 1, first) / l11;
	const l22 = Math.sqrt(Math.max(0, covariance.get(first + 1, first + 1) - l21 ** 2));
	let over = 0;
	for (let k = 0; k < DRAWS.count; k++) {
		const [x, y] = [rng.normal(), rng.normal()];
		if (Math.hypot(a + l11 * x, b + l21 * x + l22 * y) > mps) over++;
	}
	return over / DRAWS.count;
}

export interface SeenDrift {
	/** Where the air goes, north and east. */
	windMps: [number, number];
	windSigmaMps: [number, number];
	/** Forward and right. */
	trimMps: [number, number];
	trimSigmaMps: [number, number];
	trimProbability: number;
	windProbability: number;
	/** No two creeps with the nose turned far enough. */
	oneNose: boolean;
}

/** Wind and trim behind hands-off creeps: trim turns with the nose, wind does not. Null where no creep can be used. */
export function driftFromViews(request: HoverSeenRequest): SeenDrift | null {
	const crept = creptOf(request);
	if (crept.length === 0) return null;
	const heightM = crept.reduce((sum, c) => sum + c.heightM, 0) / crept.length;
	const prior = windPrior(request, heightM);
	const both = TRIMS.map((trim) => filtered(crept, prior, trim));
	const most = Math.max(...both.map(({ lnEvidence }) => lnEvidence));
	const raw = both.map(({ lnEvidence }) => Math.exp(lnEvidence - most));
	const weights = raw.map((w) => w / (raw[0] + raw[1]));
	const mixed = (of: (f: Filtered) => number) => both.reduce((sum, f, k) => sum + weights[k] * of(f), 0);
	const mean = [0, 1, 2, 3].map((k) => mixed((f) => f.mean.get(k, 0)));
	const sigma = mean.map((m, k) => Math.sqrt(mixed((f) => f.covariance.get(k, k) + (f.mean.get(k, 0) - m) ** 2)));
	const oneNose = !crept.some((a) =>
		crept.some((b) => Math.abs(wrapPi((a.noseDeg - b.noseDeg) * DEG)) / DEG >= limits.noseApartDeg.value - 1e-9),
	);
	const most80 = (p: number) => (oneNose && !request.wind ? Math.min(0.8, p) : p);
	return {
		windMps: [mean[0], mean[1]],
		windSigmaMps: [sigma[0], sigma[1]],
		trimMps: [mean[2], mean[3]],
		trimSigmaMps: [sigma[2], sigma[3]],
		trimProbability: most80(mixed((f) => longer(f, 2, limits.trimMps.value))),
		windProbability: most80(mixed((f) => longer(f, 0, limits.windMps.value))),
		oneNose,
	};
}
