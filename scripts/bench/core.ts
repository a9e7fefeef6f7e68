import { diagnoseResponse } from '../../src/lib/core/propulsion/diagnose';
import { hypothesesOf } from '../../src/lib/core/propulsion/hypotheses';
import { shownBy } from '../../src/lib/core/propulsion/checks';
import { motorsOf } from '../../src/lib/core/propulsion/layouts';
import { OUTCOMES, predict, TESTS } from '../../src/lib/core/propulsion/observation';
import { CHECKS, type CheckCode } from '../../src/lib/core/propulsion/words';
import { planReturn } from '../../src/lib/core/return/plan';
import { planHome } from '../../src/lib/core/return/planned';
import { seededRng } from '../../src/lib/core/math/random';
import { layoutSchema, type CheckOutcome, type Layout, type Outcome } from '../../src/lib/schema/response';
import { returnRequestSchema, type ReturnRequest } from '../../src/lib/schema/return';
import { WAY_HOME } from '../../src/lib/rig/wayHome';
import { report, timeMs } from './report';

/**
 * How much of the prior weight has the truth among the first three, when each fault is seen as `observe` says and so many
 * of the advised checks are made.
 */
function firstThree(
	layout: Layout,
	observe: (predicted: Partial<Record<Outcome, number>>) => Outcome,
	draws: number,
	advised = 0,
): string {
	const motors = motorsOf(layout, 'front-inward');
	let weight = 0;
	let found = 0;
	const all = hypothesesOf(layout, motors);
	for (const h of all) {
		const predicted = predict(h, motors);
		for (let draw = 0; draw < draws; draw++) {
			const [rollRight, pitchForward, yawRight, throttle] = TESTS.map((test) => observe(predicted[test]));
			const observed = { rollRight, pitchForward, yawRight, throttle };
			const checks: Partial<Record<CheckCode, CheckOutcome>> = {};
			const diagnose = () => diagnoseResponse({ layout, spin: 'front-inward', observed, checks });
			for (let k = 0; k < advised; k++) {
				const code = CHECKS.find((c) => c === diagnose().nextTest.code);
				if (code) checks[code] = shownBy(h, all[0], code);
			}
			const { ranked } = diagnose();
			weight += h.weight;
			if (ranked.slice(0, 3).some(({ fault }) => fault === h.fault)) found += h.weight;
		}
	}
	return (found / weight).toFixed(3);
}

/** Every single and plausible double fault of every layout, as it most likely looks, and drawn with the model's own noise. */
export function benchResponse(): void {
	const rng = seededRng(9);
	const likeliest = (predicted: Partial<Record<Outcome, number>>) =>
		OUTCOMES.reduce((a, b) => ((predicted[b] ?? 0) > (predicted[a] ?? 0) ? b : a));
	const drawn = (predicted: Partial<Record<Outcome, number>>) => {
		let u = rng.uniform();
		return OUTCOMES.find((outcome) => (u -= predicted[outcome] ?? 0) < 0) ?? 'none';
	};
	report(
		'Ground response: truth in the first three, weighted by the priors (bar: 0.95)',
		layoutSchema.options.map((layout) => ({
			layout,
			'as it most likely looks': firstThree(layout, likeliest, 1),
			'drawn with noise (the model is the truth)': firstThree(layout, drawn, 4),
			'and one advised check': firstThree(layout, drawn, 4, 1),
			'and two': firstThree(layout, drawn, 4, 2),
		})),
	);
}

export function benchReturn(): void {
	const request = (climbFirst: boolean) =>
		returnRequestSchema.parse({
			...WAY_HOME,
			wind: { fromDeg: 250, speedMps: 6, gustMps: 9 },
			settings: { ...WAY_HOME.settings, returnHeightM: 60, climbFirst },
		});
	const stepped = [true, false].map((climbFirst) => {
		const r = request(climbFirst);
		const plan = planReturn(r);
		const slow = flyHome(r);
		return {
			climb: climbFirst ? 'first' : 'on the way',
			'closed form, s and Wh': `${plan.totalTimeS?.toFixed(2)} ${plan.totalWh?.toFixed(3)}`,
			'steps of 5 ms': `${slow.timeS.toFixed(2)} ${slow.wh.toFixed(3)}`,
			'apart, %': Math.max(
				100 * Math.abs((plan.totalTimeS ?? 0) / slow.timeS - 1),
				100 * Math.abs((plan.totalWh ?? 0) / slow.wh - 1),
			).toFixed(3),
		};
	});
	report('The way home: closed form against flying it in small steps (bar: 1 %)', stepped);
	report('The way home: plan with reach on 360 bearings (bar: 50 ms)', [
		{ climb: 'first', ms: timeMs(() => planReturn(request(true))).toFixed(1) },
		{ climb: 'on the way', ms: timeMs(() => planReturn(request(false)), 5).toFixed(1) },
	]);
	const stands = Array.from({ length: 12 }, (_, k) => ({
		bearingDeg: 30 * k,
		distanceM: 60 + 20 * k,
		heightM: 12,
		widthM: 10,
	}));
	const planned = { ...request(true), obstacles: stands };
	const farthest = { distanceM: 500, heightM: 25, bearingDeg: null };
	report('The way home of a planned flight: worst of all places, 12 things standing (bar: 50 ms)', [
		{ ms: timeMs(() => planHome(planned, farthest, { powerSigmaLn: 0.15 })).toFixed(1) },
	]);
}

/** The return flown in steps of 5 ms: an independent, plain way to the same figures. */
function flyHome(r: ReturnRequest): { timeS: number; wh: number } {
	const dt = 0.005;
	const { aircraft: a, wind, settings } = r;
	const home = ((r.position.bearingDeg + 180) * Math.PI) / 180;
	const [tn, te] = [Math.cos(home), Math.sin(home)];
	const H = Math.max(r.position.heightM, settings.returnHeightM);
	let z = r.position.heightM;
	let left = r.position.distanceM;
	let [timeS, ws] = [0, 0];
	while (left > 0 || z > 0) {
		const climbing = z < H && left > 0;
		const cruising = left > 0 && (!climbing || !settings.climbFirst);
		let power = climbing && settings.climbFirst ? a.climbW : 0;
		if (cruising) {
			const f = (Math.max(z, 1) / wind.heightM) ** wind.shearExponent;
			const from = (wind.fromDeg * Math.PI) / 180;
			const [wn, we] = [-Math.cos(from) * wind.speedMps * f, -Math.sin(from) * wind.speedMps * f];
			const along = wn * tn + we * te;
			const cross = wn * te - we * tn;
			const needed = Math.hypot(a.returnSpeedMps - along, cross);
			const air = Math.min(needed, a.airspeedMaxMps);
			const ground = needed <= a.airspeedMaxMps ? a.returnSpeedMps : Math.sqrt(air * air - cross * cross) + along;
			power = a.cruiseW * Math.max(1, air / a.returnSpeedMps) + (climbing ? Math.max(0, a.climbW - a.hoverW) : 0);
			left -= ground * dt;
		} else if (!climbing) {
			power = a.descentW;
			z -= a.descentMps * dt;
		}
		if (climbing) z = Math.min(H, z + a.climbMps * dt);
		ws += power * dt;
		timeS += dt;
	}
	return { timeS, wh: ws / 3600 };
}
