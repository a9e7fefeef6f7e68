import type { AuditAnswer, AuditRequest } from '../../schema/audit';
import type { Reason } from '../../schema/common';
import { InputError } from '../finding/inputError';
import { judge, reason } from '../finding/reasons';
import { judgeGust } from './gust';
import { returnLimits as limits } from './limits';

/** One rule: looks at the settings and says what it found; null where it does not apply. */
type Rule = (a: AuditRequest) => Reason | null;

const fail = (
	code: string,
	text: string,
	next: string,
	value?: number,
	limit?: { value: number; unit: string; source: string },
) => reason('fail', code, text, { value, limit, next });
const caution = (
	code: string,
	text: string,
	next: string,
	value?: number,
	limit?: { value: number; unit: string; source: string },
) => reason('caution', code, text, { value, limit, next });
const pass = (code: string, text: string, value?: number, limit?: { value: number; unit: string; source: string }) =>
	reason('pass', code, text, { value, limit });

const linkLoss: Rule = ({ linkLoss: action, venue, hasPosition }) => {
	if (action === 'unknown')
		return fail(
			'action-unknown',
			'Nobody has looked what it does when the link is lost.',
			'Look it up in the settings; a drop is a common factory default.',
		);
	if (action === 'return' && !hasPosition)
		return fail(
			'return-without-position',
			'It cannot return: it has no position.',
			'Set it to land, or to stop its motors where that is safer.',
		);
	if (action === 'return' && venue === 'indoors')
		return fail(
			'return-indoors',
			'Indoors a return climbs into the ceiling.',
			'Set it to hover or to land, and note to put it back before flying outdoors.',
		);
	if (action === 'hover' && venue === 'outdoors')
		return caution(
			'hover-outdoors',
			'Without the link it hovers until the pack is low.',
			'Outdoors most set it to return; know where it will come down.',
		);
	if (action === 'cut-motors')
		return hasPosition
			? fail('motors-cut', 'Without the link it falls.', 'Set it to return, or to land.')
			: caution(
					'motors-cut',
					'Without the link it falls: right for an aircraft that holds no position, when nobody stands below.',
					'Fly over open ground only.',
				);
	if (action === 'land')
		return caution(
			'lands-where-it-is',
			'Without the link it lands where it is, drifting with the wind.',
			'Look what lies below the whole flight.',
		);
	return pass('action-set', 'What it does without the link fits this place.');
};

const returns = (a: AuditRequest) => a.hasPosition && (a.linkLoss === 'return' || a.battery.act === 'return');

const height: Rule = (a) => {
	if (!returns(a) || a.venue === 'indoors') return null;
	const clear = a.returnHeightM - a.tallestM;
	if (clear < limits.clearanceFail.value)
		return fail(
			'height-below-obstacle',
			'It would come home below the tallest thing here.',
			`Set at least ${(a.tallestM + limits.clearanceCaution.value).toFixed(0)} m.`,
			clear,
			limits.clearanceFail,
		);
	if (a.legalHeightM !== null && a.returnHeightM > a.legalHeightM)
		return fail(
			'height-above-law',
			'It would climb above the height allowed here.',
			`Set at most ${a.legalHeightM} m, or choose a way home without obstacles.`,
			a.returnHeightM,
			{ value: a.legalHeightM, unit: 'm', source: 'Local rule, entered by you' },
		);
	if (clear < limits.clearanceCaution.value)
		return caution(
			'height-near-obstacle',
			'It would come home just above the tallest thing here.',
			`Set ${(a.tallestM + limits.clearanceCaution.value).toFixed(0)} m or more.`,
			clear,
			limits.clearanceCaution,
		);
	return pass('height-clear', 'It comes home above everything here.', clear, limits.clearanceCaution);
};

const speed: Rule = (a) => {
	if (!returns(a)) return null;
	const gust = Math.max(a.windMps, a.gustMps);
	const { level, why, limit } = judgeGust(gust, a.returnSpeedMps);
	if (level === 'fail')
		return fail('slower-than-gusts', why, 'Raise the return speed, or fly upwind and near.', gust, limit);
	return level === 'caution'
		? caution('little-speed-left', why, 'Stay upwind and near.', gust, limit)
		: pass('faster-than-gusts', why, gust, limit);
};

const descent: Rule = (a) => {
	if (!returns(a)) return null;
	return a.descentMps > limits.descentMps.value
		? caution(
				'descent-fast',
				'It comes down fast: into its own wash, and hard onto the ground.',
				'Set 1 to 2 m/s.',
				a.descentMps,
				limits.descentMps,
			)
		: pass('descent-gentle', 'It comes down gently.', a.descentMps, limits.descentMps);
};

const satellites: Rule = (a) => {
	if (!a.hasPosition) return null;
	return a.minSatellites < limits.satellites.value
		? caution(
				'satellites-few',
				`It takes home with ${a.minSatellites} satellites.`,
				'Wait for eight yourself, whatever is set.',
				a.minSatellites,
				limits.satellites,
			)
		: pass('satellites-enough', 'It wants enough satellites before it takes home.', a.minSatellites, limits.satellites);
};

const armsWithoutFix: Rule = ({ hasPosition, armsWithoutFix: arms }) => {
	if (!hasPosition) return null;
	if (arms === 'unknown')
		return caution(
			'arming-unknown',
			'Nobody has looked whether it arms without a fix.',
			'Try it on the bench, propellers off.',
		);
	return arms === 'yes'
		? caution(
				'arms-without-fix',
				'It arms without a fix: home may then be nowhere, and a return goes elsewhere or does nothing.',
				'Watch the lock yourself before every take-off.',
			)
		: pass('arms-with-fix', 'It does not arm without a fix.');
};

