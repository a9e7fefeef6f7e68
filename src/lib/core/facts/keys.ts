import type { EventKind } from '../../schema/entries';
import type { FactKey } from '../../schema/facts';
import type { EventExtent, LossAction, Sensor, Venue } from '../../schema/records';
import { affectsSensor } from '../due/rules';
import type { Quantity } from '../../words/units';

/** What an aircraft that works in the field carries. */
export type Payload = 'tank' | 'spreader';

/** The type of each value. Lengths, speeds and angles in SI units and degrees. */
export interface FactValues {
	returnAltitudeM: number;
	returnSpeedMps: number;
	minReturnDistanceM: number;
	descentMps: number;
	climbMps: number;
	airspeedMaxMps: number;
	speedReference: 'ground' | 'air';
	climbsFirst: 'yes' | 'no';
	failsafeAction: LossAction;
	minSatellites: number;
	maxHdop: number;
	lockHoldS: number;
	compassHeadingLimitDeg: number;
	windFromDeg: number;
	windMps: number;
	gustMps: number;
	batteryId: string;
	batteryStartPct: number;
	tallestObstacleM: number;
	obstacleCount: number;
	venue: Venue;
	settingsProfile: 'outdoor' | 'indoor';
	payload: Payload;
	compassRollDeg: number;
	compassPitchDeg: number;
	compassYawDeg: number;
	boardRollDeg: number;
	boardPitchDeg: number;
	boardYawDeg: number;
}

/** What a key is, and when two of its values are the same. */
export interface FactRule {
	label: string;
	unit: string;
	quantity?: Quantity;
	/** Largest difference that is no difference, in the key's unit; 0 for words. */
	tolerance: number;
	/** Angles come round at this many degrees. */
	wrapsAt?: number;
	/** The end of the scale that risks less, used while two statements disagree; left out where neither does. */
	cautious?: 'higher' | 'lower';
	/** A disagreement is settled before the Arm check. */
	safety: boolean;
	/** Changes through the day: the newest reading is in force, whoever made it. */
	varies?: true;
	/** Events of the session after which an earlier reading no longer holds. */
	undoneBy: readonly EventKind[];
	/** The sensor whose mounting it is: a part that cannot affect that sensor leaves the reading as it is. */
	sensor?: Sensor;
}

const rule = (label: string, unit: string, tolerance: number, more: Partial<FactRule> = {}): FactRule => ({
	label,
	unit,
	tolerance,
	safety: false,
	undoneBy: [],
	...more,
});

const SETTING: readonly EventKind[] = ['new', 'firmware', 'settings'];
const MOUNTING: Partial<FactRule> = {
	wrapsAt: 360,
	undoneBy: [...SETTING, 'part', 'knock'],
	sensor: 'mounting',
};
const MODULE: Partial<FactRule> = { ...MOUNTING, sensor: 'compass' };
/** A setting of the return: a disagreement about it is settled before the Arm check. */
const returning = (more: Partial<FactRule> = {}): Partial<FactRule> => ({
	safety: true,
	undoneBy: SETTING,
	...more,
});
const height = { quantity: 'height' } as const;
const speed = { quantity: 'speed' } as const;
const lower = { cautious: 'lower' } as const;
const higher = { cautious: 'higher' } as const;

/** The one table of keys. */
export const FACT_RULES: Record<FactKey, FactRule> = {
	returnAltitudeM: rule('Return altitude', 'm', 1, returning({ ...height, ...higher })),
	returnSpeedMps: rule('Return speed', 'm/s', 0.25, returning({ ...speed, ...lower })),
	minReturnDistanceM: rule('Minimum return distance', 'm', 1, returning({ ...height, ...higher })),
	descentMps: rule('Descent speed', 'm/s', 0.25, returning({ ...speed, ...lower })),
	climbMps: rule('Climb speed', 'm/s', 0.25, { ...speed, ...lower, undoneBy: SETTING }),
	airspeedMaxMps: rule('Maximum airspeed', 'm/s', 0.25, { ...speed, ...lower }),
	speedReference: rule('Return speed held against', '', 0, { undoneBy: SETTING }),
	climbsFirst: rule('Climbs before it returns', '', 0, { undoneBy: SETTING }),
	failsafeAction: rule('Failsafe action', '', 0, returning()),
	minSatellites: rule('Minimum satellites', '', 0.5, higher),
	maxHdop: rule('Maximum HDOP', '', 0.05, lower),
	lockHoldS: rule('GPS lock held for', 's', 0.5, higher),
	compassHeadingLimitDeg: rule('Heading uncertainty limit', '°', 0.05, lower),
	windFromDeg: rule('Wind direction', '°', 20, { wrapsAt: 360, varies: true }),
	windMps: rule('Wind', 'm/s', 0.5, { ...speed, ...higher, varies: true }),
	gustMps: rule('Gusts', 'm/s', 0.5, { ...speed, ...higher, varies: true }),
	batteryId: rule('Battery', '', 0),
	batteryStartPct: rule('Battery charge', '%', 3, { ...lower, varies: true }),
	tallestObstacleM: rule('Tallest obstacle', 'm', 1, { ...height, ...higher }),
	obstacleCount: rule('Obstacles', '', 0),
	venue: rule('Venue', '', 0),
	settingsProfile: rule('Settings profile', '', 0, { safety: true }),
	payload: rule('Payload', '', 0, { varies: true }),
	compassRollDeg: rule('Compass roll', '°', 2, MODULE),
	compassPitchDeg: rule('Compass pitch', '°', 2, MODULE),
	compassYawDeg: rule('Compass yaw', '°', 2, MODULE),
	boardRollDeg: rule('Board roll', '°', 2, MOUNTING),
	boardPitchDeg: rule('Board pitch', '°', 2, MOUNTING),
	boardYawDeg: rule('Board yaw', '°', 2, MOUNTING),
};

/** Whether two values of a key are the same within its tolerance. */
export function sameValue(key: FactKey, a: number | string, b: number | string): boolean {
	const { tolerance, wrapsAt } = FACT_RULES[key];
	if (typeof a !== 'number' || typeof b !== 'number') return a === b;
	const apart = Math.abs(a - b);
	return (wrapsAt === undefined ? apart : Math.min(apart % wrapsAt, wrapsAt - (apart % wrapsAt))) <= tolerance;
}

/** Whether an event of the session drops earlier readings of a key. */
export function dropsReading(key: FactKey, what: EventKind, extent: EventExtent): boolean {
	const { undoneBy, sensor } = FACT_RULES[key];
	return undoneBy.includes(what) && (sensor === undefined || affectsSensor(what, extent, sensor));
}
