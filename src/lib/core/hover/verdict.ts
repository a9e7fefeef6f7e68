import type { Reason } from '../../schema/common';
import { atMost } from '../finding/grade';
import { reason } from '../finding/reasons';
import { CALIBRATE, LAND, type Findings } from './findings';
import { judgeFreeDrift } from './freeDrift';
import { hoverLimits as limits } from './limits';

/** A height that spreads by less was not measured, m. */
const NO_HEIGHTS_M = 1e-9;

/** What speaks for and against a hover, with value, limit and what to do. */
export function reasonsOf(f: Findings): Reason[] {
	const out: Reason[] = [];
	const { circling: c } = f;
	if (f.request.hold === 'position') {
		if (f.seenS < limits.minHoldS.value)
			out.push(
				reason('fail', 'insufficient-duration', `${f.seenS.toFixed(0)} s of position hold cannot show a circle.`, {
					value: f.seenS,
					limit: limits.minHoldS,
					next: 'Hover for a minute, hands off.',
				}),
			);
		if (f.runaway)
			out.push(
				reason('fail', 'no-position-hold', 'It travelled straight away: position was not held.', {
					value: f.speedMps * f.T,
					limit: limits.runawayM,
					next: LAND,
				}),
			);
		if (c?.present)
			out.push(
				reason(
					'fail',
					'compass-error',
					`It circles ${c.sense === 'ccw' ? 'to the left' : 'to the right'}: the compass reads about ${Math.abs(c.compassErrorDeg).toFixed(0)}° ± ${c.compassErrorSigmaDeg.toFixed(0)}° too far ${c.compassErrorDeg > 0 ? 'clockwise' : 'anticlockwise'}.`,
					{ value: c.evidence, limit: limits.evidence, next: CALIBRATE },
				),
			);
		else if (c && c.evidence > limits.evidence.value)
			out.push(
				reason(
					'caution',
					'turns-one-way',
					`The motion turns one way more than the other, though the compass error found is small: ${Math.abs(c.compassErrorDeg).toFixed(0)}° ± ${c.compassErrorSigmaDeg.toFixed(0)}°.`,
					{
						value: c.evidence,
						limit: limits.evidence,
						next: 'Fly straight ahead for 5 to 10 m in self-level and compare course and heading, or hover again for two minutes.',
					},
				),
			);
		else if (c)
			out.push(
				reason(
					'pass',
					'no-circling',
					`No circling found. Compass errors above about ${c.excludedAboveDeg.toFixed(0)}° are excluded, smaller ones are not.`,
					{ value: c.evidence, limit: limits.evidence },
				),
			);
		out.push(
			atMost(f.diameter95M, {
				caution: {
					limit: limits.bubble95M,
					code: 'bubble-wide',
					text: 'It wanders widely.',
					next: 'Compare with the wind; look at the fix.',
				},
				pass: {
					code: 'bubble-small',
					text: 'It stays in a small bubble (the logged track: the real one is larger).',
				},
			}),
		);
		if (!f.runaway)
			out.push(
				atMost(f.speedMps, {
					caution: {
						limit: limits.driftMps,
						code: 'drifting',
						text: 'It drifts though it should hold its place.',
						next: LAND,
					},
					pass: { code: 'not-drifting', text: 'The mean does not move.' },
				}),
			);
	} else out.push(...judgeFreeDrift(f.speedMps, f.towardRad, f.speedMps * f.T, f.request.wind));
	if (f.drift && f.drift.trim > limits.trimLikely.value)
		out.push(
			reason('caution', 'level-trim', `Level trim is likely: ${f.drift.why}.`, {
				value: f.speedMps,
				next: 'Check the level calibration.',
			}),
		);
	if (f.gapS > 0)
		out.push(
			reason(
				f.gapS > limits.gapS.value ? 'caution' : 'pass',
				'log-gap',
				`The log has a gap of ${f.gapS.toFixed(1)} s; ${f.seenS.toFixed(0)} s of the hover are in it.`,
				{
					value: f.gapS,
					limit: limits.gapS,
					...(f.gapS > limits.gapS.value ? { next: 'Log the whole hover without a pause, and hover again.' } : {}),
				},
			),
		);
	if (f.jumps > 0)
		out.push(
			reason('caution', 'fix-jump', `The fix jumped ${f.jumps} times.`, {
				value: f.jumps,
				limit: limits.jumpM,
				next: 'Wait for more satellites.',
			}),
		);
	out.push(
		atMost(f.jitterM, {
			caution: {
				limit: limits.weakFixM,
				code: 'weak-fix',
				text: 'The fix is noisy.',
				next: 'Wait for more satellites under open sky.',
			},
			pass: { code: 'fix-smooth', text: 'The fix is smooth.' },
		}),
	);
	const { oscillationM, slowRmsM, driftMps } = f.height;
	if (oscillationM !== null)
		out.push(
			reason('caution', 'height-oscillation', 'It bobs regularly.', {
				value: oscillationM,
				limit: limits.oscillationM,
				next: 'Soften the height loop one step at a time.',
			}),
		);
	if (slowRmsM > limits.heightRmsM.value || Math.abs(driftMps) * f.T > limits.heightDriftM.value)
		out.push(
			reason('caution', 'height-wander', 'The height wanders.', {
				value: slowRmsM,
				limit: limits.heightRmsM,
				next: 'Shield the pressure sensor from wind.',
			}),
		);
	else
		out.push(
			f.height.stdM < NO_HEIGHTS_M
				? reason(
						f.request.hold === 'height' ? 'caution' : 'pass',
						'no-heights',
						'The log has no heights: altitude hold is not judged.',
						{ next: 'Log the height too, or watch the height by eye.' },
					)
				: reason('pass', 'height-held', 'The height is held.', { value: f.height.stdM, limit: limits.heightRmsM }),
		);
	if (f.sticksShare > limits.sticksShare.value)
		out.push(
			reason('caution', 'sticks-moved', 'The sticks were moved during the hover.', {
				value: f.sticksShare,
				limit: limits.sticksShare,
				next: 'Repeat it hands off.',
			}),
		);
	return out;
}