const plausibility: Rule = (a) => {
	if (!returns(a)) return null;
	if (a.plausibility === 'always')
		return pass('plausibility-on', 'It checks that a return makes sense before it begins.');
	return caution(
		a.plausibility === 'unknown' ? 'plausibility-unknown' : 'plausibility-off',
		a.plausibility === 'link-loss-only'
			? 'It checks only on link loss that a return makes sense, not when the switch is thrown.'
			: 'It does not check that a return makes sense, as far as is known.',
		'With present firmware “always” is what most choose: it no longer falls when a check fails. Read its notes.',
	);
};

const levels: Rule = ({ battery: { warnPct, actPct }, hasPosition }) => {
	if (warnPct <= actPct)
		return fail('levels-upside-down', 'It acts before it warns.', 'Set the warning above the action.', warnPct, {
			value: actPct,
			unit: '%',
			source: 'Level of the action',
		});
	if (actPct < limits.actPct.value)
		return caution(
			'acts-late',
			'It acts late: little is left to come down with.',
			'Set 10 % or more.',
			actPct,
			limits.actPct,
		);
	if (hasPosition && warnPct < limits.warnPct.value)
		return caution('warns-late', 'It warns late.', 'Set 25 to 30 %.', warnPct, limits.warnPct);
	return pass('levels-set', 'It warns first and acts in time.', warnPct, limits.warnPct);
};

const batteryAction: Rule = ({ battery: { act, timerS }, venue }) => {
	if (act === 'return' && venue === 'indoors')
		return fail(
			'battery-return-indoors',
			'At the low level it would climb into the ceiling.',
			'Switch the automatic return off indoors, and set a timer in its place.',
		);
	if (act === 'nothing')
		return timerS === null
			? fail(
					'nothing-watches-battery',
					'Nothing ends the flight when the pack is low.',
					'Set a timer by the flight time, less its uncertainty.',
				)
			: caution('timer-only', 'Only the timer ends the flight.', 'Land when it sounds.', timerS);
	return pass('battery-acts', 'At the low level it acts by itself.');
};

const throttle: Rule = ({ throttle: range }) => {
	if (!range) return null;
	const { minPct, hoverPct, maxPct } = range;
	if (!(minPct < hoverPct && hoverPct < maxPct))
		return fail(
			'throttle-range',
			'The throttle it hovers at lies outside the range it may use: it would sink or climb away.',
			'Hover first, enter the hover throttle, widen the range.',
			hoverPct,
			{ value: maxPct, unit: '%', source: 'Upper end of its range' },
		);
	if (maxPct - hoverPct < limits.throttleRoomPct.value || hoverPct - minPct < limits.throttleRoomPct.value / 2)
		return caution(
			'throttle-room',
			'Little room is left above or below the hover throttle.',
			'Widen the range.',
			Math.min(maxPct - hoverPct, hoverPct - minPct),
			limits.throttleRoomPct,
		);
	return pass(
		'throttle-range-wide',
		'The range of throttle leaves room about the hover.',
		maxPct - hoverPct,
		limits.throttleRoomPct,
	);
};

const testPlace: Rule = ({ testDistanceM, minDistanceM }) => {
	if (testDistanceM === null) return null;
	const limit = { value: minDistanceM, unit: 'm', source: 'Minimum distance of this aircraft' };
	return testDistanceM <= minDistanceM
		? fail(
				'test-too-near',
				'At this distance it would land instead of returning: the test proves nothing.',
				`Fly out beyond ${(minDistanceM * 1.2).toFixed(0)} m, over clear ground.`,
				testDistanceM,
				limit,
			)
		: pass('test-far-enough', 'The test is beyond the minimum distance.', testDistanceM, limit);
};

const tests: Rule = ({ tests: t }) => {
	if (t.sinceChange !== 'yes')
		return fail(
			'insufficient-test',
			'Nothing shows that link loss was tested since the last change of firmware or settings.',
			'Test it on the bench, propellers off, armed: radio off, and watch the time until the motors stop.',
		);
	if (t.benchArmed !== 'yes')
		return t.benchDisarmed === 'yes'
			? caution(
					'tested-disarmed',
					'Link loss was tested disarmed only: the message was seen, the motors were not.',
					'Repeat it armed, propellers off.',
				)
			: fail(
					'insufficient-test',
					'Link loss was not tested on the bench.',
					'Propellers off: arm, switch the radio off, watch what happens and how long it takes.',
				);
	if (t.radioOffInAir !== 'yes')
		return caution(
			'switch-is-not-loss',
			`In the air ${t.switchInAir === 'yes' ? 'only the switch was tested' : 'nothing was tested'}: a switch does not prove what a lost radio does.`,
			'Test it low and near, over clear ground, by the maker’s manual.',
		);
	return pass('tested', 'Link loss was tested armed on the bench, and for real in the air, since the last change.');
};

const indoors: Rule = ({ venue, ceilingM, returnHeightM, linkLoss: action }) =>
	venue === 'indoors' && ceilingM !== null && action === 'return' && returnHeightM >= ceilingM
		? fail(
				'height-above-ceiling',
				'The return height is above the ceiling.',
				'Indoors: hover or land.',
				returnHeightM,
				{ value: ceilingM, unit: 'm', source: 'Ceiling, entered by you' },
			)
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
