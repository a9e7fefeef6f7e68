import { due as say } from '$lib/messages/due';
import type { Draft } from '../../schema/common';
import type { Reason } from '../../schema/common';
import type { Aircraft, AircraftEvent, DueSchool, Sensor } from '../../schema/records';
import { dayOf, daysBetween, localDay } from '../../words/calendar';
import { reason } from '../finding/reasons';
import { dueLimits as limits } from './limits';
import { affectsSensor, eventWords, SENSOR_RULES } from './rules';

export interface LastCalibration {
	at: string;
	place: Point | null;
	temperatureC?: number | null;
}

/** What is so today, beside the place. */
export interface Today {
	temperatureC?: number | null;
	/** The site check found the field here disturbed. */
	disturbed?: boolean;
	/** Flights since the last calibration. */
	flights?: number;
	/** Date of a calibration on record that lies after now: a clock was wrong, then or now, and it does not count yet. */
	ahead?: string | undefined;
}

/** How far, high, warm, old is too much; null switches a rule off. Defaults are in limits.ts. */
export interface DueThresholds {
	distanceKm: number | null;
	heightM: number | null;
	temperatureC: number | null;
	ageDays: number | null;
}

/** A point on the ground, as a site has it. */
export interface Point {
	latDeg: number;
	lonDeg: number;
	altM: number;
}

/** What another place than that of the calibration changes. */
export type Here = (last: {
	sensor: Sensor;
	kind: 'field' | 'distance';
	from: Point;
	at: string;
	thresholds: DueThresholds;
}) => Reason[];

export interface SchoolVerdict {
	school: DueSchool;
	name: string;
	due: boolean;
	argument: string;
	against: string;
	reasons: Reason[];
}

export interface SensorDue {
	sensor: Sensor;
	name: string;
	due: boolean;
	/** Set where this place is no place to calibrate, whatever the school. */
	notHere: Reason | null;
	/** The verdict of the aircraft's own school. */
	chosen: SchoolVerdict;
	schools: SchoolVerdict[];
	/** What changed since the last accepted calibration, whatever the school. */
	evidence: Reason[];
}

/** What each school is called, and what speaks for and against it. */
export const SCHOOLS: Record<DueSchool, Pick<SchoolVerdict, 'name' | 'argument' | 'against'>> = {
	'as-told': {
		name: 'As told',
		argument: 'A poor calibration is riskier than a slightly stale one, and makers know their sensors.',
		against: 'The prompt may come in the air, far out and high.',
	},
	'after-events': {
		name: 'After events',
		argument:
			'Something changed, so the old values may not hold; nothing changed, so they do. The default, because it acts on evidence.',
		against: 'It depends on every knock and journey being noted.',
	},
	'every-day': {
		name: 'First flight of every day',
		argument: 'It takes ten seconds and the prompt may come too late.',
		against: 'Every repetition is a chance to calibrate badly near metal.',
	},
};

const FOR_AS_TOLD = new Set<AircraftEvent['kind']>(['new', 'firmware', 'prompt']);

/**
 * Whether a sensor's calibration is due, under each of three schools, and why. `now` is an ISO time; a day is that
 * of the calendar where the pilot is. `here` tells what another place changes; null where none was entered.
 */
