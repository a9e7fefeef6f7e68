import { describe, expect, it } from 'vitest';
import {
	judgeSurfaces,
	judgeThrows,
	surfaceSteps,
	type Axis,
	type By,
	type Seen,
	type SeenStep,
	type SurfaceId,
	type SurfaceKind,
} from './surfaces';

const KINDS: readonly SurfaceKind[] = ['elevons', 'separate', 'v-tail'];
/** Everything as it should be, but what `wrong` says otherwise. */
const seen = (kind: SurfaceKind, wrong: (axis: Axis, by: By, id: SurfaceId) => Seen = () => 'right'): SeenStep[] =>
	surfaceSteps(kind).map(({ axis, by, wanted }) => ({
		axis,
		by,
		seen: Object.fromEntries((Object.keys(wanted) as SurfaceId[]).map((id) => [id, wrong(axis, by, id)])),
	}));
const codes = (kind: SurfaceKind, steps: SeenStep[]) => judgeSurfaces(kind, steps).reasons.map(({ code }) => code);

describe('the movements of a wing’s surfaces', () => {
	it('are opposite by stabiliser of what the stick does, and of every kind', () => {
		for (const kind of KINDS) {
			const steps = surfaceSteps(kind);
			for (const { axis, by, wanted } of steps.filter((s) => s.by === 'stabiliser')) {
				const stick = steps.find((s) => s.axis === axis && s.by === 'stick')?.wanted ?? {};
				for (const [id, move] of Object.entries(wanted))
					expect(move, `${kind} ${axis} ${by}`).not.toBe(stick[id as SurfaceId]);
			}
		}
		expect(surfaceSteps('elevons')[0].wanted).toEqual({ left: 'down', right: 'up' });
	});
	it('that are right pass, whole; a part of them passes nothing', () => {
		for (const kind of KINDS) {
			expect(codes(kind, seen(kind))).toEqual(['surfaces-right']);
			expect(codes(kind, seen(kind).slice(1))).toEqual(['insufficient-grid']);
			expect(codes(kind, [])).toEqual(['insufficient-grid']);
		}
	});
	it.each<[string, SurfaceKind, (axis: Axis, by: By, id: SurfaceId) => Seen, string[]]>([
		['one elevon’s servo', 'elevons', (_, __, id) => (id === 'left' ? 'reversed' : 'right'), ['servo-reversed']],
		['two elevons exchanged', 'elevons', (axis) => (axis === 'roll' ? 'reversed' : 'right'), ['surfaces-exchanged']],
		['an elevator', 'separate', (axis) => (axis === 'pitch' ? 'reversed' : 'right'), ['outputs-reversed']],
		[
			'the roll channel',
			'separate',
			(axis, by) => (axis === 'roll' && by === 'stick' ? 'reversed' : 'right'),
			['channel-reversed'],
		],
		[
			'the stabiliser in pitch',
			'v-tail',
			(axis, by) => (axis === 'pitch' && by === 'stabiliser' ? 'reversed' : 'right'),
			['stabiliser-reversed'],
		],
		[
			'a rudder that does not move',
			'separate',
			(_, __, id) => (id === 'rudder' ? 'still' : 'right'),
			['surface-still'],
		],
		[
			'one aileron by stick alone',
			'separate',
			(axis, by, id) => (axis === 'roll' && by === 'stick' && id === 'left' ? 'still' : 'right'),
			['surface-wrong'],
		],
	])('name the cause of %s', (_, kind, wrong, expected) => {
		expect(codes(kind, seen(kind, wrong))).toEqual(expected);
	});
	it('never pass with anything seen wrong', () => {
		for (const kind of KINDS)
			for (const { axis, by, wanted } of surfaceSteps(kind))
				for (const id of Object.keys(wanted) as SurfaceId[])
					for (const what of ['reversed', 'still'] as const)
						expect(
							judgeSurfaces(
								kind,
								seen(kind, (a, b, i) => (a === axis && b === by && i === id ? what : 'right')),
							).verdict,
						).toBe('fail');
	});
});

describe('throws', () => {
	const sheet = { left: { upMm: 12, downMm: 10 }, right: { upMm: 12, downMm: 10 } };
	it('are held against the sheet, within what a ruler tells', () => {
		const good = judgeThrows('elevons', { left: { upMm: 12.5, downMm: 10 }, right: { upMm: 12, downMm: 9.5 } }, sheet);
		expect(good.every(({ level }) => level === 'pass')).toBe(true);
		const off = judgeThrows('elevons', { left: { upMm: 15, downMm: 10 }, right: { upMm: 15, downMm: 10 } }, sheet);
		expect(off.filter(({ code }) => code === 'throw-off')).toHaveLength(2);
	});
	it('are held one side against the other, sheet or none', () => {
		const reasons = judgeThrows('elevons', { left: { upMm: 12, downMm: 10 }, right: { upMm: 8, downMm: 10 } }, {});
		expect(reasons.map(({ code }) => code)).toEqual(['throws-differ']);
		expect(reasons[0].value).toBe(4);
	});
	it('say nothing where nothing was measured', () => {
		expect(judgeThrows('separate', {}, sheet)).toEqual([]);
	});
});
