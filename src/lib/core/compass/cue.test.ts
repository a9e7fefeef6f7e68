import { describe, expect, it } from 'vitest';
import { seededRng } from '../math/random';
import { fitCompass } from './review';
import { nextCue, POSES } from './cue';
import { columnsOf } from './samples';
import { DEG } from '../frames/angles';
import { cross, normalise, type Vec3 } from '../frames/vec3';

const DIP = 68;
const F = 50;

/** Readings of one turn with `down` of the body pointing down. */
function turnAbout(down: Vec3, n: number, seed: number) {
	const rng = seededRng(seed);
	const side = normalise(cross(down, Math.abs(down[2]) < 0.9 ? [0, 0, 1] : [1, 0, 0]));
	const third = cross(down, side);
	return Array.from({ length: n }, (_, k) => {
		const a = (2 * Math.PI * k) / n;
		const [c, s] = [F * Math.cos(DIP * DEG), F * Math.sin(DIP * DEG)];
		return [0, 1, 2].map(
			(i) => s * down[i] + c * (Math.cos(a) * side[i] + Math.sin(a) * third[i]) + 0.5 * rng.normal() + 9 * i,
		);
	});
}
const columns = (rows: number[][]) =>
	columnsOf({ x: rows.map((r) => r[0]), y: rows.map((r) => r[1]), z: rows.map((r) => r[2]) });

describe('the cue for the next turn', () => {
	it('begins without any readings', () => {
		expect(nextCue(columns([]), DIP).words).toMatch(/turning right/);
	});

	it('asks for another pose after a level turn', () => {
		const cue = nextCue(columns(turnAbout([0, 0, 1], 200, 1)), DIP);
		expect(cue.pose.label).not.toBe('level');
	});

	it('leads, followed blindly, to a calibration that is known to a degree within eight turns', () => {
		let rows = turnAbout([0, 0, 1], 200, 1);
		const asked: string[] = [];
		let sigma = Infinity;
		for (let k = 2; k <= 8 && !(sigma < 1); k++) {
			const cue = nextCue(columns(rows), DIP);
			asked.push(cue.pose.label);
			rows = [...rows, ...turnAbout(cue.pose.down, 200, k)];
			const c = columns(rows);
			const answer = fitCompass({ mag: { t: rows.map((_, i) => i), x: [...c.x], y: [...c.y], z: [...c.z] } });
			sigma = answer.uncertainty?.headingDeg ?? Infinity;
		}
		expect(sigma).toBeLessThan(1);
		expect(new Set(asked).size).toBeGreaterThan(1);
	});

	it('says keep turning once the pose is taken, and stays with a pose that is still nearly the best', () => {
		const readings = columns(turnAbout([0, 0, 1], 200, 1));
		const first = nextCue(readings, DIP);
		expect(nextCue(readings, DIP, { down: first.pose.down }).words).toMatch(/^Good/);
		expect(nextCue(readings, DIP, { stayWith: first.pose.label }).pose.label).toBe(first.pose.label);
	});

	it('knows only poses that are named differently', () => {
		expect(new Set(POSES.map((p) => p.words)).size).toBe(POSES.length);
	});
});
