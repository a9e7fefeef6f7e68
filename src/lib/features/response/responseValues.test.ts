import { describe, expect, it } from 'vitest';
import { judgeMotorWalk, type MotorSeen } from '$lib/core/propulsion/motorWalk';
import { motorsOf } from '$lib/core/propulsion/layouts';
import type { Entry } from '$lib/schema/entries';
import { newAircraft } from '$lib/schema/newAircraft';
import { responseValues } from './responseValues';

const AT = '2026-05-14T09:00:00.000Z';
const craft = { ...newAircraft('a', 'multirotor', AT), rotors: 4 };
const NOT_TRIED = { rollRight: 'not-tried', pitchForward: 'not-tried', yawRight: 'not-tried' } as const;
const motors = motorsOf('quad-x', 'front-inward');
const right: MotorSeen[] = motors.map(({ name, spin }) => ({ asked: name, turned: name, way: spin > 0 ? 1 : -1 }));

/** What a walk from motor to motor left in the record. */
function walked(seen: readonly MotorSeen[]) {
	const { verdict, reasons } = judgeMotorWalk('quad-x', 'front-inward', seen);
	const entry = { payload: { kind: 'test', task: 'motor-walk', verdict, reasons } } as unknown as Entry;
	const values = responseValues(craft, NOT_TRIED, entry);
	return [values['spin-check'], values['motor-order-check']];
}

describe('what is known of an aircraft, for the ranking of its answers', () => {
	it('its own layout stands above the usual one of so many motors; what nobody knows stays empty', () => {
		const of = (more: object) => {
			const { layout, spin } = responseValues({ ...craft, ...more }, NOT_TRIED);
			return [layout, spin];
		};
		expect(of({})).toEqual(['quad-x', craft.spin ?? '']);
		expect(of({ layout: 'quad-plus', spin: 'front-outward' })).toEqual(['quad-plus', 'front-outward']);
		expect(of({ rotors: 6, spin: undefined })).toEqual(['hex-x', '']);
		expect(of({ rotors: 3, spin: undefined })).toEqual(['', '']);
	});
	it('what was seen of the nudges goes in as it was seen', () => {
		const seen = { rollRight: 'opposite', pitchForward: 'as-commanded', yawRight: 'not-tried' } as const;
		expect(responseValues(craft, seen)).toMatchObject({ ...seen, throttle: 'not-tried' });
	});
});

describe('a walk from motor to motor', () => {
	const swap = (a: number, b: number) =>
		right.map((one, k) => {
			const with_ = k === a ? right[b] : k === b ? right[a] : one;
			return { ...one, turned: with_.asked, way: with_.way };
		});
	const turn = (...which: number[]) =>
		right.map((one, k) => (which.includes(k) && one.way ? { ...one, way: -one.way as 1 | -1 } : one));
	it.each([
		['all right', right, ['right', 'right']],
		['one the wrong way', turn(1), ['one-wrong', 'right']],
		['two the wrong way', turn(0, 2), ['some-wrong', 'right']],
		['all the wrong way', turn(0, 1, 2, 3), ['wrong', 'right']],
		['two exchanged', swap(0, 2), ['right', 'some-wrong']],
		[
			'one silent',
			right.map((one, k) => (k === 3 ? { ...one, turned: null, way: null } : one)),
			[undefined, undefined],
		],
		['not whole', right.slice(0, 2), [undefined, undefined]],
	] as [string, MotorSeen[], (string | undefined)[]][])('with %s', (_, seen, checks) => {
		expect(walked(seen)).toEqual(checks);
	});
	it('of another kind of entry, or none, says nothing', () => {
		const event = { payload: { kind: 'event', task: 'event', what: 'knock', note: '' } } as Entry;
		for (const entry of [event, null])
			expect(Object.keys(responseValues(craft, NOT_TRIED, entry)).some((key) => key.endsWith('check'))).toBe(false);
	});
});
