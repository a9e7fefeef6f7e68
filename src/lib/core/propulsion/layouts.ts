import type { Layout } from '../../schema/response';
import { DEG } from '../frames/angles';

export interface Motor {
	name: string;
	/** Clockwise from the nose, degrees. */
	angleDeg: number;
	/** Planned spin seen from above: +1 clockwise. */
	spin: number;
	x: number;
	y: number;
}

/** Name, angle and spin (front-inward) of every motor (docs/methods/response.md#motors). */
const PLANS: Record<Layout, readonly [string, number, number][]> = {
	'quad-x': [
		['FL', -45, 1],
		['FR', 45, -1],
		['BR', 135, 1],
		['BL', -135, -1],
	],
	'quad-plus': [
		['F', 0, 1],
		['R', 90, -1],
		['B', 180, 1],
		['L', -90, -1],
	],
	'hex-x': [
		['FL', -30, 1],
		['FR', 30, -1],
		['R', 90, 1],
		['BR', 150, -1],
		['BL', -150, 1],
		['L', -90, -1],
	],
	'hex-plus': [
		['F', 0, 1],
		['FR', 60, -1],
		['BR', 120, 1],
		['B', 180, -1],
		['BL', -120, 1],
		['FL', -60, -1],
	],
	'octo-x': [
		['FL', -22.5, 1],
		['FR', 22.5, -1],
		['RF', 67.5, 1],
		['RB', 112.5, -1],
		['BR', 157.5, 1],
		['BL', -157.5, -1],
		['LB', -112.5, 1],
		['LF', -67.5, -1],
	],
	y6: [
		['FLU', -60, 1],
		['FLL', -60, -1],
		['FRU', 60, -1],
		['FRL', 60, 1],
		['BU', 180, 1],
		['BL', 180, -1],
	],
};

/** Motors of a layout in a spin scheme; positions on the unit circle, x forward, y right. */
export function motorsOf(layout: Layout, spin: 'front-inward' | 'front-outward'): Motor[] {
	const turn = spin === 'front-inward' ? 1 : -1;
	const clean = (value: number) => (Math.abs(value) < 1e-12 ? 0 : value);
	return PLANS[layout].map(([name, angleDeg, s]) => ({
		name,
		angleDeg,
		spin: turn * s,
		x: clean(Math.cos(angleDeg * DEG)),
		y: clean(Math.sin(angleDeg * DEG)),
	}));
}
