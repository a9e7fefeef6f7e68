import { apply, inverse, type Mat3 } from '../core/frames/mat3';
import type { Rng } from '../core/math/random';
import type { Vec3 } from '../core/frames/vec3';

/** A recording of a compass on a stand while the power goes up and down twice. */
export interface LoadTruth {
	perLoadUt: Vec3;
	noiseUt: number;
	/** Load at the top of the ramp, of `fullLoad`. */
	topLoad: number;
	/** Turned by this much half way through: a stand that slipped, degrees. */
	slipDeg: number;
}

const LOAD_RATE_HZ = 25;
const LOAD_FOR_S = 32;

export function recordLoad(truth: LoadTruth, fieldUt: Vec3, rng: Rng) {
	const t = Array.from({ length: LOAD_FOR_S * LOAD_RATE_HZ }, (_, k) => k / LOAD_RATE_HZ);
	const load = t.map((s) => truth.topLoad * Math.max(0, Math.sin((2 * Math.PI * s) / 16 - Math.PI / 2)) ** 0.7);
	const axis = (k: 0 | 1 | 2) =>
		t.map((s, i) => {
			const slip = (truth.slipDeg * Math.PI) / 180 / (1 + Math.exp(-(s - LOAD_FOR_S / 2) * 3));
			const [x, y, z] = fieldUt;
			const turned: Vec3 = [x * Math.cos(slip) + y * Math.sin(slip), y * Math.cos(slip) - x * Math.sin(slip), z];
			return turned[k] + truth.perLoadUt[k] * load[i] + truth.noiseUt * rng.normal();
		});
	return { t, x: axis(0), y: axis(1), z: axis(2), load };
}

/** A lump of iron in the ground: where, how deep below the sensor, and its moment (µT·m³). */
export interface Iron {
	north: number;
	east: number;
	depthM: number;
	momentUtM3: number;
}

/** A walk in lanes over a square of ground with a sensor carried one way up; iron adds a vertical dipole's field. */
export function walkAbout(
	iron: readonly Iron[],
	fieldUt: Vec3,
	offsetUt: Vec3,
	rng: Rng,
	{ sideM = 20, laneM = 2, speedMps = 1.1, rateHz = 10 } = {},
) {
	const lanes = Math.floor(sideM / laneM) + 1;
	const total = (lanes * sideM + (lanes - 1) * laneM) / speedMps;
	const t = Array.from({ length: Math.floor(total * rateHz) }, (_, k) => k / rateHz);
	const place = (s: number) => {
		const along = s * speedMps;
		const lane = Math.floor(along / (sideM + laneM));
		const rest = along - lane * (sideM + laneM);
		const up = Math.min(rest, sideM);
		const east = lane * laneM + Math.max(0, rest - sideM);
		return { north: lane % 2 === 0 ? up : sideM - up, east };
	};
	const rows = t.map((s) => {
		const p = place(s);
		let [n, e, d] = [fieldUt[0] + offsetUt[0], fieldUt[1] + offsetUt[1], fieldUt[2] + offsetUt[2]];
		for (const lump of iron) {
			const [rn, re, rd] = [p.north - lump.north, p.east - lump.east, -lump.depthM];
			const r = Math.hypot(rn, re, rd);
			// A dipole of moment m along down: (3·r̂(m·r̂) − m)/r³.
			const along = (3 * rd * lump.momentUtM3) / r ** 5;
			n += along * rn;
			e += along * re;
			d += along * rd - lump.momentUtM3 / r ** 3;
		}
		const noise = () => 0.25 * rng.normal();
		return { ...p, x: n + noise(), y: e + noise(), z: d + noise() };
	});
	return {
		t,
		north: rows.map((r) => r.north),
		east: rows.map((r) => r.east),
		x: rows.map((r) => r.x),
		y: rows.map((r) => r.y),
		z: rows.map((r) => r.z),
	};
}

/** What a second compass reads beside the first: mounted turned, its own bend, a disturbance that only it feels. */
export function secondCompass(
	first: { t: number[]; x: number[]; y: number[]; z: number[] },
	mounting: Mat3,
	biasUt: Vec3,
	rng: Rng,
) {
	const back = inverse(mounting) ?? mounting;
	const rows = first.t.map((_, i) => {
		const v = apply(back, [first.x[i], first.y[i], first.z[i]]);
		return v.map((value, k) => value + biasUt[k] + 0.3 * rng.normal());
	});
	return { t: first.t, x: rows.map((r) => r[0]), y: rows.map((r) => r[1]), z: rows.map((r) => r[2]) };
}
