import { hover as say } from '$lib/messages/hover';
import type { Reason } from '../../schema/common';
import { atMost } from '../finding/grade';
import { reason } from '../finding/reasons';
import type { Findings } from './findings';
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
				reason('fail', say('insufficient-duration', { seenS: f.seenS }), { value: f.seenS, limit: limits.minHoldS }),
			);
		if (f.runaway)
			out.push(reason('fail', say('no-position-hold'), { value: f.speedMps * f.T, limit: limits.runawayM }));
		if (c?.present)
			out.push(
				reason(
					'fail',
					say('compass-error', {
						sense: c.sense,
						compassErrorDeg: c.compassErrorDeg,
						compassErrorSigmaDeg: c.compassErrorSigmaDeg,
					}),
					{ value: c.evidence, limit: limits.evidence },
				),
			);
		else if (c && c.evidence > limits.evidence.value)
			out.push(
				reason(
					'caution',
					say('turns-one-way', { compassErrorDeg: c.compassErrorDeg, compassErrorSigmaDeg: c.compassErrorSigmaDeg }),
					{ value: c.evidence, limit: limits.evidence },
				),
			);
		else if (c)
			out.push(
				reason('pass', say('no-circling', { excludedAboveDeg: c.excludedAboveDeg }), {
					value: c.evidence,
					limit: limits.evidence,
				}),
			);
		out.push(
			atMost(f.diameter95M, {
				caution: { limit: limits.bubble95M, says: say('bubble-wide') },
				pass: say('bubble-small'),
			}),
		);
		if (!f.runaway)
			out.push(
				atMost(f.speedMps, {
					caution: { limit: limits.driftMps, says: say('drifting') },
					pass: say('not-drifting'),
				}),
			);
	} else out.push(...judgeFreeDrift(f.speedMps, f.towardRad, f.speedMps * f.T, f.request.wind));
	if (f.drift && f.drift.trim > limits.trimLikely.value)
		out.push(reason('caution', say('level-trim', { why: f.drift.why }), { value: f.speedMps }));
	if (f.gapS > 0)
		out.push(
			reason(f.gapS > limits.gapS.value ? 'caution' : 'pass', say('log-gap', { gapS: f.gapS, seenS: f.seenS }), {
				value: f.gapS,
				limit: limits.gapS,
				...(f.gapS > limits.gapS.value ? { next: 'Log the whole hover without a pause, and hover again.' } : {}),
			}),
		);
	if (f.jumps > 0)
		out.push(reason('caution', say('fix-jump', { jumps: f.jumps }), { value: f.jumps, limit: limits.jumpM }));
	out.push(
		atMost(f.jitterM, {
			caution: { limit: limits.weakFixM, says: say('weak-fix') },
			pass: say('fix-smooth'),
		}),
	);
	const { oscillationM, slowRmsM, driftMps } = f.height;
	if (oscillationM !== null)
		out.push(reason('caution', say('height-oscillation'), { value: oscillationM, limit: limits.oscillationM }));
	if (slowRmsM > limits.heightRmsM.value || Math.abs(driftMps) * f.T > limits.heightDriftM.value)
		out.push(reason('caution', say('height-wander'), { value: slowRmsM, limit: limits.heightRmsM }));
	else
		out.push(
			f.height.stdM < NO_HEIGHTS_M
				? reason(f.request.hold === 'height' ? 'caution' : 'pass', say('no-heights'))
				: reason('pass', say('height-held'), { value: f.height.stdM, limit: limits.heightRmsM }),
		);
	if (f.sticksShare > limits.sticksShare.value)
		out.push(reason('caution', say('sticks-moved'), { value: f.sticksShare, limit: limits.sticksShare }));
	return out;
}
