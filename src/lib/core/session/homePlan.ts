import type { Reason } from '../../schema/common';
import { returnRequestSchema, type ReturnRequest } from '../../schema/return';
import type { Aircraft, AircraftKind, Pack, Site, Venue, Wind } from '../../schema/records';
import { reason } from '../finding/reasons';
import { NOMINAL_V } from '../propulsion/charge';
import { CURVE } from '../propulsion/flownFlights';
import { flightTimeLimits } from '../propulsion/flightTimeLimits';
import { CLIMB, CRUISE } from './rungs';
import { FELT_AT_M } from '../hover/feltWind';
import type { FlightTimeAnswer } from '../../schema/flightTime';

/** A figure that the plan goes by, and from where it is known. */
export interface Assumed {
	label: string;
	value: number;
	unit: 'm/s' | 'W' | 'Wh' | 'm';
	from: string;
}

/** All that a session knows about the way home. */
export interface HomeKnown {
	aircraft: Aircraft;
	pack: Pack | null;
	site: Site | null;
	wind: Wind | null;
	/** Charge of the pack, %; null where nobody measured it: it is taken as full. */
	startPct: number | null;
	/** What flights on record say of a minute, where there are any. */
	flown: Pick<FlightTimeAnswer, 'ratePctPerMin' | 'rateSigmaLn' | 'used'> | null;
}

export interface HomeRequest {
	request: ReturnRequest;
	/** How well its power is known: one sigma of its logarithm. */
	powerSigmaLn: number;
	nominalWh: number;
	assumed: Assumed[];
}

/** What the plan cannot be made without. */
export type Missing = 'wind' | 'pack' | 'power';

/** A descent is taken as dear as a hover. */
const DESCENT = 1;
/** Per cent of the pack that is landed with. */
export const RESERVE_PCT = flightTimeLimits.landPct.value;
/** Faster than its return speed by this, where nobody said how fast it is. */
const FASTEST_SHARE = 1.3;
const USUAL: Record<'climb' | 'descent', Partial<Record<AircraftKind, number>> & { else: number }> = {
	climb: { wing: 3, racer: 5, longrange: 3, toy: 1, else: 2 },
	descent: { wing: 2, racer: 3, else: 1 },
};
/** How well power is known: said in watts, or told from minutes; one sigma of its logarithm. */
const [SAID_SIGMA, MINUTES_SIGMA] = [0.1, 0.15];

/** Energy printed on a pack, Wh. */
const nominalWh = ({ capacityMah, cells, chemistry }: Pack): number =>
	(capacityMah / 1000) * cells * NOMINAL_V[CURVE[chemistry ?? 'lipo']];

function powerOf({ aircraft, pack, flown }: HomeKnown, wh: number): { w: number; sigma: number; from: string } | null {
	if (flown?.ratePctPerMin && flown.used > 0)
		return {
			w: (flown.ratePctPerMin / 100) * wh * 60,
			sigma: flown.rateSigmaLn ?? MINUTES_SIGMA,
			from: `${flown.used} ${flown.used === 1 ? 'flight' : 'flights'} on record`,
		};
	if (aircraft.flies?.hoverW) return { w: aircraft.flies.hoverW, sigma: SAID_SIGMA, from: aircraft.name };
	if (pack?.flightMin)
		return {
			w: ((100 - RESERVE_PCT) / 100) * wh * (60 / pack.flightMin),
			sigma: MINUTES_SIGMA,
			from: `${pack.flightMin.toFixed(0)} min said of ${pack.name}`,
		};
	return null;
}

