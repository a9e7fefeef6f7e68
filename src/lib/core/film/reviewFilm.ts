import { film as say } from '$lib/messages/film';
import type { Reason, Verdict } from '../../schema/common';
import { judge, reason } from '../finding/reasons';
import { detrend, line, standardDeviation } from '../math/statistics';
import { bobbing } from './bobbing';
import { bubbleOf, bubbleReason, type Bubble } from './bubble';
import { inMetres, upTo, type FilmMetres } from './filmMetres';
import { filmLimits as limits } from './limits';
import { refusals } from './refusals';
import type { FilmSetup } from './setup';
import { spiralOf, spiralReason, type Spiral } from './spiral';
import type { FilmTrack } from './trackFilm';

export interface FilmReview {
	durationS: number;
	scaleSigma: number;
	rangeM: number;
	bubble: Bubble;
	drift: { sidewaysMps: number | null; forwardMps: number | null; forwardSigmaMps: number | null };
	height: { stdM: number | null; oscillationHz: number | null; oscillationM: number | null };
	spiral: Spiral;
	leftFrame: boolean;
	/** Metres right, forward, up about the middle, at the track's times: to be drawn. */
	path: { t: Float64Array; right: Float64Array; forward: Float64Array; up: Float64Array };
	verdict: Verdict;
	reasons: Reason[];
}

/** How well a mark is set on a picture, pixels of the track: on the full one, on a small one. */
const MARK_PX = { large: 0.33, small: 1 } as const;

/** A film of which nothing is known yet. */
const unknown = (
	durationS: number,
	scaleSigma: number,
	leftFrame: boolean,
): Omit<FilmReview, 'verdict' | 'reasons'> => ({
	durationS,
	scaleSigma,
	rangeM: 0,
	leftFrame,
	bubble: { lower95M: null, estimate95M: null, upper95M: null },
	drift: { sidewaysMps: null, forwardMps: null, forwardSigmaMps: null },
	height: { stdM: null, oscillationHz: null, oscillationM: null },
	spiral: {
		present: false,
		compassErrorDeg: null,
		compassErrorSigmaDeg: null,
		excludedAboveDeg: null,
		sense: null,
		periodS: null,
		radiusM: null,
	},
	path: { t: new Float64Array(), right: new Float64Array(), forward: new Float64Array(), up: new Float64Array() },
});

function leftReason(hold: FilmSetup['hold']): Reason {
	const holds = hold === 'position';
	return reason(holds ? 'fail' : 'caution', say('left-frame', { holds }));
}

/** Spread and bobbing of the height, m and Hz. */
function heightOf({ time, up }: FilmMetres, durationS: number): { height: FilmReview['height']; reasons: Reason[] } {
	const stdM = standardDeviation(detrend(time, up));
	const bob = bobbing(time, up, durationS);
	if (!bob) return { height: { stdM, oscillationHz: null, oscillationM: null }, reasons: [] };
	return {
		height: { stdM, oscillationHz: bob.hz, oscillationM: bob.amplitudeM },
		reasons: [
			reason('caution', say('height-oscillation', { amplitudeM: bob.amplitudeM, hz: bob.hz }), {
				value: bob.amplitudeM,
				limit: limits.bobbingM,
			}),
		],
	};
}

/**
 * What a film's track shows: the bubble between its bounds, drift, height and bobbing, circling with its sense and the compass error behind it;
 * nothing at all where the film does not carry it. Metres; right and forward as seen from the phone.
 */
export function reviewFilm(whole: FilmTrack, setup: FilmSetup, progress?: (share: number) => void): FilmReview {
	const { markedLarge, hold } = setup;
	const left = whole.leftAtS !== null;
	const track = whole.leftAtS === null ? whole : upTo(whole, whole.leftAtS);
	const { t } = track;
	const durationS = t.length > 1 ? t[t.length - 1] - t[0] : 0;
	const markPx = markedLarge ? MARK_PX.large : MARK_PX.small;
	const scaleSigma = Math.sqrt(limits.spanSigma.value ** 2 + 2 * (markPx / track.widthPx) ** 2);
	const nothing = unknown(durationS, scaleSigma, left);
	const reasons = [...refusals(track, setup, durationS), ...(left ? [leftReason(hold)] : [])];
	if (reasons.some(({ code }) => code.startsWith('insufficient-'))) return { ...nothing, ...judge(reasons) };

	const metres = inMetres(track, setup);
	const { time, right, forward, up, rangeM, sigmaY } = metres;
	const { height, reasons: ofHeight } = heightOf(metres, durationS);
	reasons.push(...ofHeight);
	const seen = {
		...nothing,
		rangeM,
		path: { t: time, right, forward, up },
		height,
		drift: {
			sidewaysMps: line(time, right).slope,
			forwardMps: line(time, forward).slope,
			forwardSigmaMps: (sigmaY * Math.sqrt(12)) / durationS,
		},
	};
	if (durationS < limits.minHoldS.value) {
		reasons.push(reason('caution', say('too-short', { durationS }), { value: durationS, limit: limits.minHoldS }));
		return { ...seen, ...judge(reasons) };
	}
	const found = bubbleOf(metres, track, setup, scaleSigma);
	if (hold !== 'position') {
		reasons.push(reason('caution', say('no-place-held')));
		return { ...seen, bubble: found.bubble, ...judge(reasons) };
	}
	const spiral = spiralOf(metres, progress);
	reasons.push(bubbleReason(found), spiralReason(spiral));
	return { ...seen, bubble: found.bubble, spiral, ...judge(reasons) };
}
