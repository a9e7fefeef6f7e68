import type { Reason } from '../../schema/common';
import type { ReturnAnswer, ReturnRequest } from '../../schema/return';
import { reason } from '../finding/reasons';
import { bearingWord } from '../../words/bearing';
import type { Plan } from './actions';
import { returnLimits as limits } from './limits';
import { returnSequence } from './sequence';
import { gustWind, shear, type Plane, type WindStop } from './wind';

/** Slack on energies, Wh: the hover plan lands with exactly the reserve. */
export const SLACK_WH = 1e-6;

const STOP_WORDS: Record<WindStop, string> = {
	'wind-exceeds-airspeed': 'The wind at its height is stronger than the aircraft flies: it cannot hold a place.',
	'crosswind-too-strong': 'The crosswind is stronger than its airspeed: it cannot keep the line home.',
	'headwind-too-strong': 'Against this wind it would stand still or drift away.',
};

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
	if (plan.stopped)
		out.push(
			reason('fail', plan.stopped, STOP_WORDS[plan.stopped], {
				value: wind.speedMps,
				next: 'Raise the return speed, stay upwind and near, or shorten the day.',
			}),
		);
	if (f.landWithWh !== null) {
		if (f.landWithWh < -SLACK_WH)
			out.push(
				reason('fail', 'pack-empty-before-home', 'The pack is empty before it is down.', {
					value: f.landWithWh,
					limit: wh(0),
					next: 'Turn back earlier.',
				}),
			);
		else if (f.landWithWh < f.reserveWh - SLACK_WH) {
			const usedUp = f.leftWh < f.reserveWh - SLACK_WH;
			out.push(
				reason(
					'fail',
					'reserve-violated',
					usedUp
						? `The pack is used up: only ${f.leftWh.toFixed(1)} of ${pack.usableWh.toFixed(1)} Wh are left, less than the reserve, before it turns back.`
						: `It uses its reserve up: ${f.landWithWh.toFixed(1)} Wh are left at the landing.`,
					{
						value: f.landWithWh,
						limit: wh(f.reserveWh),
						next: usedUp ? 'Land now, and fly on with a charged pack.' : 'Turn back earlier.',
					},
				),
			);
		}
	}
	const { minM, obstacle } = f.clearance;
	const stands = obstacle === undefined ? undefined : request.obstacles[obstacle];
	const where = stands ? `${stands.distanceM.toFixed(0)} m to the ${bearingWord(stands.bearingDeg)} of home` : 'there';
	if (minM !== null && minM < limits.clearanceFail.value)
		out.push(
			reason('fail', 'obstacle-in-path', `What stands ${where} is in the way.`, {
				value: minM,
				limit: limits.clearanceFail,
				next: 'Raise the return height or move home.',
			}),
		);
	if (action === 'cut-motors' && position.heightM > 0)
		out.push(
			reason('fail', 'motors-cut', 'On loss of link the motors stop and it falls.', {
				value: plan.impactMps,
				next: 'Set another action where the aircraft can come home.',
			}),
		);
	const energyMatters = action === 'return' || action === 'land';
	if (energyMatters && f.landWithWh !== null && f.landWithWh >= f.reserveWh - SLACK_WH) {
		const margin = f.reserveWh + limits.thinMargin.value * pack.usableWh;
		if (f.landWithWh < margin)
			out.push(
				reason('caution', 'margin-thin', 'Little is left above the reserve.', {
					value: f.landWithWh,
					limit: wh(margin),
					next: 'Turn back earlier.',
				}),
			);
	}
	if (minM !== null && minM >= limits.clearanceFail.value && minM < limits.clearanceCaution.value)
		out.push(
			reason('caution', 'obstacle-close', `It passes close over what stands ${where}.`, {
				value: minM,
				limit: limits.clearanceCaution,
				next: 'Raise the return height.',
			}),
		);
	if (action === 'return') out.push(...gustReasons(request, plan, f));
	if (action === 'hover' && wind.gustMps * shear(request, position.heightM) >= aircraft.airspeedMaxMps)
		out.push(
			reason('caution', 'gust-exceeds-airspeed', 'In a gust it cannot hold its place.', {
				value: wind.gustMps,
				next: 'Come down, or choose another action.',
			}),
		);
	const carriedM = plan.carried ? Math.hypot(...plan.carried) : null;
	const landsAtM = carriedM ?? (plan.stopped ? 0 : f.away);
	if ((action === 'land' || action === 'hover') && landsAtM > settings.minDistanceM)
		out.push(
			reason(
				'caution',
				'lands-away-from-home',
				carriedM === null
					? 'It lands away from home.'
					: `It cannot hold its place: by the time it is down the wind has carried it to ${carriedM.toFixed(0)} m from home.`,
				{
					value: landsAtM,
					limit: { value: settings.minDistanceM, unit: 'm', source: 'Minimum distance set in the aircraft' },
					next: 'Look at what is below it.',
				},
			),
		);
	if (plan.nearer)
		out.push(
			reason('pass', 'nearer-than-minimum', 'Nearer than the minimum distance: it lands where it is.', {
				value: position.distanceM,
				limit: { value: settings.minDistanceM, unit: 'm', source: 'Minimum distance set in the aircraft' },
			}),
		);
	if (!out.some(({ level }) => level === 'fail' || level === 'caution') && f.landWithWh !== null)
		out.unshift(
			reason('pass', 'returns-with-reserve', 'It is down with its reserve.', {
				value: f.landWithWh,
				limit: wh(f.reserveWh),
			}),
		);
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
		return [
			reason('caution', 'gust-stops-return', 'In a gust it would stand still or drift away.', { value: gust, next }),
		];
	if (
		inGust.totalWh !== null &&
		f.landWithWh !== null &&
		f.landWithWh >= f.reserveWh - SLACK_WH &&
		f.leftWh - inGust.totalWh < f.reserveWh - SLACK_WH
	)
		return [
			reason('caution', 'gust-breaks-reserve', 'Against gusts all the way it would land on its reserve.', {
				value: f.leftWh - inGust.totalWh,
				limit: { value: f.reserveWh, unit: 'Wh', source: 'Your pack and reserve' },
				next,
			}),
		];
	return [];
}
