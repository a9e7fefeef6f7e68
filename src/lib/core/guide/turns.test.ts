import { describe, expect, it } from 'vitest';
import { DEG } from '../frames/angles';
import { apply, transpose } from '../frames/mat3';
import { seededRng } from '../math/random';
import { fromYawPitchRoll } from '../frames/rotation';
import { followTurns, TURN_PLANS, TURNS_BEGIN, type TurnView } from './turns';

const RATE = 50;
const planOf = (id: string) => TURN_PLANS.find((p) => p.id === id) ?? TURN_PLANS[0];

interface Part {
	pitchDeg: number;
	rollDeg: number;
	turnDeg: number;
	rateDegps?: number;
}

/** A stream of turns about the vertical, each in its pose. */
function turning(parts: readonly Part[]) {
	const rng = seededRng(3);
	const make = () => ({ t: [] as number[], x: [] as number[], y: [] as number[], z: [] as number[] });
	const [accel, gyro] = [make(), make()];
	let k = 0;
	for (const { pitchDeg, rollDeg, turnDeg, rateDegps = 45 } of parts)
		for (let i = 0; i < (Math.abs(turnDeg) / rateDegps) * RATE; i++) {
			const attitude = fromYawPitchRoll(1, pitchDeg * DEG, rollDeg * DEG);
			const f = apply(transpose(attitude), [0, 0, -9.8]);
			const w = apply(transpose(attitude), [0, 0, Math.sign(turnDeg) * rateDegps * DEG]);
			for (const [axes, v, noise] of [
				[accel, f, 0.1],
				[gyro, w, 0.01],
			] as const) {
				axes.t.push(k / RATE);
				axes.x.push(v[0] + noise * rng.normal());
				axes.y.push(v[1] + noise * rng.normal());
				axes.z.push(v[2] + noise * rng.normal());
			}
			k++;
		}
	return { accel, gyro };
}

function follow(id: string, parts: readonly Part[]): TurnView[] {
	const all = turning(parts);
	const views: TurnView[] = [];
	let view = TURNS_BEGIN;
	const cut = (axes: typeof all.accel, n: number) => ({
		t: axes.t.slice(0, n),
		x: axes.x.slice(0, n),
		y: axes.y.slice(0, n),
		z: axes.z.slice(0, n),
	});
	for (let n = 7; n <= all.accel.t.length; n += 7) {
		view = followTurns(planOf(id), view, { accel: cut(all.accel, n), gyro: cut(all.gyro, n) });
		views.push(view);
	}
	return views;
}
const level = { pitchDeg: 0, rollDeg: 0 };

describe('turns of a recipe', () => {
	it('count where the pose is held, either way round, to the whole turn', () => {
		const views = follow('two-turns', [
			{ ...level, turnDeg: 375 },
			{ pitchDeg: 85, rollDeg: 0, turnDeg: -375 },
		]);
		expect(views.at(-1)?.over).toBe(true);
		const short = follow('two-turns', [
			{ ...level, turnDeg: 375 },
			{ pitchDeg: 85, rollDeg: 0, turnDeg: 335 },
		]);
		expect(short.at(-1)?.over).toBe(false);
		expect(short.at(-1)?.turnedDeg).toBeGreaterThan(315);
	});

	it('a second turn that is not tilted enough is told by how much, and does not count', () => {
		const views = follow('tilted-second', [
			{ ...level, turnDeg: 380 },
			{ pitchDeg: 0, rollDeg: 30, turnDeg: 400 },
		]);
		expect(views.at(-1)?.done).toBe(1);
		expect(views.at(-1)?.words).toMatch(/^Tilt it more: (29|30|31)°, beyond 45° is wanted/);
		expect(
			follow('tilted-second', [
				{ ...level, turnDeg: 380 },
				{ pitchDeg: 0, rollDeg: -55, turnDeg: 380 },
			]).at(-1)?.over,
		).toBe(true);
	});

	it('three within half a minute are held on until it is over; later is too late', () => {
		const three = (rateDegps: number): Part[] => [
			{ ...level, turnDeg: 365, rateDegps },
			{ pitchDeg: 0, rollDeg: 90, turnDeg: 365, rateDegps },
			{ pitchDeg: -88, rollDeg: 0, turnDeg: 365, rateDegps },
		];
		const quick = follow('three-turns', three(60));
		expect(quick.at(-1)?.words).toMatch(/^Keep holding it, \d+ seconds more/);
		expect(
			follow('three-turns', [...three(60), { pitchDeg: -88, rollDeg: 0, turnDeg: 600, rateDegps: 40 }]).at(-1)?.over,
		).toBe(true);
		expect(follow('three-turns', three(30)).at(-1)?.fault).toBe('late');
	});

	it('too fast is told', () => {
		expect(follow('two-turns', [{ ...level, turnDeg: 300, rateDegps: 200 }]).at(-1)?.fault).toBe('fast');
	});
});