export function sensorDue(
	sensor: Sensor,
	aircraft: Aircraft,
	last: LastCalibration | null,
	here: Here | null,
	now: string,
	today: Today = {},
): SensorDue {
	const rule = SENSOR_RULES[sensor];
	const never = rule.onlyOnTrouble
		? reason('pass', say('only-on-trouble'))
		: reason('caution', say('never-calibrated'));
	const ahead = today.ahead ? [reason('caution', say('dated-ahead', { day: dayOf(today.ahead) }))] : [];
	const events = aircraft.events
		.filter((event) => event.at <= now && affectsSensor(event.kind, event, sensor) && (!last || event.at > last.at))
		.sort((a, b) => (a.at < b.at ? 1 : -1));
	// The same thing noted twice in a day is said once.
	const eventReasons = events
		.map((event) => ({
			kind: event.kind,
			reason: reason('caution', {
				...say('event', { what: eventWords(event.kind, event), day: dayOf(event.at), note: event.note ?? '' }),
				code: `event-${event.kind}`,
			}),
		}))
		.filter(({ reason: { text } }, k, all) => all.findIndex((other) => other.reason.text === text) === k);
	const thresholds = thresholdsFor(sensor, aircraft.dueThresholds);
	const changed = last
		? [
				...(rule.place && last.place && here
					? here({ sensor, kind: rule.place, from: last.place, at: last.at, thresholds })
					: []),
				...(rule.temperature ? temperatureReasons(last, today, thresholds) : []),
				...ageReasons(last, now, today, thresholds),
			]
		: [];
	const notToday = last && localDay(last.at) !== localDay(now);

	const verdict = (school: DueSchool): SchoolVerdict => {
		// A routine for persistent trouble only is not due because nobody did it yet.
		const reasons: Reason[] = last || rule.onlyOnTrouble ? [] : [never];
		if (school === 'as-told')
			reasons.push(...eventReasons.filter(({ kind }) => FOR_AS_TOLD.has(kind)).map((e) => e.reason));
		else reasons.push(...eventReasons.map((e) => e.reason), ...changed.filter(({ level }) => level === 'caution'));
		if (school === 'every-day' && notToday) reasons.push(reason('caution', say('not-today', { day: dayOf(last.at) })));
		return {
			school,
			...SCHOOLS[school],
			due: reasons.length > 0,
			reasons: reasons.length > 0 ? [...reasons, ...ahead] : ahead,
		};
	};
	const schools = (['as-told', 'after-events', 'every-day'] as const).map(verdict);
	const own = aircraft.sensorSchools?.[sensor] ?? aircraft.school;
	const chosen = schools.find(({ school }) => school === own) ?? schools[1];
	return {
		sensor,
		name: rule.name,
		due: chosen.due,
		notHere: sensor === 'compass' && today.disturbed ? reason('fail', say('not-here')) : null,
		chosen,
		schools,
		evidence: [...(last ? [] : [never]), ...ahead, ...eventReasons.map((e) => e.reason), ...changed],
	};
}

/** An accelerometer counts as far away sooner than a compass does. */
export const distanceLimit = (sensor: Sensor) => (sensor === 'compass' ? limits.distanceKm : limits.accelerometerKm);

/** A limit with the pilot's own value over the default's, and then the pilot as its source. */
export const owned = <T extends { value: number; source: string }>(limit: T, value: number) => ({
	...limit,
	value,
	source: value === limit.value ? limit.source : 'Your own limit',
});

/** The pilot's thresholds over the defaults. */
export function thresholdsFor(sensor: Sensor, own: Draft<DueThresholds> | undefined): DueThresholds {
	// Null is the pilot's word that there is none.
	const {
		distanceKm = distanceLimit(sensor).value,
		heightM = limits.heightM.value,
		temperatureC = limits.temperatureC.value,
		ageDays = null,
	} = own ?? {};
	return { distanceKm, heightM, temperatureC, ageDays };
}

/** What lies over a limit is a reason to calibrate. */
export const levelOf = (over: boolean) => (over ? 'caution' : 'pass');

function temperatureReasons(last: LastCalibration, today: Today, { temperatureC }: DueThresholds): Reason[] {
	const [then, now] = [last.temperatureC ?? null, today.temperatureC ?? null];
	if (then === null || now === null || temperatureC === null) return [];
	const apart = Math.abs(now - then);
	return [
		reason(levelOf(apart > temperatureC), say('temperature', { then, now }), {
			value: apart,
			limit: owned(limits.temperatureC, temperatureC),
		}),
	];
}

function ageReasons(last: LastCalibration, now: string, today: Today, { ageDays }: DueThresholds): Reason[] {
	const days = daysBetween(last.at, now);
	return [
		reason(levelOf(ageDays !== null && days > ageDays), say('age', { days, flights: today.flights ?? null }), {
			value: days,
			limit: ageDays === null ? undefined : { value: ageDays, unit: 'days', source: 'Your own limit' },
		}),
	];
}
