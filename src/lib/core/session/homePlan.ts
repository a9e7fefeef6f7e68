import { session as say } from '$lib/messages/session';
import type { Reason } from '../../schema/common';
import type { FactKey } from '../../schema/facts';
import type { LossAction, Pack, Site, Venue } from '../../schema/records';
import { returnRequestSchema, type ReturnRequest } from '../../schema/return';
import { isDefault, valueOf, type Facts } from '../facts/facts';
import { FACT_RULES, type FactValues } from '../facts/keys';
import { nominalWh, type BurnRate, type Ledger } from '../facts/ledger';
import { chargeWords, originWords } from '../facts/words';
import { reason } from '../finding/reasons';
import { FELT_AT_M } from '../hover/feltWind';
import { flightTimeLimits } from '../propulsion/flightTimeLimits';
import { CLIMB, CRUISE } from './rungs';

/** A figure that the plan is computed with, and how it is known. */
export interface Assumed {
	label: string;
	value: number;
	unit: 'm/s' | 'W' | 'Wh' | 'm';
	from: string;
}

/** What a return plan is computed from: facts in force, the battery with its ledger, and the obstacles of the site. */
export interface ReturnInputs {
	facts: Facts;
	pack: Pack | null;
	site: Site | null;
	ledger: Pick<Ledger, 'planPct' | 'basis' | 'flownSinceMin'> | null;
	rate: BurnRate | null;
}

export interface HomeRequest {
	request: ReturnRequest;
	/** One standard deviation of the logarithm of its power. */
	powerSigmaLn: number;
	nominalWh: number;
	/** Charge of the battery that it is computed with, %. */
	startPct: number;
	assumed: Assumed[];
}

/** What the plan cannot be made without. */
export type Missing = 'wind' | 'pack' | 'charge' | 'power';

/** Keys whose values decide a return plan. */
export const RETURN_USES: readonly FactKey[] = [
	'returnAltitudeM',
	'returnSpeedMps',
	'minReturnDistanceM',
	'descentMps',
	'climbMps',
	'airspeedMaxMps',
	'speedReference',
	'climbsFirst',
	'failsafeAction',
	'windFromDeg',
	'windMps',
	'gustMps',
	'batteryId',
	'batteryStartPct',
	'tallestObstacleM',
	'obstacleCount',
	'venue',
	'settingsProfile',
];

/** Power in a descent over power in a hover. */
const DESCENT = 1;
/** Per cent of the battery that is landed with. */
export const RESERVE_PCT = flightTimeLimits.landPct.value;
/** The reserve is at most this share of what is left, %. */
const MOST_RESERVE_PCT = 95;
/** An empty battery is computed with this much, %: the plan then fails by its reserve, not by a division. */
const LEAST_PCT = 1;

const RATE_WORDS: Record<BurnRate['source'], string> = {
	flights: 'flights on record',
	'hover-power': 'profile of the aircraft',
	'stated-minutes': 'flight time stated for this battery',
};

/** The request of a return plan from the facts in force, with how each figure is known; or what is missing. Its position is home. */
export function homeRequest({ facts, pack, site, ledger, rate }: ReturnInputs): HomeRequest | Missing[] {
	const [fromDeg, windMps, gustMps] = [
		valueOf(facts, 'windFromDeg'),
		valueOf(facts, 'windMps'),
		valueOf(facts, 'gustMps'),
	];
	const startPct = ledger?.planPct ?? null;
	if (fromDeg === null || windMps === null || gustMps === null || !pack || !ledger || startPct === null || !rate)
		return [
			...(fromDeg === null || windMps === null || gustMps === null ? (['wind'] as const) : []),
			...(pack ? [] : (['pack'] as const)),
			...(pack && startPct === null ? (['charge'] as const) : []),
			...(pack && !rate ? (['power'] as const) : []),
		];
	const wh = nominalWh(pack);
	const hoverW = (rate.pctPerMin / 100) * wh * 60;
	const pct = Math.max(LEAST_PCT, startPct);
	const assumed: Assumed[] = [];
	/** A number that every aircraft's profile or kind states. */
	const take = (key: 'returnSpeedMps' | 'airspeedMaxMps' | 'climbMps' | 'descentMps' | 'returnAltitudeM'): number => {
		const statement = facts.of(key);
		if (!statement || typeof statement.value !== 'number') throw new Error(`nobody stated ${key}`);
		const { label, unit } = FACT_RULES[key];
		assumed.push({ label, value: statement.value, unit: unit === 'm' ? 'm' : 'm/s', from: originWords(statement) });
		return statement.value;
	};
	const [returnSpeedMps, climbMps, descentMps] = [take('returnSpeedMps'), take('climbMps'), take('descentMps')];
	const request = returnRequestSchema.parse({
		aircraft: {
			// A default is a share of the profile's return speed; what is set may be faster.
			airspeedMaxMps: Math.max(take('airspeedMaxMps'), isDefault(facts, 'airspeedMaxMps') ? returnSpeedMps : 0),
			returnSpeedMps,
			speedKind: valueOf(facts, 'speedReference') ?? 'ground',
			climbMps,
			descentMps,
			hoverW,
			cruiseW: CRUISE * hoverW,
			climbW: CLIMB * hoverW,
			descentW: DESCENT * hoverW,
		},
		pack: { usableWh: (wh * pct) / 100, reservePct: Math.min(MOST_RESERVE_PCT, (100 * RESERVE_PCT) / pct) },
		wind: { fromDeg, speedMps: windMps, gustMps: Math.max(gustMps, windMps), heightM: FELT_AT_M },
		settings: {
			returnHeightM: take('returnAltitudeM'),
			minDistanceM: valueOf(facts, 'minReturnDistanceM') ?? 0,
			climbFirst: valueOf(facts, 'climbsFirst') !== 'no',
			action: requestAction(valueOf(facts, 'failsafeAction')),
		},
		position: { bearingDeg: 0, distanceM: 0, heightM: 0 },
		obstacles: (site?.obstacles ?? []).map(({ bearingDeg, distanceM, heightM, widthM }) => ({
			bearingDeg: bearingDeg % 360,
			distanceM,
			heightM,
			...(widthM === undefined ? {} : { widthM }),
		})),
		usedWh: 0,
	});
	assumed.push(
		{
			label: 'Hover power',
			value: hoverW,
			unit: 'W',
			from: rate.flights > 0 ? `${rate.flights} ${RATE_WORDS.flights}` : RATE_WORDS[rate.source],
		},
		{
			label: 'Energy in the battery',
			value: request.pack.usableWh,
			unit: 'Wh',
			from: `${pack.name}, ${chargeWords(ledger)}`,
		},
	);
	return { request, powerSigmaLn: rate.sigmaLn, nominalWh: wh, startPct: pct, assumed };
}

/** A failsafe action as a return plan names it; one that nobody read is planned as a return. */
const requestAction = (action: FactValues['failsafeAction'] | null): ReturnRequest['settings']['action'] =>
	action === 'stop' ? 'cut-motors' : (action ?? 'return');

/** What an action without the link means where this session flies: under a roof, over people, over water. */
export function actionAt(venue: Venue | undefined, lossAction: LossAction | null): Reason | null {
	if (lossAction === null) return reason('caution', say('action-not-read'));
	if (venue === 'roof' && lossAction === 'return') return reason('fail', say('return-indoors'));
	if (venue === 'people' && lossAction !== 'return') return reason('fail', say('comes-down-on-people'));
	if (venue === 'water' && lossAction !== 'return') return reason('caution', say('comes-down-on-water'));
	return null;
}