/** The request of the way home from what is known, with what was taken for granted; or what is missing. Its position is home. */
export function homeRequest(known: HomeKnown): HomeRequest | Missing[] {
	const { aircraft, pack, site, wind } = known;
	const startPct = known.startPct ?? 100;
	const wh = pack ? nominalWh(pack) : 0;
	const power = powerOf(known, wh);
	const missing: Missing[] = [
		...(wind ? [] : (['wind'] as const)),
		...(pack ? [] : (['pack'] as const)),
		...(pack && !power ? (['power'] as const) : []),
	];
	if (!wind || !pack || !power) return missing;
	const { flies = {}, kind } = aircraft;
	const assumed: Assumed[] = [
		{ label: 'Return speed', value: aircraft.returnSpeedMps, unit: 'm/s', from: aircraft.name },
	];
	const take = (label: string, said: number | undefined, usual: number, unit: Assumed['unit'], from: string) => {
		assumed.push({ label, value: said ?? usual, unit, from: said === undefined ? from : aircraft.name });
		return said ?? usual;
	};
	const usually = `usual for its kind; say it with ${aircraft.name}`;
	const request = returnRequestSchema.parse({
		aircraft: {
			airspeedMaxMps: take(
				'Fastest through the air',
				flies.airspeedMaxMps,
				FASTEST_SHARE * aircraft.returnSpeedMps,
				'm/s',
				'a third above its return speed',
			),
			returnSpeedMps: aircraft.returnSpeedMps,
			speedKind: flies.speedKind ?? 'ground',
			climbMps: take('Climbs with', flies.climbMps, USUAL.climb[kind] ?? USUAL.climb.else, 'm/s', usually),
			descentMps: take('Comes down with', flies.descentMps, USUAL.descent[kind] ?? USUAL.descent.else, 'm/s', usually),
			hoverW: power.w,
			cruiseW: CRUISE * power.w,
			climbW: CLIMB * power.w,
			descentW: DESCENT * power.w,
		},
		pack: { usableWh: (wh * startPct) / 100, reservePct: Math.min(95, (100 * RESERVE_PCT) / startPct) },
		wind: {
			fromDeg: wind.fromDeg,
			speedMps: wind.speedMps,
			gustMps: Math.max(wind.gustMps, wind.speedMps),
			heightM: FELT_AT_M,
		},
		settings: {
			returnHeightM: aircraft.returnHeightM,
			minDistanceM: aircraft.minReturnDistanceM,
			climbFirst: flies.climbFirst ?? true,
			action: aircraft.lossAction === 'stop' ? 'cut-motors' : (aircraft.lossAction ?? 'return'),
		},
		position: { bearingDeg: 0, distanceM: 0, heightM: 0 },
		obstacles: (site?.obstacles ?? []).map(({ bearingDeg, distanceM, heightM, widthM }) => ({
			...{ bearingDeg: bearingDeg % 360, distanceM, heightM },
			...(widthM === undefined ? {} : { widthM }),
		})),
		usedWh: 0,
	});
	assumed.push(
		{ label: 'Power in the hover', value: power.w, unit: 'W', from: power.from },
		{
			label: 'In the pack',
			value: request.pack.usableWh,
			unit: 'Wh',
			from: known.startPct === null ? `${pack.name}, taken as full` : `${pack.name}, measured ${startPct.toFixed(0)} %`,
		},
	);
	return { request, powerSigmaLn: power.sigma, nominalWh: wh, assumed };
}

/** What an action without the link means where this session flies: under a roof, over people, over water. */
export function actionAt(venue: Venue | undefined, { lossAction }: Pick<Aircraft, 'lossAction'>): Reason | null {
	if (lossAction === undefined)
		return reason(
			'caution',
			'action-not-read',
			'Nobody has read off what it does without the link: it is planned as a return.',
			{
				next: 'Read the setting off the aircraft and enter it there.',
			},
		);
	if (venue === 'roof' && lossAction === 'return')
		return reason('fail', 'return-indoors', 'Under a roof a return climbs into the ceiling.', {
			next: 'Set it to hover or to land; note to put it back before flying outdoors.',
		});
	if (venue === 'people' && lossAction !== 'return')
		return reason(
			'fail',
			'comes-down-on-people',
			'Without the link it comes down where it is: on whoever stands there.',
			{
				next: 'Set it to return, keep everybody out from under it, or fly elsewhere.',
			},
		);
	if (venue === 'water' && lossAction !== 'return')
		return reason('caution', 'comes-down-on-water', 'Without the link it comes down on the water.', {
			next: 'Set it to return, or stay over the bank.',
		});
	return null;
}
