import { figure } from '$lib/core/figures/figure';
import { fields } from './form';
import { working, type FormOf } from '../form';
import { excludedAboveDeg, reviewLegs } from '$lib/core/hover/straightLeg';
import { report } from '../instrument';

const leg = (v: FormOf<typeof fields>, n: 1 | 2) => {
	const course = (v[`course${n}` as const] * Math.PI) / 180;
	const mps = v[`legSpeed${n}` as const];
	return {
		northMps: mps * Math.cos(course),
		eastMps: mps * Math.sin(course),
		headingDeg: v[`legHeading${n}` as const],
		lengthM: v[`length${n}` as const],
		sigmaMps: 0.15,
	};
};

export const compute = working(fields, async ({ form: v }) => {
	const legs = v.back === 'yes' ? [leg(v, 1), leg(v, 2)] : [leg(v, 1)];
	const answer = reviewLegs(legs[0], legs[1] ?? null, v.wind);
	const { compassErrorDeg, sigmaDeg } = answer;
	const error = figure('leg-error', compassErrorDeg, { digits: 0, sigma: sigmaDeg });
	const excludedDeg =
		compassErrorDeg === null || sigmaDeg === null ? null : excludedAboveDeg(compassErrorDeg, sigmaDeg);
	const told = compassErrorDeg !== null && sigmaDeg !== null && Math.abs(compassErrorDeg) > 2 * sigmaDeg;
	return {
		...report(answer, answer.reasons[0].text),
		plots: [
			{
				kind: 'arrows' as const,
				title: 'Where it went, and where its compass said that it points',
				unit: 'm/s',
				arrows: legs.flatMap(({ northMps, eastMps, headingDeg }, k) => {
					const nose = (headingDeg * Math.PI) / 180;
					const of = legs.length > 1 ? ` ${k + 1}` : '';
					return [
						{ label: `went${of}`, north: northMps, east: eastMps },
						{ label: `nose${of}`, north: Math.cos(nose), east: Math.sin(nose), dashed: true },
					];
				}),
			},
		],
		figures: [
			// An error is shown large only where it is told from none.
			...(told ? [error] : [figure('leg-excluded', excludedDeg, { digits: 0 }), error]),
			figure('leg-course', answer.courseDeg, { digits: 0 }),
		],
	};
});
