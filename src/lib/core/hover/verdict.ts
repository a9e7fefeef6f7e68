import type { Reason } from '../../schema/common';
import { reason } from '../finding/reasons';
import { CALIBRATE, LAND, type Findings } from './findings';
import { judgeFreeDrift } from './freeDrift';
import { hoverLimits as limits } from './limits';

/** What speaks for and against a hover, with value, limit and what to do. */
export function reasonsOf(f: Findings): Reason[] {
	const out: Reason[] = [];
	const { circling: c } = f;
	if (f.request.hold === 'position') {
		if (f.T < limits.minHoldS.value)
			out.push(
				reason(
					'fail',
					'insufficient-duration',
					`${f.T.toFixed(0)} s of position hold cannot show a circle.`,
					f.T,
					limits.minHoldS,
					'Hover for a minute, hands off.',
				),
			);
		if (f.runaway)
			out.push(
				reason(
					'fail',
					'no-position-hold',
					'It travelled straight away: position was not held.',
					f.speedMps * f.T,
					limits.runawayM,
					LAND,
				),
			);
		if (c?.present)
			out.push(
				reason(
					'fail',
					'compass-error',
					`It circles ${c.sense === 'ccw' ? 'to the left' : 'to the right'}: the compass reads about ${Math.abs(c.compassErrorDeg).toFixed(0)}° ± ${c.compassErrorSigmaDeg.toFixed(0)}° too far ${c.compassErrorDeg > 0 ? 'clockwise' : 'anticlockwise'}.`,
					c.evidence,
					limits.evidence,
					CALIBRATE,
				),
			);
		else if (c && c.evidence > limits.evidence.value)
			out.push(
				reason(
					'caution',
					'turns-one-way',
					`The motion turns one way more than the other, though the compass error found is small: ${Math.abs(c.compassErrorDeg).toFixed(0)}° ± ${c.compassErrorSigmaDeg.toFixed(0)}°.`,
					c.evidence,
					limits.evidence,
					'Fly straight ahead for 5 to 10 m in self-level and compare course and heading, or hover again for two minutes.',
				),
			);
		else if (c)
			out.push(
				reason(
					'pass',
					'no-circling',
					`No circling found. Compass errors above about ${c.excludedAboveDeg.toFixed(0)}° are excluded, smaller ones are not.`,
					c.evidence,
					limits.evidence,
				),
			);
		out.push(
			f.diameter95M > limits.bubble95M.value
				? reason(
						'caution',
						'bubble-wide',
						'It wanders widely.',
						f.diameter95M,
						limits.bubble95M,
						'Compare with the wind; look at the fix.',
					)
				: reason(
						'pass',
						'bubble-small',
						'It stays in a small bubble (the logged track: the real one is larger).',
						f.diameter95M,
						limits.bubble95M,
					),
		);
		if (!f.runaway)
			out.push(
				f.speedMps > limits.driftMps.value
					? reason(
							'caution',
							'drifting',
							'It drifts though it should hold its place.',
							f.speedMps,
							limits.driftMps,
							LAND,
						)
					: reason('pass', 'not-drifting', 'The mean does not move.', f.speedMps, limits.driftMps),
			);
	} else out.push(...judgeFreeDrift(f.speedMps, f.towardRad, f.speedMps * f.T, f.request.wind));
	if (f.drift && f.drift.trim > 0.6)
		out.push(
			reason(
				'caution',
				'level-trim',
				`Level trim is likely: ${f.drift.why}.`,
				f.speedMps,
				undefined,
				'Check the level calibration.',
			),
		);
	if (f.jumps > 0)
		out.push(
			reason(
				'caution',
				'fix-jump',
				`The fix jumped ${f.jumps} times.`,
				f.jumps,
				limits.jumpM,
				'Wait for more satellites.',
			),
		);
	out.push(
		f.jitterM > limits.weakFixM.value
			? reason(
					'caution',
					'weak-fix',
					'The fix is noisy.',
					f.jitterM,
					limits.weakFixM,
					'Wait for more satellites under open sky.',
				)
			: reason('pass', 'fix-smooth', 'The fix is smooth.', f.jitterM, limits.weakFixM),
	);
	const { oscillationM, slowRmsM, driftMps } = f.height;
	if (oscillationM !== null)
		out.push(
			reason(
				'caution',
				'height-oscillation',
				'It bobs regularly.',
				oscillationM,
				limits.oscillationM,
				'Soften the height loop one step at a time.',
			),
		);
	if (slowRmsM > limits.heightRmsM.value || Math.abs(driftMps) * f.T > limits.heightDriftM.value)
		out.push(
			reason(
				'caution',
				'height-wander',
				'The height wanders.',
				slowRmsM,
				limits.heightRmsM,
				'Shield the pressure sensor from wind.',
			),
		);
	else out.push(reason('pass', 'height-held', 'The height is held.', f.height.stdM, limits.heightRmsM));
	if (f.sticksShare > limits.sticksShare.value)
		out.push(
			reason(
				'caution',
				'sticks-moved',
				'The sticks were moved during the hover.',
				f.sticksShare,
				limits.sticksShare,
				'Repeat it hands off.',
			),
		);
	return out;
}
