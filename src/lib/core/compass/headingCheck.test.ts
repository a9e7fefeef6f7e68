import { describe, expect, it } from 'vitest';
import { checkHeadings, type HeadingPair } from './headingCheck';

const around = (error: (h: number) => number): HeadingPair[] =>
	[10, 100, 190, 280].map((knownDeg) => ({ knownDeg, shownDeg: (knownDeg + error(knownDeg) + 720) % 360 }));
const code = (pairs: HeadingPair[], declination = 0) => checkHeadings(pairs, declination).reasons[0].code;

describe('headings against known bearings', () => {
	it('within a few degrees all round pass', () => {
		const check = checkHeadings(
			around((h) => (h > 150 ? 2 : -1)),
			1,
		);
		expect(check.verdict).toBe('pass');
		expect(check.worstDeg).toBeCloseTo(2, 9);
	});

	it('turned by right angles are a mounting, which way is said', () => {
		expect(
			checkHeadings(
				around(() => 182),
				0,
			).reasons[0].text,
		).toContain('half a turn');
		expect(
			checkHeadings(
				around(() => -92),
				0,
			).reasons[0].text,
		).toContain('quarter turn to the left');
		expect(
			checkHeadings(
				around(() => 85),
				0,
			).reasons[0].text,
		).toContain('quarter turn to the right');
	});

	it('that change with the heading are the compass', () => {
		expect(code(around((h) => 14 * Math.sin((h * Math.PI) / 180)))).toBe('heading-varies');
	});

	it('off by the declination say so, whichever way', () => {
		expect(
			checkHeadings(
				around(() => -12),
				12,
			).reasons[0].text,
		).toContain('left out');
		expect(
			checkHeadings(
				around(() => 12),
				12,
			).reasons[0].text,
		).toContain('twice');
		expect(
			code(
				around(() => 12),
				1,
			),
		).toBe('heading-off');
	});

	it('in one direction only never pass, and none is refused', () => {
		const check = checkHeadings([{ knownDeg: 359, shownDeg: 1 }], 0);
		expect(check.verdict).toBe('caution');
		expect(check.errorsDeg[0]).toBeCloseTo(2, 9);
		expect(() => checkHeadings([], 0)).toThrow(/at least one/);
	});
});
