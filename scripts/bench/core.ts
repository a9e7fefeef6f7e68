import { diagnoseResponse } from '../../src/lib/core/propulsion/diagnose';
import { hypothesesOf } from '../../src/lib/core/propulsion/hypotheses';
import { motorsOf } from '../../src/lib/core/propulsion/layouts';
import { OUTCOMES, predict, TESTS } from '../../src/lib/core/propulsion/observation';
import { planReturn } from '../../src/lib/core/return/plan';
import { seededRng } from '../../src/lib/core/frames/random';
import { layoutSchema } from '../../src/lib/schema/response';
import { returnRequestSchema } from '../../src/lib/schema/return';
import { report, timeMs } from './report';

const DRAWS = 4;

/** Every fault of every layout as it would be seen: how much of the prior weight has the truth among the first three. */
export function benchResponse(): void {
	const rows = layoutSchema.options.map((layout) => {
		const motors = motorsOf(layout, 'front-inward');
		const rng = seededRng(9);
		let weight = 0;
		let found = 0;
		for (const h of hypothesesOf(layout, motors)) {
			const predicted = predict(h, motors);
			for (let draw = 0; draw < DRAWS; draw++) {
				const seen = TESTS.map((test) => {
					let u = rng.uniform();
					return OUTCOMES.find((outcome) => (u -= predicted[test][outcome] ?? 0) < 0) ?? 'none';
				});
				const [rollRight, pitchForward, yawRight, throttle] = seen;
				const { ranked } = diagnoseResponse({
					layout,
					spin: 'front-inward',
					observed: { rollRight, pitchForward, yawRight, throttle },
				});
				weight += h.weight;
				if (ranked.slice(0, 3).some(({ fault }) => fault === h.fault)) found += h.weight;
			}
		}
		return { layout, 'truth in the first three': (found / weight).toFixed(3) };
	});
	report('Ground response: all faults and double faults, weighted by their priors (bar: 0.95)', rows);
}

export function benchReturn(): void {
	const request = (climbFirst: boolean) =>
		returnRequestSchema.parse({
			aircraft: {
				airspeedMaxMps: 16,
				returnSpeedMps: 10,
				speedKind: 'ground',
				climbMps: 3,
				descentMps: 1.5,
				hoverW: 180,
				cruiseW: 200,
				climbW: 260,
				descentW: 160,
			},
			pack: { usableWh: 60, reservePct: 25 },
			wind: { fromDeg: 250, speedMps: 6, gustMps: 9 },
			settings: { returnHeightM: 60, minDistanceM: 20, climbFirst, action: 'return' },
			position: { bearingDeg: 62, distanceM: 500, heightM: 25 },
			obstacles: [],
			usedWh: 10,
		});
	report('The way home: plan with reach on 360 bearings (bar: 50 ms)', [
		{ climb: 'first', ms: timeMs(() => planReturn(request(true))).toFixed(1) },
		{ climb: 'on the way', ms: timeMs(() => planReturn(request(false)), 5).toFixed(1) },
	]);
}
