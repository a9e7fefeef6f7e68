import { showSigned } from '../../words/figures';
import type { Cause } from '../../schema/hover';
import { CALIBRATE, LAND } from '$lib/messages/hover';
import type { Findings } from './findings';
import { hoverLimits as limits } from './limits';

const logistic = (x: number) => 1 / (1 + Math.exp(-x));

/** What may be behind a hover, each with its own probability, most likely first (docs/methods/hover.md#drift-and-jumps). */
export function causesOf(f: Findings): Cause[] {
	const causes: Cause[] = [];
	const add = (code: string, probability: number, why: string, next: string) =>
		causes.push({ code, probability: Math.max(0, Math.min(1, probability)), why, next });
	if (f.request.hold === 'position')
		add(
			'no-position-hold',
			f.runaway ? 0.95 : 0.02,
			`it travelled ${(f.speedMps * f.T).toFixed(1)} m in ${f.T.toFixed(0)} s`,
			`${LAND} Look whether position hold was really on and the fix good.`,
		);
	if (f.circling) {
		const { present, confidence, compassErrorDeg, compassErrorSigmaDeg, beyond } = f.circling;
		add(
			'compass-error',
			present ? Math.max(0.6, confidence) : Math.min(0.45, beyond),
			`the motion turns one way: compass ${showSigned(compassErrorDeg)}° ± ${compassErrorSigmaDeg.toFixed(0)}°`,
			CALIBRATE,
		);
	}
	if (f.drift) {
		const told = f.request.wind !== undefined || f.request.heading !== undefined;
		const most = told ? 1 : 0.8;
		const turn = 'Repeat the hover with the nose turned by half a turn: wind stays, trim turns with the nose.';
		add('wind-drift', Math.min(most, f.drift.wind), f.drift.why, turn);
		add('level-trim', Math.min(most, f.drift.trim), f.drift.why, 'Check the level calibration on a level surface.');
	}
	add('fix-jump', f.jumps > 0 ? 0.9 : 0.02, `${f.jumps} jumps of the fix`, 'Wait for more satellites under open sky.');
	add(
		'weak-fix',
		logistic((f.jitterM - limits.weakFixM.value) / 0.03),
		`the fix jitters by ${f.jitterM.toFixed(2)} m`,
		'Wait for more satellites under open sky, look at the antenna.',
	);
	const { oscillationHz, oscillationM, slowRmsM, driftMps, washRmsM } = f.height;
	add(
		'height-oscillation',
		oscillationHz === null ? 0.03 : 0.9,
		oscillationM === null || oscillationHz === null
			? 'no regular bobbing'
			: `bobbing by ${oscillationM.toFixed(2)} m at ${oscillationHz.toFixed(1)} Hz`,
		'Soften the height loop one step at a time.',
	);
	const slow = Math.max(slowRmsM / limits.heightRmsM.value, (Math.abs(driftMps) * f.T) / limits.heightDriftM.value);
	const direct = f.request.upSource === 'pressure' ? 0.5 : 1;
	add(
		'pressure-disturbance',
		direct * logistic((slow - 1) / 0.12),
		`the height wandered by ${slowRmsM.toFixed(2)} m`,
		'Shield the pressure sensor from wind and wash with open-cell foam.',
	);
	add(
		'ground-effect',
		f.nearGround ? logistic((washRmsM - limits.groundEffectRmsM.value) / 0.004) : 0.02,
		f.nearGround
			? `near the ground, jitter ${(washRmsM * 100).toFixed(1)} cm`
			: 'well above the ground, or the height above it is not known',
		'Climb to head height and look again.',
	);
	const worst = Math.max(...causes.map(({ probability }) => probability));
	add(
		'holding-well',
		f.request.hold !== 'position' || f.T < limits.minHoldS.value || f.diameter95M > limits.bubble95M.value
			? Math.min(0.3, 1 - worst)
			: 1 - worst,
		f.circling
			? `nothing else was found; compass errors above about ${f.circling.excludedAboveDeg.toFixed(0)}° are excluded`
			: 'nothing else was found',
		'Go on to the next rung.',
	);
	return causes.sort((a, b) => b.probability - a.probability);
}
