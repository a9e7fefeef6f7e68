import { returnToHome as say } from '$lib/messages/return';
import type { Reason } from '../../schema/common';
import type { ReturnAnswer, ReturnRequest } from '../../schema/return';
import { reason } from '../finding/reasons';
import { bearingWord } from '../../words/bearing';
import type { Plan } from './actions';
import { returnLimits as limits } from './limits';
import { returnSequence } from './sequence';
import { gustWind, shear, type Plane } from './wind';

/** Slack on energies, Wh: the hover plan lands with exactly the reserve. */
export const SLACK_WH = 1e-6;

export interface Facts {
	leftWh: number;
	reserveWh: number;
	landWithWh: number | null;
	clearance: ReturnAnswer['clearance'];
	away: number;
	t: Plane;
}

/** All codes that apply, before they are sorted (docs/methods/return.md#verdict). */
export function reasonsOf(request: ReturnRequest, plan: Plan, f: Facts): Reason[] {
	const { aircraft, pack, settings, position, wind } = request;
	const { action } = settings;
	const out: Reason[] = [];
	const wh = (value: number) => ({ value, unit: 'Wh', source: 'Your pack and reserve' });
	if (plan.stopped) out.push(reason('fail', say(plan.stopped), { value: wind.speedMps }));
	if (f.landWithWh !== null) {
		if (f.landWithWh < -SLACK_WH)
			out.push(reason('fail', say('pack-empty-before-home'), { value: f.landWithWh, limit: wh(0) }));
		else if (f.landWithWh < f.reserveWh - SLACK_WH) {
			const usedUp = f.leftWh < f.reserveWh - SLACK_WH;
			out.push(
				reason(
					'fail',
					say('reserve-violated', { usedUp, leftWh: f.leftWh, usableWh: pack.usableWh, landWithWh: f.landWithWh }),
					{ value: f.landWithWh, limit: wh(f.reserveWh) },
				),
			);
		}
	}
	const { minM, obstacle } = f.clearance;
	const stands = obstacle === undefined ? undefined : request.obstacles[obstacle];
	const standing = { distanceM: stands?.distanceM ?? null, toward: stands ? bearingWord(stands.bearingDeg) : '' };
	if (minM !== null && minM < limits.clearanceFail.value)
		out.push(reason('fail', say('obstacle-in-path', standing), { value: minM, limit: limits.clearanceFail }));
	if (action === 'cut-motors' && position.heightM > 0)
		out.push(reason('fail', say('motors-cut'), { value: plan.impactMps }));
	const energyMatters = action === 'return' || action === 'land';
	if (energyMatters && f.landWithWh !== null && f.landWithWh >= f.reserveWh - SLACK_WH) {
		const margin = f.reserveWh + limits.thinMargin.value * pack.usableWh;
		if (f.landWithWh < margin)
			out.push(reason('caution', say('margin-thin'), { value: f.landWithWh, limit: wh(margin) }));
	}
	if (minM !== null && minM >= limits.clearanceFail.value && minM < limits.clearanceCaution.value)
		out.push(reason('caution', say('obstacle-close', standing), { value: minM, limit: limits.clearanceCaution }));
	if (action === 'return') out.push(...gustReasons(request, plan, f));
	if (action === 'hover' && wind.gustMps * shear(request, position.heightM) >= aircraft.airspeedMaxMps)
		out.push(reason('caution', say('gust-exceeds-airspeed'), { value: wind.gustMps }));
	const carriedM = plan.carried ? Math.hypot(...plan.carried) : null;
	const landsAtM = carriedM ?? (plan.stopped ? 0 : f.away);
	if ((action === 'land' || action === 'hover') && landsAtM > settings.minDistanceM)
		out.push(
			reason('caution', say('lands-away-from-home', { carriedM }), {
				value: landsAtM,
				limit: { value: settings.minDistanceM, unit: 'm', source: 'Minimum distance set in the aircraft' },
			}),
		);
	if (plan.nearer)
		out.push(
			reason('pass', say('nearer-than-minimum'), {
				value: position.distanceM,
				limit: { value: settings.minDistanceM, unit: 'm', source: 'Minimum distance set in the aircraft' },
			}),
		);
	if (!out.some(({ level }) => level === 'fail' || level === 'caution') && f.landWithWh !== null)
		out.unshift(reason('pass', say('returns-with-reserve'), { value: f.landWithWh, limit: wh(f.reserveWh) }));
	return out;
}

function gustReasons(request: ReturnRequest, plan: Plan, f: Facts): Reason[] {
	const { aircraft, settings, position, wind } = request;
	if (plan.stopped) return [];
	const H = plan.nearer ? position.heightM : Math.max(position.heightM, settings.returnHeightM);
	const gust = Math.max(wind.gustMps, wind.speedMps);
	const next = 'Stay upwind and near, or raise the return speed.';
	const inGust = returnSequence(request, gustWind(request, f.t), position, true);
	if (gust * shear(request, H) >= aircraft.airspeedMaxMps || inGust.stopped)
		return [reason('caution', say('gust-stops-return', { remedy: next }), { value: gust })];
	if (
		inGust.totalWh !== null &&
		f.landWithWh !== null &&
		f.landWithWh >= f.reserveWh - SLACK_WH &&
		f.leftWh - inGust.totalWh < f.reserveWh - SLACK_WH
	)
		return [
			reason('caution', say('gust-breaks-reserve', { remedy: next }), {
				value: f.leftWh - inGust.totalWh,
				limit: { value: f.reserveWh, unit: 'Wh', source: 'Your pack and reserve' },
			}),
		];
	return [];
}
