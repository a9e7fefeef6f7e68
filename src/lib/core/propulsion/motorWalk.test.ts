import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { layoutSchema } from '../../schema/response';
import { motorsOf } from './layouts';
import { judgeMotorWalk, motorWords, type MotorSeen, type Spin } from './motorWalk';

const right = (layout: (typeof layoutSchema.options)[number], spin: Spin): MotorSeen[] =>
	motorsOf(layout, spin).map(({ name, spin: way }) => ({ asked: name, turned: name, way: way as 1 | -1 }));
const codes = (seen: MotorSeen[]) => judgeMotorWalk('hex-x', 'front-inward', seen).reasons.map(({ code }) => code);
const six = () => right('hex-x', 'front-inward');

describe('a walk from motor to motor', () => {
	it('that is as planned is right in every layout and scheme', () => {
		for (const layout of layoutSchema.options)
			for (const spin of ['front-inward', 'front-outward'] as const)
				expect(judgeMotorWalk(layout, spin, right(layout, spin))).toMatchObject({ verdict: 'pass' });
	});

	it('of six with two outputs exchanged names the two, once', () => {
		const seen = six();
		[seen[1].turned, seen[4].turned] = [seen[4].asked, seen[1].asked];
		[seen[1].way, seen[4].way] = [seen[4].way, seen[1].way];
		const found = judgeMotorWalk('hex-x', 'front-inward', seen);
		expect(found).toMatchObject({ verdict: 'fail' });
		expect(found.reasons).toHaveLength(1);
		expect(found.reasons[0].text).toBe('Outputs of front right and rear left are swapped.');
	});

	it('tells one reversed motor from all of them', () => {
		const one = six();
		one[2].way = one[2].way === 1 ? -1 : 1;
		expect(codes(one)).toEqual(['motor-reversed']);
		const all = six().map((s): MotorSeen => ({ ...s, way: s.way === 1 ? -1 : 1 }));
		expect(codes(all)).toEqual(['all-reversed']);
	});

	it('stops at a silent motor, and passes nothing that is not whole', () => {
		const silent = six();
		silent[3] = { asked: silent[3].asked, turned: null, way: null };
		expect(codes(silent)).toEqual(['motor-silent']);
		expect(codes(six().slice(0, 5))).toEqual(['insufficient-walk']);
		expect(codes(six().map((s, k) => (k === 0 ? { ...s, way: null } : s)))).toEqual(['insufficient-walk']);
		expect(codes([])).toEqual(['insufficient-walk']);
	});

	it('finds every exchange, however long: as many names as motors that answered for another', () => {
		fc.assert(
			fc.property(fc.shuffledSubarray([0, 1, 2, 3, 4, 5], { minLength: 6, maxLength: 6 }), (order) => {
				const plan = motorsOf('hex-x', 'front-inward');
				const seen = plan.map(({ name }, k): MotorSeen => {
					const { name: turned, spin } = plan[order[k]];
					return { asked: name, turned, way: spin as 1 | -1 };
				});
				const found = judgeMotorWalk('hex-x', 'front-inward', seen);
				const moved = order.filter((to, k) => to !== k).length;
				expect(found.verdict).toBe(moved === 0 ? 'pass' : 'fail');
				const named = found.reasons
					.filter(({ code }) => code === 'outputs-exchanged')
					.map(({ text }) => text.split(' and ').length);
				expect(named.reduce((sum, n) => sum + n, 0)).toBe(moved);
			}),
		);
	});

	it('names motors as a pilot does, on three arms too', () => {
		expect(['FL', 'B', 'RF', 'BL'].map((name) => motorWords(name, 'octo-x'))).toEqual([
			...['front left', 'rear', 'right front', 'rear left'],
		]);
		expect(['FLU', 'FLL', 'BL'].map((name) => motorWords(name, 'y6'))).toEqual([
			...['front left, upper', 'front left, lower', 'rear, lower'],
		]);
	});
});
