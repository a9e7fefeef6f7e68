import { reason } from '../finding/reasons';
import { earth as say } from '$lib/messages/earth';
import geomagnetism from 'geomagnetism';
import type { FieldAnswer } from '../../schema/field';
import { DEG } from '../frames/angles';
import { InputError } from '../finding/inputError';
import type { Vec3 } from '../frames/vec3';
import { normalGravity } from './gravity';
import { earthLimits } from './limits';

export const MODEL_NAME = 'WMM2025';
export const MODEL_FIRST_DATE = '2025-01-01';
export const MODEL_LAST_DATE = '2029-12-31';

const NT_PER_UT = 1000;

/** The model is linear in time, so two epochs inside the package's own limits give every date of the five years. */
const EARLY_YEAR = 2025;
const LATE_YEAR = 2029;
const epochs = [EARLY_YEAR, LATE_YEAR].map((year) => geomagnetism.model(new Date(Date.UTC(year, 0, 1))));

function decimalYear(date: string): number {
	const at = new Date(`${date}T00:00:00Z`);
	const year = at.getUTCFullYear();
	const start = Date.UTC(year, 0, 1);
	return year + (at.getTime() - start) / (Date.UTC(year + 1, 0, 1) - start);
}

/**
 * Earth's main field as north, east, down in µT at geodetic latitude and longitude (degrees), height above the WGS 84
 * ellipsoid (metres) and date (YYYY-MM-DD, 00:00 UTC). World Magnetic Model 2025; agrees with its published test values
 * within 1 nT. At a pole "north" is along the meridian of the longitude given.
 * @throws InputError `date-outside-model` for dates that the model does not hold for.
 */
export function fieldVectorUt(latDeg: number, lonDeg: number, altM: number, date: string): Vec3 {
	if (date < MODEL_FIRST_DATE || date > MODEL_LAST_DATE)
		throw new InputError(
			'date-outside-model',
			'date',
			`The field model holds from ${MODEL_FIRST_DATE} to ${MODEL_LAST_DATE}; ${date} is outside.`,
		);
	const [early, late] = epochs.map((model) => model.point([latDeg, lonDeg, altM / 1000]));
	const k = (decimalYear(date) - EARLY_YEAR) / (LATE_YEAR - EARLY_YEAR);
	const at = (a: number, b: number) => (a + k * (b - a)) / NT_PER_UT;
	return [at(early.x, late.x), at(early.y, late.y), at(early.z, late.z)];
}

/** The field at a place and date with its elements, gravity there, and whether a compass can work. */
export function fieldAt(latDeg: number, lonDeg: number, altM: number, date: string): FieldAnswer {
	const [northUt, eastUt, downUt] = fieldVectorUt(latDeg, lonDeg, altM, date);
	const horizontalUt = Math.hypot(northUt, eastUt);
	const totalUt = Math.hypot(horizontalUt, downUt);
	const usable = horizontalUt >= earthLimits.minHorizontal.value;
	const { minHorizontal } = earthLimits;
	const found = reason(usable ? 'pass' : 'fail', say(usable ? 'field-usable' : 'horizontal-field-too-weak'), {
		value: horizontalUt,
		limit: minHorizontal,
	});
	return {
		totalUt,
		horizontalUt,
		northUt,
		eastUt,
		downUt,
		inclinationDeg: Math.atan2(downUt, horizontalUt) / DEG,
		declinationDeg: Math.atan2(eastUt, northUt) / DEG,
		gravityMps2: normalGravity(latDeg * DEG, altM),
		model: MODEL_NAME,
		validUntil: MODEL_LAST_DATE,
		verdict: usable ? 'pass' : 'fail',
		reasons: [found],
	};
}

/** The field at a request's site. @throws InputError with path `site.date` for a date outside the model. */
export function fieldAtSite(site: { latDeg: number; lonDeg: number; altM: number; date: string }): FieldAnswer {
	try {
		return fieldAt(site.latDeg, site.lonDeg, site.altM, site.date);
	} catch (error) {
		if (error instanceof InputError) throw new InputError(error.code, 'site.date', error.message);
		throw error;
	}
}
