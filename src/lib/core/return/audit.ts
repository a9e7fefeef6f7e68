import type { Message } from '$lib/messages/message';
import { returnToHome as say } from '$lib/messages/return';
import type { AuditAnswer, AuditRequest } from '../../schema/audit';
import type { Reason } from '../../schema/common';
import { InputError } from '../finding/inputError';
import { judge, reason, type Limit } from '../finding/reasons';
import { judgeGust } from './gust';
import { returnLimits as limits } from './limits';

/** One rule: looks at the settings and says what it found; null where it does not apply. */
type Rule = (a: AuditRequest) => Reason | null;

const fail = (says: Message, value?: number, limit?: Limit) => reason('fail', says, { value, limit });
const caution = (says: Message, value?: number, limit?: Limit) => reason('caution', says, { value, limit });
const pass = (says: Message, value?: number, limit?: Limit) => reason('pass', says, { value, limit });

const linkLoss: Rule = ({ linkLoss: action, venue, hasPosition }) => {
	if (action === 'unknown') return fail(say('action-unknown'));
	if (action === 'return' && !hasPosition) return fail(say('return-without-position'));
	if (action === 'return' && venue === 'indoors') return fail(say('return-indoors'));
	if (action === 'hover' && venue === 'outdoors') return caution(say('hover-outdoors'));
	if (action === 'cut-motors') return hasPosition ? fail(say('motors-cut#audit')) : caution(say('motors-cut#audit2'));
	if (action === 'land') return caution(say('lands-where-it-is'));
	return pass(say('action-set'));
};

const returns = (a: AuditRequest) => a.hasPosition && (a.linkLoss === 'return' || a.battery.act === 'return');

const height: Rule = (a) => {
	if (!returns(a) || a.venue === 'indoors') return null;
	const clear = a.returnHeightM - a.tallestM;
	if (clear < limits.clearanceFail.value)
		return fail(
			say('height-below-obstacle', { tallestM: a.tallestM, clearanceCaution: limits.clearanceCaution.value }),
			clear,
			limits.clearanceFail,
		);
	if (a.legalHeightM !== null && a.returnHeightM > a.legalHeightM)
		return fail(say('height-above-law', { legalHeightM: a.legalHeightM }), a.returnHeightM, {
			value: a.legalHeightM,
			unit: 'm',
			source: 'Local rule, entered by you',
		});
	if (clear < limits.clearanceCaution.value)
		return caution(
			say('height-near-obstacle', { tallestM: a.tallestM, clearanceCaution: limits.clearanceCaution.value }),
			clear,
			limits.clearanceCaution,
		);
	return pass(say('height-clear'), clear, limits.clearanceCaution);
};

const speed: Rule = (a) => {
	if (!returns(a)) return null;
	const gust = Math.max(a.windMps, a.gustMps);
	const { level, why, limit } = judgeGust(gust, a.returnSpeedMps);
	if (level === 'fail') return fail(say('slower-than-gusts', { why }), gust, limit);
	return level === 'caution'
		? caution(say('little-speed-left', { why }), gust, limit)
		: pass(say('faster-than-gusts', { why }), gust, limit);
};

const descent: Rule = (a) => {
	if (!returns(a)) return null;
	return a.descentMps > limits.descentMps.value
		? caution(say('descent-fast'), a.descentMps, limits.descentMps)
		: pass(say('descent-gentle'), a.descentMps, limits.descentMps);
};

const satellites: Rule = (a) => {
	if (!a.hasPosition) return null;
	return a.minSatellites < limits.satellites.value
		? caution(say('satellites-few', { minSatellites: a.minSatellites }), a.minSatellites, limits.satellites)
		: pass(say('satellites-enough'), a.minSatellites, limits.satellites);
};

const armsWithoutFix: Rule = ({ hasPosition, armsWithoutFix: arms }) => {
	if (!hasPosition) return null;
	if (arms === 'unknown') return caution(say('arming-unknown'));
	return arms === 'yes' ? caution(say('arms-without-fix')) : pass(say('arms-with-fix'));
};

