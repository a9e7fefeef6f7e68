import type { Verdict } from '../../schema/common';
import type { ReturnAnswer, ReturnRequest } from '../../schema/return';
import { wrap360 } from '../frames/angles';
import { Z_90 } from '../math/normal';
import { outcomeOf, pathOf, planReturn, type Outcome } from './plan';
import { legWh } from './outward';

type Place = Pick<ReturnRequest['position'], 'bearingDeg' | 'distanceM' | 'heightM'>;

/** How far a flight is planned to go. */
export interface Farthest {
	distanceM: number;
	heightM: number;
	/** Toward where, degrees; null where anywhere. */
	bearingDeg: number | null;
}

export interface HomePlan {
	/** Where of all that is planned it is worst off; with the obstacle of the request that makes it so, where one does. */
	worst: Place & { obstacle: number | null };
	/** From there, as its action is set. */
	answer: ReturnAnswer;
	/** From there, whatever the action were. */
	actions: Record<ReturnRequest['settings']['action'], Outcome>;
	/** Height over the distance from home along the way, from there to the ground, metres. */
	profile: { fromHomeM: number; heightM: number }[];
	/** What the way out takes, s and Wh: climb, and the distance at its return speed in still air. */
	out: { timeS: number; wh: number };
	/** When to turn back at the latest, s after take-off, hovering out there until then; and so that nine packs in ten are enough. */
	turnBack: { s: number; carefulS: number };
	/** What must be left in the pack then, Wh, so that nine packs in ten are enough. */
	turnBackLeftWh: number;
}

const BEARING_STEP_DEG = 15;
/** Behind an obstacle, so that it lies on the way home, metres. */
const BEHIND_M = 30;
/** Obstacles so far beside a given direction are not on its way, degrees. */
const BESIDE_DEG = 30;

const GRAVE: Record<Verdict, number> = { pass: 0, caution: 1, fail: 2 };
const turned = (a: number, b: number) => Math.abs(((a - b + 540) % 360) - 180);

function placesOf({ obstacles }: ReturnRequest, { distanceM, heightM, bearingDeg }: Farthest): Place[] {
	const bearings =
		bearingDeg === null
			? Array.from({ length: 360 / BEARING_STEP_DEG }, (_, k) => k * BEARING_STEP_DEG)
			: [wrap360(bearingDeg)];
	const behind = obstacles.flatMap((o) => {
		if (bearingDeg !== null && turned(o.bearingDeg, bearingDeg) > BESIDE_DEG) return [];
		const beyondM = Math.max(o.distanceM + o.widthM / 2 + BEHIND_M, Math.min(distanceM, 2 * o.distanceM));
		return beyondM <= distanceM ? [{ bearingDeg: wrap360(o.bearingDeg), distanceM: beyondM, heightM }] : [];
	});
	return [...bearings.map((b) => ({ bearingDeg: b, distanceM, heightM })), ...behind];
}

/**
 * The way home of a flight that is planned: from the place where it is worst off of all within the distance, in the direction named
 * or all round and behind every obstacle. `powerSigmaLn` is how well its power is known, one sigma of its logarithm; `usedWh` left out
 * is what the way out takes. The request's own position and use are not looked at.
 */
export function planHome(
	request: ReturnRequest,
	farthest: Farthest,
	{ usedWh, powerSigmaLn }: { usedWh?: number | undefined; powerSigmaLn: number },
): HomePlan {
	const { aircraft, pack, settings } = request;
	const out = legWh(aircraft, farthest);
	const used = usedWh ?? out.wh;
	const at = (place: Place, change: Partial<ReturnRequest> = {}): ReturnRequest => ({
		...request,
		usedWh: used,
		...change,
		position: { ...request.position, ...place },
	});
	const tried = placesOf(request, farthest).map((place) => ({ place, outcome: outcomeOf(at(place)) }));
	const worse = (a: Outcome, b: Outcome) =>
		GRAVE[a.verdict] - GRAVE[b.verdict] || (b.landWithWh ?? -Infinity) - (a.landWithWh ?? -Infinity);
	const { place } = tried.reduce((a, b) => (worse(b.outcome, a.outcome) > 0 ? b : a));
	const here = at(place);
	const answer = planReturn(here);
	const action = (which: ReturnRequest['settings']['action']) =>
		outcomeOf({ ...here, settings: { ...settings, action: which } });
	const dearer = Math.exp(Z_90 * powerSigmaLn);
	const { hoverW, cruiseW, climbW, descentW } = aircraft;
	const careful = outcomeOf(
		at(place, {
			usedWh: used * (usedWh === undefined ? dearer : 1),
			aircraft: {
				...aircraft,
				hoverW: hoverW * dearer,
				cruiseW: cruiseW * dearer,
				climbW: climbW * dearer,
				descentW: descentW * dearer,
			},
		}),
	);
	const spent = (outcome: Outcome) =>
		outcome.legs.reduce((sum, { name, energyWh }) => sum + (name === 'hover' ? 0 : energyWh), 0);
	const blocked = /^obstacle/.test(answer.reasons[0]?.code ?? '');
	return {
		worst: { ...place, obstacle: blocked ? (answer.clearance.obstacle ?? null) : null },
		answer,
		actions: {
			return: action('return'),
			land: action('land'),
			hover: action('hover'),
			'cut-motors': action('cut-motors'),
		},
		profile: pathOf(here).map(([north, east, heightM]) => ({ fromHomeM: Math.hypot(north, east), heightM })),
		out,
		turnBack: { s: out.timeS + answer.turnBackAtS, carefulS: out.timeS + careful.turnBackAtS },
		turnBackLeftWh: Math.min(pack.usableWh - used, (pack.usableWh * pack.reservePct) / 100 + spent(careful)),
	};
}
