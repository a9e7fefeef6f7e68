import { due as say } from '$lib/messages/due';
import type { Reason } from '../../schema/common';
import { fieldAt } from '../earth/field';
import { inverseGeodesic } from '../earth/geodesy';
import { DEG } from '../frames/angles';
import { reason } from '../finding/reasons';
import { distanceLimit, levelOf, owned, type Here, type Point } from './due';
import { dueLimits as limits, TYPICAL_LEFTOVER_UT } from './limits';

/**
 * What standing at a site changes for calibrations made elsewhere: how far it is by geodesic, how much higher, and what the
 * field of the model does there. `now` is an ISO time.
 */
export const placedAt =
	(site: Point, now: string): Here =>
	({ sensor, kind, from, at, thresholds }) => {
		const { distanceM } = inverseGeodesic(from.latDeg, from.lonDeg, site.latDeg, site.lonDeg);
		const km = distanceM / 1000;
		const climb = Math.abs(site.altM - from.altM);
		const out: Reason[] = [];
		if (thresholds.distanceKm !== null)
			out.push(
				reason(levelOf(km > thresholds.distanceKm), say('distance', { km }), {
					value: km,
					limit: owned(distanceLimit(sensor), thresholds.distanceKm),
				}),
			);
		if (thresholds.heightM !== null)
			out.push(
				reason(levelOf(climb > thresholds.heightM), say('height', { climb }), {
					value: climb,
					limit: owned(limits.heightM, thresholds.heightM),
				}),
			);
		const shift = kind === 'field' ? headingShiftDeg(from, at, site, now) : null;
		if (shift !== null)
			out.push(
				reason(levelOf(shift > limits.headingShiftDeg.value), say('field-change', { shift }), {
					value: shift,
					limit: limits.headingShiftDeg,
				}),
			);
		return out;
	};

/** Change of the heading error that a usual leftover offset makes, between two places; null outside the field model. */
function headingShiftDeg(from: Point, at: string, site: Point, now: string): number | null {
	try {
		const errorAt = (p: Point, date: string) => {
			const { horizontalUt } = fieldAt(p.latDeg, p.lonDeg, p.altM, date);
			return Math.asin(Math.min(1, TYPICAL_LEFTOVER_UT / horizontalUt)) / DEG;
		};
		return Math.abs(errorAt(site, now.slice(0, 10)) - errorAt(from, at.slice(0, 10)));
	} catch {
		return null; // a date that the model does not hold for: distance and height still tell
	}
}
