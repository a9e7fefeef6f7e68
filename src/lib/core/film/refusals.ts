import { max } from 'd3-array';
import type { Reason } from '../../schema/common';
import { reason } from '../finding/reasons';
import { median, quantile, standardDeviation } from '../math/statistics';
import { filmLimits as limits } from './limits';
import type { FilmSetup } from './setup';
import type { FilmTrack } from './trackFilm';

/** Reasons to say nothing of a film, by what its track is; none where it can be judged. */
export function refusals(track: FilmTrack, { confirmed }: FilmSetup, durationS: number): Reason[] {
	const { t, z, z2, lost, shift, patches, restless, cr, widthPx, u, v } = track;
	const out: Reason[] = [];
	const no = (
		code: string,
		text: string,
		next: string,
		value?: number,
		limit?: { value: number; unit: string; source: string },
	) => out.push(reason('fail', `insufficient-${code}`, text, { value, limit, next }));
	const gaps = t.slice(1).map((at, k) => at - t[k]);
	if (durationS < limits.minDurationS.value)
		no('duration', `${durationS.toFixed(0)} s of film tell nothing.`, 'Film a minute.', durationS, limits.minDurationS);
	if (gaps.length > 0 && (median(gaps) > limits.gapS.value || (max(gaps) ?? 0) > limits.longestGapS.value))
		no(
			'rate',
			'The film has too few pictures, or a gap.',
			'Film again, with the phone doing nothing else.',
			median(gaps),
			limits.gapS,
		);
	if (widthPx < limits.minWidthPx.value)
		no(
			'size',
			'The aircraft is too small in the picture.',
			'Film from nearer, or zoom before you begin.',
			widthPx,
			limits.minWidthPx,
		);
	if (cr < limits.minContrast.value)
		no('contrast', 'It does not stand out from what is behind it.', 'Film it against the sky.', cr, limits.minContrast);
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
	if (share > limits.lost.value)
		no(
			'track',
			`It was lost in ${(100 * share).toFixed(0)} % of the pictures.`,
			'Film it against the sky, the phone propped.',
			share,
			limits.lost,
		);
	else if (low < limits.likeness.value)
		no(
			'track',
			'What was followed did not look like it often enough.',
			'Mark it again, from motor to motor; film it against the sky.',
			low,
			limits.likeness,
		);
	else if (apart < apartBar.value)
		no('track', 'Something near looks like it.', 'Film it against the sky.', apart, apartBar);
	else if (!confirmed)
		no('track', 'Nobody has seen that the circle is on the aircraft.', 'Look at the six pictures, and say so.');
	if (Math.max(standardDeviation(u), standardDeviation(v)) < limits.minMotionPx.value)
		no('motion', 'What was followed never moved: it may be a mark on the background.', 'Mark the aircraft again.');
	const moved = Math.sqrt(shift.reduce((s, { x, y }) => s + x * x + y * y, 0) / Math.max(1, shift.length));
	if (patches >= limits.fewPatches.value) {
		if (moved > limits.mostShakePx.value)
			no('steadiness', 'The phone moved too much.', 'Prop it against something.', moved, limits.mostShakePx);
		else if (restless / Math.max(1, t.length) > limits.patchFrames.value)
			no(
				'background',
				'What is behind it moves too much to tell the hand from the wind.',
				'Prop the phone; film it against the sky.',
			);
	}
	return out;
}
