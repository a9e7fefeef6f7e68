import type { Reason } from '../../schema/common';
import type { Aircraft, AircraftEvent, DueSchool } from '../../schema/records';
import { fieldAt } from '../earth/field';
import { inverseGeodesic } from '../earth/geodesy';
import { DEG } from '../frames/angles';
import { dayOf } from '../frames/calendar';
import { reason } from '../frames/reasons';
import { dueLimits as limits, TYPICAL_LEFTOVER_UT } from './limits';

export interface LastCalibration {
	at: string;
	place: { latDeg: number; lonDeg: number; altM: number };
}

export interface SchoolVerdict {
	school: DueSchool;
	name: string;
	due: boolean;
	argument: string;
	against: string;
	reasons: Reason[];
}

export interface CompassDue {
	due: boolean;
	/** The verdict of the aircraft's own school. */
	chosen: SchoolVerdict;
	schools: SchoolVerdict[];
	/** What changed since the last accepted calibration, whatever the school. */
	evidence: Reason[];
}

const SCHOOLS: Record<DueSchool, Pick<SchoolVerdict, 'name' | 'argument' | 'against'>> = {
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

const EVENT_WORDS: Record<AircraftEvent['kind'], string> = {
	new: 'New aircraft',
	firmware: 'Firmware changed',
	knock: 'Knock or hard landing',
	part: 'Part moved or replaced',
	prompt: 'The aircraft asked for it',
	'odd-flight': 'It flew oddly',
	journey: 'Carried in a vehicle or plane',
};

const FOR_AS_TOLD = new Set<AircraftEvent['kind']>(['new', 'firmware', 'prompt']);

/**
 * Whether the compass is due, under each of three schools, and why. `now` is an ISO time; the day of "every day" is the
 * UTC day of `now`. Distances by geodesic, the field by the model at both places.
 */
export function compassDue(
	aircraft: Aircraft,
	last: LastCalibration | null,
	site: { latDeg: number; lonDeg: number; altM: number } | null,
	now: string,
): CompassDue {
	const never = reason('caution', 'never-calibrated', 'No accepted calibration of this compass is on record.');
	const events = aircraft.events.filter(({ at }) => at <= now && (!last || at > last.at));
	const eventReasons = events.map((event) => ({
		kind: event.kind,
		reason: reason(
			'caution',
			`event-${event.kind}`,
			`${EVENT_WORDS[event.kind]} on ${dayOf(event.at)}${event.note ? `: ${event.note}` : ''}.`,
		),
	}));
	const place = last && site ? placeReasons(last, site, now) : [];
	const today = last && last.at.slice(0, 10) !== now.slice(0, 10);

	const verdict = (school: DueSchool): SchoolVerdict => {
		const reasons: Reason[] = last ? [] : [never];
		if (school === 'as-told')
			reasons.push(...eventReasons.filter(({ kind }) => FOR_AS_TOLD.has(kind)).map((e) => e.reason));
		else reasons.push(...eventReasons.map((e) => e.reason), ...place.filter(({ level }) => level === 'caution'));
		if (school === 'every-day' && today)
			reasons.push(reason('caution', 'not-today', `Last calibrated on ${dayOf(last.at)}, not today.`));
		return { school, ...SCHOOLS[school], due: reasons.length > 0, reasons };
	};
	const schools = (['as-told', 'after-events', 'every-day'] as const).map(verdict);
	const chosen = schools.find(({ school }) => school === aircraft.school) ?? schools[1];
	return {
		due: chosen.due,
		chosen,
		schools,
		evidence: [...(last ? [] : [never]), ...eventReasons.map((e) => e.reason), ...place],
	};
}

function placeReasons(
	last: LastCalibration,
	site: { latDeg: number; lonDeg: number; altM: number },
	now: string,
): Reason[] {
	const { distanceM } = inverseGeodesic(last.place.latDeg, last.place.lonDeg, site.latDeg, site.lonDeg);
	const km = distanceM / 1000;
	const climb = Math.abs(site.altM - last.place.altM);
	const level = (over: boolean) => (over ? 'caution' : 'pass');
	const out = [
		reason(
			level(km > limits.distanceKm.value),
			'distance',
			`Calibrated ${km < 10 ? km.toFixed(1) : km.toFixed(0)} km from here.`,
			km,
			limits.distanceKm,
		),
		reason(
			level(climb > limits.heightM.value),
			'height',
			`Calibrated ${climb.toFixed(0)} m higher or lower.`,
			climb,
			limits.heightM,
		),
	];
	const shift = headingShiftDeg(last, site, now);
	if (shift !== null)
		out.push(
			reason(
				level(shift > limits.headingShiftDeg.value),
				'field-change',
				`With the field of this place a usual leftover offset turns the heading by ${shift.toFixed(1)}°.`,
				shift,
				limits.headingShiftDeg,
			),
		);
	return out;
}

/** Change of the heading error that a usual leftover offset makes, between two places; null outside the field model. */
function headingShiftDeg(
	last: LastCalibration,
	site: { latDeg: number; lonDeg: number; altM: number },
	now: string,
): number | null {
	try {
		const errorAt = (p: { latDeg: number; lonDeg: number; altM: number }, date: string) => {
			const { horizontalUt } = fieldAt(p.latDeg, p.lonDeg, p.altM, date);
			return Math.asin(Math.min(1, TYPICAL_LEFTOVER_UT / horizontalUt)) / DEG;
		};
		return Math.abs(errorAt(site, now.slice(0, 10)) - errorAt(last.place, last.at.slice(0, 10)));
	} catch {
		return null; // a date that the model does not hold for: distance and height still tell
	}
}
