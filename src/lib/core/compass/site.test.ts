import { describe, expect, it } from 'vitest';
import { fieldAt } from '../earth/field';
import { IDENTITY } from '../frames/mat3';
import { seededRng } from '../math/random';
import { checkSite } from './site';

const MODEL = fieldAt(54.2, -3.1, 10, '2026-05-14');
const KEPT = { hardIronUt: [0, 0, 0], softIron: IDENTITY };

function standing(extra: [number, number, number], { forS = 6, swingUt = 0 } = {}) {
	const rng = seededRng(1);
	const t = Array.from({ length: forS * 50 + 1 }, (_, k) => k / 50);
	const [n, e, d] = [MODEL.northUt + extra[0], MODEL.eastUt + extra[1], MODEL.downUt + extra[2]];
	return {
		mag: {
			t,
			x: t.map((s) => n + swingUt * Math.sin(3 * s) + 0.2 * rng.normal()),
			y: t.map(() => e + 0.2 * rng.normal()),
			z: t.map(() => d + 0.2 * rng.normal()),
		},
		accel: { t, x: t.map(() => 0), y: t.map(() => 0), z: t.map(() => -9.81) },
	};
}
const code = (at: ReturnType<typeof standing>, kept: typeof KEPT | undefined = KEPT) =>
	checkSite(at.mag, at.accel, MODEL, kept).reasons[0].code;

describe('standing still before turning', () => {
	it('a clean place passes, with strength and dip as the model', () => {
		const at = standing([0, 0, 0]);
		const finding = checkSite(at.mag, at.accel, MODEL, KEPT);
		expect(finding.verdict).toBe('pass');
		expect(finding.dipDeg).toBeCloseTo(MODEL.inclinationDeg, 0);
	});

	it('a disturbed place fails, and is only unproved where no calibration is in force', () => {
		expect(code(standing([12, 0, 8]))).toBe('site-disturbed');
		const bare = standing([12, 0, 8]);
		const finding = checkSite(bare.mag, bare.accel, MODEL);
		expect(finding.verdict).toBe('caution');
		expect(finding.reasons.map((r) => r.code)).toContain('site-unproved');
	});

	it('a dip that is off fails though the strength fits', () => {
		const turned = standing([10, 0, -6]);
		expect(checkSite(turned.mag, turned.accel, MODEL, KEPT).reasons.map((r) => r.code)).toContain('site-dip-off');
	});

	it('a field that swings is told', () => {
		const at = standing([0, 0, 0], { swingUt: 6 });
		expect(checkSite(at.mag, at.accel, MODEL, KEPT).reasons.map((r) => r.code)).toContain('site-restless');
	});

	it('too short, or nothing at all, is not enough', () => {
		expect(code(standing([0, 0, 0], { forS: 3 }))).toBe('insufficient-still');
		const nothing = { t: [], x: [], y: [], z: [] };
		expect(checkSite(nothing, undefined, MODEL).reasons[0].code).toBe('insufficient-still');
	});
});
