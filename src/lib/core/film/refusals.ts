import { film as say } from '$lib/messages/film';
import { max } from 'd3-array';
import type { Reason } from '../../schema/common';
import { reason, type Limit } from '../finding/reasons';
import type { Message } from '$lib/messages/message';
import { median, quantile, standardDeviation } from '../math/statistics';
import { filmLimits as limits } from './limits';
import type { FilmSetup } from './setup';
import type { FilmTrack } from './trackFilm';

/** Reasons to say nothing of a film, by what its track is; none where it can be judged. */
export function refusals(track: FilmTrack, { confirmed }: FilmSetup, durationS: number): Reason[] {
	const { t, z, z2, lost, shift, patches, restless, cr, widthPx, u, v } = track;
	const out: Reason[] = [];
	const no = (says: Message, value?: number, limit?: Limit) => out.push(reason('fail', says, { value, limit }));
	const gaps = t.slice(1).map((at, k) => at - t[k]);
	if (durationS < limits.minDurationS.value)
		no(say('insufficient-duration', { durationS }), durationS, limits.minDurationS);
	if (gaps.length > 0 && (median(gaps) > limits.gapS.value || (max(gaps) ?? 0) > limits.longestGapS.value))
		no(say('insufficient-rate'), median(gaps), limits.gapS);
	if (widthPx < limits.minWidthPx.value) no(say('insufficient-size'), widthPx, limits.minWidthPx);
	if (cr < limits.minContrast.value) no(say('insufficient-contrast'), cr, limits.minContrast);
	const share = lost.filter(Boolean).length / Math.max(1, lost.length);
	const apartBar = widthPx < limits.smallPx.value ? limits.apartSmall : limits.apart;
	const found = [...lost.keys()].filter((k) => !lost[k]);
	const low =
		found.length > 0
			? quantile(
					found.map((k) => z[k]),
					0.1,
				)
			: 0;
	const apart =
		found.length > 0
			? quantile(
					found.map((k) => z[k] - z2[k]),
					0.1,
				)
			: 0;
	if (share > limits.lost.value) no(say('insufficient-track', { share }), share, limits.lost);
	else if (low < limits.likeness.value) no(say('insufficient-track#refusals'), low, limits.likeness);
	else if (apart < apartBar.value) no(say('insufficient-track#refusals2'), apart, apartBar);
	else if (!confirmed) no(say('insufficient-track#refusals3'));
	if (Math.max(standardDeviation(u), standardDeviation(v)) < limits.minMotionPx.value) no(say('insufficient-motion'));
	const moved = Math.sqrt(shift.reduce((s, { x, y }) => s + x * x + y * y, 0) / Math.max(1, shift.length));
	if (patches >= limits.fewPatches.value) {
		if (moved > limits.mostShakePx.value) no(say('insufficient-steadiness'), moved, limits.mostShakePx);
		else if (restless / Math.max(1, t.length) > limits.patchFrames.value) no(say('insufficient-background'));
	}
	return out;
}
