import { checkHeadings, type HeadingPair } from '$lib/core/compass/headingCheck';
import { comparePair } from '$lib/core/compass/pair';
import { reviewInterference } from '$lib/core/compass/interference';
import { checkSite } from '$lib/core/compass/site';
import { surveySite } from '$lib/core/compass/survey';
import { reviewLegs, type Leg } from '$lib/core/hover/straightLeg';
import { compareTurnedHovers, type Drifting } from '$lib/core/hover/twoHovers';
import { fitAccelerometer } from '$lib/core/inertial/accelFit';
import { reviewStillGyro } from '$lib/core/inertial/gyro';
import { solveLevel } from '$lib/core/inertial/level';
import { reviewLevelFlight } from '$lib/core/inertial/levelFlight';
import { solveMounting } from '$lib/core/inertial/mounting';
import { stillWindows } from '$lib/core/inertial/poses';
import { reviewPressure } from '$lib/core/inertial/pressure';
import { reviewVibration } from '$lib/core/inertial/vibration';
import { reviewCeiling } from '$lib/core/payload/ceiling';
import { reviewFeed } from '$lib/core/payload/feed';
import { reviewFlow } from '$lib/core/payload/flow';
import { findHorizon } from '$lib/core/payload/horizon';
import { measureSharpness } from '$lib/core/payload/sharpness';
import { scoreTexture } from '$lib/core/payload/texture';
import { reviewLink } from '$lib/core/position/linkBudget';
import { solveBalance } from '$lib/core/propulsion/balance';
import { diagnoseResponse } from '$lib/core/propulsion/diagnose';
import { reviewPack } from '$lib/core/propulsion/pack';
import { reviewCurve } from '$lib/core/radio/curve';
import { solveOrder } from '$lib/core/radio/order';
import { reviewSticks } from '$lib/core/radio/sticks';
import { auditSwitches } from '$lib/core/radio/switches';
import { compareRepeats } from '$lib/core/record/repeats';
import { auditSettings } from '$lib/core/return/audit';
import { planReturn } from '$lib/core/return/plan';
import type { Area } from '$lib/schema/payload';
import { decodePicture } from './pictures';

type Progress = (share: number) => void;

/**
 * What the worker computes for the instruments: the core's own functions, one argument each, so that they can be sent for by
 * name. Pictures are decoded here too.
 */
export const operations = {
	accel: fitAccelerometer,
	audit: auditSettings,
	balance: solveBalance,
	ceiling: reviewCeiling,
	curve: reviewCurve,
	feed: reviewFeed,
	flow: reviewFlow,
	gyro: reviewStillGyro,
	interference: reviewInterference,
	level: solveLevel,
	mounting: solveMounting,
	pack: reviewPack,
	pressure: reviewPressure,
	response: diagnoseResponse,
	return: planReturn,
	sticks: reviewSticks,
	switches: auditSwitches,
	still: stillWindows,
	survey: surveySite,
	vibration: reviewVibration,
	headings: ({ pairs, declinationDeg }: { pairs: readonly HeadingPair[]; declinationDeg: number }) =>
		checkHeadings(pairs, declinationDeg),
	levelFlight: ({ log, wanted }: LevelFlightInput) => reviewLevelFlight(log, wanted),
	order: ({ gestures }: { gestures: Parameters<typeof solveOrder>[0] }) => solveOrder(gestures),
	legs: ({ out, back, windMps }: { out: Leg; back: Leg | null; windMps: number | null }) =>
		reviewLegs(out, back, windMps),
	twoHovers: ({ first, second }: { first: Drifting; second: Drifting }) => compareTurnedHovers(first, second),
	link: ({ text, baud, rateHz }: { text: string; baud: number; rateHz: number | null }) =>
		reviewLink(text, baud, rateHz),
	pair: ({ first, second, inclinationDeg }: PairInput) => comparePair(first, second, inclinationDeg),
	repeats: ({ before, after, told }: RepeatsInput) => compareRepeats(before, after, told),
	site: ({ mag, accel, model }: SiteInput) => checkSite(mag, accel, model),
	horizon: async ({ file }: { file: Blob }, progress?: Progress) =>
		findHorizon(await decodePicture(file, 640), progress),
	/** `across` and `down` say where the part lies, 0 to 1: left or top, middle, right or bottom. */
	sharpness: async ({ file, share, across, down }: { file: Blob; share: number; across: number; down: number }) => {
		const picture = await decodePicture(file, 2400);
		const [width, height] = [picture.width, picture.height].map((v) => Math.max(8, Math.floor(v * share)));
		const area: Area = {
			x: Math.floor((picture.width - width) * across),
			y: Math.floor((picture.height - height) * down),
			width,
			height,
		};
		return measureSharpness(picture, area);
	},
	texture: async ({ file }: { file: Blob }) => scoreTexture(await decodePicture(file, 900)),
};

type LevelFlightInput = {
	log: Parameters<typeof reviewLevelFlight>[0];
	wanted: Parameters<typeof reviewLevelFlight>[1];
};
type PairInput = {
	first: Parameters<typeof comparePair>[0];
	second: Parameters<typeof comparePair>[1];
	inclinationDeg: number | null;
};
type RepeatsInput = {
	before: Parameters<typeof compareRepeats>[0];
	after: Parameters<typeof compareRepeats>[1];
	told: Parameters<typeof compareRepeats>[2];
};
type SiteInput = {
	mag: Parameters<typeof checkSite>[0];
	accel: Parameters<typeof checkSite>[1];
	model: Parameters<typeof checkSite>[2];
};

export type Operations = typeof operations;
export type OperationName = keyof Operations;
export type OperationInput<K extends OperationName> = Parameters<Operations[K]>[0];
export type OperationAnswer<K extends OperationName> = Awaited<ReturnType<Operations[K]>>;
