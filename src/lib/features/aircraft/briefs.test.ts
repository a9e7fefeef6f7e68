import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { makeDemo } from '$lib/rig/demo';
import { newAircraft } from '$lib/schema/newAircraft';
import { aircraftKindSchema, aircraftSchema, partSchema, type Aircraft } from '$lib/schema/records';
import { brief } from './briefs';
import { PART_WORDS } from './partWords';

const AT = '2026-05-14T09:00:00.000Z';
const demo = makeDemo(new Date('2026-05-14T10:30:00'));

/** Any aircraft that its schema takes: a new one of any kind with some of its fields set. */
const crafts = fc
	.record({
		kind: fc.constantFrom(...aircraftKindSchema.options),
		rotors: fc.integer({ min: 0, max: 12 }),
		compasses: fc.integer({ min: 0, max: 3 }),
		hasPosition: fc.boolean(),
		description: fc.constantFrom('', 'A mapping quadcopter.', 'Blue'),
		firmware: fc.constantFrom('', '4.2'),
		serial: fc.constantFrom('', 'A-17'),
		returnHeightM: fc.integer({ min: 10, max: 120 }),
		parts: fc.dictionary(fc.constantFrom(...partSchema.options), fc.boolean()),
		lossAction: fc.constantFrom('stop' as const, 'return' as const, 'land' as const, 'hover' as const, undefined),
		ladder: fc.constantFrom(
			undefined,
			{ firstHover: 'indoors' as const },
			{ firstHeight: 'low' as const, takeOff: 'automatic' as const },
		),
	})
	.map(({ kind, lossAction, ladder, ...more }): Aircraft => ({
		...newAircraft('a', kind, AT),
		name: 'Any',
		...more,
		...(lossAction ? { lossAction } : {}),
		...(ladder ? { ladder } : {}),
	}))
	.filter((craft) => aircraftSchema.safeParse(craft).success);

/** All lines of a folded form. */
const linesOf = (craft: Aircraft, units: 'metric' | 'imperial'): string[] => [
	brief.about(craft),
	brief.frame(craft),
	brief.radio(craft),
	brief.lights(craft),
	brief.linkLoss(craft),
	brief.limits(craft, units),
	brief.home(craft),
	brief.firstFlights(craft),
	brief.school(craft),
];

describe('the folded parts of an aircraft’s form', () => {
	it('say in one line what stands in them, and nothing that does not exist', () => {
		fc.assert(
			fc.property(crafts, fc.constantFrom('metric' as const, 'imperial' as const), (craft, units) => {
				for (const line of linesOf(craft, units)) {
					expect(line).toMatch(/^\S.*\S$/);
					expect(line).not.toMatch(/undefined|null|NaN|, ,|; ;|\n|\s\s/);
				}
			}),
		);
	});

	it('of the demo are the same as what its aircraft have', () => {
		for (const craft of demo.aircraft) {
			const [about, frame, radio, lights] = linesOf(craft, 'metric');
			if (craft.firmware) expect(about).toContain(`firmware ${craft.firmware}`);
			if (craft.rotors > 1) expect(frame).toContain(`${craft.rotors} rotors`);
			expect(frame).toContain(craft.hasPosition ? 'position receiver' : 'no position receiver');
			expect(radio.startsWith(String(craft.controls?.length || 'no'))).toBe(true);
			expect(lights.startsWith(String(craft.lightTable?.length || 'no'))).toBe(true);
		}
	});

	it('of a new aircraft say that nothing was entered', () => {
		for (const kind of aircraftKindSchema.options) {
			const craft = { ...newAircraft('a', kind, AT), name: 'Any' };
			expect([brief.radio(craft), brief.lights(craft), brief.home(craft)]).toEqual([
				'no control yet',
				'no line yet',
				'as is usual for its kind',
			]);
			expect(brief.linkLoss(craft)).toMatch(/link lost: (not read off yet|stop|return|land|hover)/);
		}
	});

	it('tell heights and speeds in the pilot’s units, with no digits that nobody typed', () => {
		const craft = { ...newAircraft('a', 'camera', AT), name: 'Any', returnHeightM: 30, returnSpeedMps: 8 };
		expect(brief.limits(craft, 'metric')).toContain('return at 30 m and 8 m/s');
		expect(brief.limits(craft, 'imperial')).toContain('return at 98.4 ft and 17.9 mph');
	});

	it('name every part that it has, by the words of the form', () => {
		fc.assert(
			fc.property(crafts, (craft) => {
				const frame = brief.frame(craft);
				for (const part of partSchema.options) {
					if (craft.parts?.[part] === true) expect(frame, part).toContain(PART_WORDS[part].toLowerCase());
					if (craft.parts?.[part] === false)
						expect(frame.split(', '), part).not.toContain(PART_WORDS[part].toLowerCase());
				}
			}),
		);
	});
});