const plausibility: Rule = (a) => {
	if (!returns(a)) return null;
	if (a.plausibility === 'always') return pass(say('plausibility-on'));
	return caution(
		say(a.plausibility === 'unknown' ? 'plausibility-unknown' : 'plausibility-off', {
			linkLossOnly: a.plausibility === 'link-loss-only',
		}),
	);
};

const levels: Rule = ({ battery: { warnPct, actPct }, hasPosition }) => {
	if (warnPct <= actPct)
		return fail(say('levels-upside-down'), warnPct, {
			value: actPct,
			unit: '%',
			source: 'Level of the action',
		});
	if (actPct < limits.actPct.value) return caution(say('acts-late'), actPct, limits.actPct);
	if (hasPosition && warnPct < limits.warnPct.value) return caution(say('warns-late'), warnPct, limits.warnPct);
	return pass(say('levels-set'), warnPct, limits.warnPct);
};

const batteryAction: Rule = ({ battery: { act, timerS }, venue }) => {
	if (act === 'return' && venue === 'indoors') return fail(say('battery-return-indoors'));
	if (act === 'nothing')
		return timerS === null ? fail(say('nothing-watches-battery')) : caution(say('timer-only'), timerS);
	return pass(say('battery-acts'));
};

const throttle: Rule = ({ throttle: range }) => {
	if (!range) return null;
	const { minPct, hoverPct, maxPct } = range;
	if (!(minPct < hoverPct && hoverPct < maxPct))
		return fail(say('throttle-range'), hoverPct, { value: maxPct, unit: '%', source: 'Upper end of its range' });
	if (maxPct - hoverPct < limits.throttleRoomPct.value || hoverPct - minPct < limits.throttleRoomPct.value / 2)
		return caution(say('throttle-room'), Math.min(maxPct - hoverPct, hoverPct - minPct), limits.throttleRoomPct);
	return pass(say('throttle-range-wide'), maxPct - hoverPct, limits.throttleRoomPct);
};

const testPlace: Rule = ({ testDistanceM, minDistanceM }) => {
	if (testDistanceM === null) return null;
	const limit = { value: minDistanceM, unit: 'm', source: 'Minimum distance of this aircraft' };
	return testDistanceM <= minDistanceM
		? fail(say('test-too-near#audit', { minDistanceM }), testDistanceM, limit)
		: pass(say('test-far-enough'), testDistanceM, limit);
};

const tests: Rule = ({ tests: t }) => {
	if (t.sinceChange !== 'yes') return fail(say('insufficient-test'));
	if (t.benchArmed !== 'yes')
		return t.benchDisarmed === 'yes' ? caution(say('tested-disarmed')) : fail(say('insufficient-test#audit'));
	if (t.radioOffInAir !== 'yes') return caution(say('switch-is-not-loss#audit', { switchInAir: t.switchInAir }));
	return pass(say('tested'));
};

const indoors: Rule = ({ venue, ceilingM, returnHeightM, linkLoss: action }) =>
	venue === 'indoors' && ceilingM !== null && action === 'return' && returnHeightM >= ceilingM
		? fail(say('height-above-ceiling'), returnHeightM, {
				value: ceilingM,
				unit: 'm',
				source: 'Ceiling, entered by you',
			})
		: null;

const RULES: readonly Rule[] = [
	linkLoss,
	height,
	indoors,
	speed,
	descent,
	satellites,
	armsWithoutFix,
	plausibility,
	levels,
	batteryAction,
	throttle,
	testPlace,
	tests,
];

/**
 * Audits link-loss, return and battery settings against the place, the wind and each other. Each rule gives a reason, the
 * passing ones too. The maker's manual and the local rules stand above all of them.
 * @throws InputError where gusts are below the mean wind.
 */
export function auditSettings(request: AuditRequest): AuditAnswer {
	if (request.gustMps < request.windMps)
		throw new InputError('gust', 'gustMps', 'The gusts cannot be weaker than the wind.');
	const reasons = RULES.flatMap((rule) => rule(request) ?? []);
	return { rules: reasons.length, ...judge(reasons) };
}
