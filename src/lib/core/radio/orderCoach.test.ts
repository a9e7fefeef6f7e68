import { describe, expect, it } from 'vitest';
import { seededRng } from '../math/random';
import { coachOrder, ORDER_BEGIN, type OrderCoach } from './orderCoach';

type Move = readonly number[];

/** Each move pushes channels to where it says and back within a second, after a second and a half of rest. */
function stream(moves: readonly Move[], stays = false) {
	const rng = seededRng(2);
	const t: number[] = [];
	const channels: number[][] = [[], [], [], []];
	const push = (values: Move) => {
		t.push(t.length / 50);
		channels.forEach((column, k) => column.push((values[k] ?? 0) + 0.004 * rng.normal()));
	};
	moves.forEach((move, index) => {
		for (let i = 0; i < 75; i++) push([]);
		for (let i = 0; i <= 50; i++) push(move.map((v) => v * Math.sin((Math.PI * i) / 50)));
		for (let i = 0; i < 60; i++) push(stays && index === moves.length - 1 ? move : []);
	});
	return { t, channels };
}
function follow(moves: readonly Move[]): OrderCoach[] {
	const { t, channels } = stream(moves);
	const views: OrderCoach[] = [];
	let view = ORDER_BEGIN;
	for (let n = 9; n <= t.length; n += 9) {
		view = coachOrder({ t: t.slice(0, n), channels: channels.map((c) => c.slice(0, n)) }, view);
		views.push(view);
	}
	return views;
}
const roll = [0.9, 0, 0, 0];
const pitch = [0, -0.8, 0, 0];
const yaw = [0, 0, 0, 1];
const up = [0, 0, 1, 0];

describe('four asked gestures', () => {
	it('are taken one by one, whatever channel they come on and whichever way', () => {
		const views = follow([roll, pitch, yaw, up]);
		expect(views.at(-1)?.phase).toBe('done');
		const windows = views.at(-1)?.windows ?? [];
		expect(windows).toHaveLength(4);
		windows.slice(1).forEach(([from], k) => expect(from).toBeGreaterThan(windows[k][1]));
		expect(views[0].words).toBe('Leave all sticks alone');
		expect(views.some(({ words }) => words.startsWith('Yaw: stick to the right'))).toBe(true);
	});

	it('that move two channels are asked for again, alone', () => {
		const views = follow([roll, [0, 0.8, 0.7, 0], pitch, yaw, up]);
		expect(views.some(({ fault, words }) => fault === 'two' && words.includes('Pitch'))).toBe(true);
		expect(views.at(-1)?.windows).toHaveLength(4);
	});

	it('that were made wrongly are counted, however many come at once', () => {
		const { t, channels } = stream([roll, [0, 0.8, 0.7, 0], [0, 0.8, 0.7, 0], [0, 0, 0, 0]]);
		expect(coachOrder({ t, channels }, ORDER_BEGIN)).toMatchObject({ wrong: 2, phase: 'wait', fault: 'two' });
		expect(follow([roll, [0, 0.8, 0.7, 0], pitch]).at(-1)?.wrong).toBe(0);
	});

	it('that hardly move are asked for again', () => {
		const views = follow([[0.35, 0, 0, 0], roll]);
		expect(views.some(({ fault }) => fault === 'small')).toBe(true);
		expect(views.at(-1)?.windows).toHaveLength(1);
	});

	it('never begin without a rest', () => {
		const t = Array.from({ length: 200 }, (_, k) => k / 50);
		const shaky = t.map((s) => 0.3 * Math.sin(9 * s));
		expect(coachOrder({ t, channels: [shaky, shaky] }, ORDER_BEGIN).phase).toBe('rest');
	});
});
