import { figure } from '$lib/core/figures/figure';
import { fields } from './form';
import { working } from '../form';
import { auditSettings } from '$lib/core/return/audit';
import { auditRequestSchema } from '$lib/schema/audit';
import { checked } from '$lib/core/finding/checked';
import { report } from '../instrument';

/** Failsafe actions of the form in the words of the record. */
const ACTION = { return: 'return', land: 'land', hover: 'hover', 'cut-motors': 'stop' } as const;

export const compute = working(fields, async ({ form: v }) => {
	const [minPct, hoverPct, maxPct] = [v.throttleMin, v.throttleHover, v.throttleMax];
	const request = checked(auditRequestSchema, {
		venue: v.venue,
		hasPosition: v.hasPosition === 'yes',
		linkLoss: v.linkLoss,
		returnHeightM: v.returnHeightM,
		returnSpeedMps: v.returnSpeed,
		descentMps: v.descent,
		minDistanceM: v.minDistanceM,
		minSatellites: v.minSatellites,
		armsWithoutFix: v.armsWithoutFix,
		plausibility: v.plausibility,
		battery: {
			warnPct: v.warnPct,
			actPct: v.actPct,
			act: v.act,
			timerS: v.timerS,
		},
		throttle: minPct !== null && hoverPct !== null && maxPct !== null ? { minPct, hoverPct, maxPct } : null,
		tallestM: v.tallest,
		ceilingM: v.ceiling,
		legalHeightM: v.legal,
		windMps: v.wind,
		gustMps: v.gust,
		testDistanceM: v.testDistance,
		tests: {
			benchArmed: v.benchArmed,
			benchDisarmed: v.benchDisarmed,
			radioOffInAir: v.radioOffInAir,
			switchInAir: v.switchInAir,
			sinceChange: v.sinceChange,
		},
	});
	const answer = auditSettings(request);
	const count = (level: string) => answer.reasons.filter((r) => r.level === level).length;
	return {
		...report(answer, 'Every rule is met'),
		figures: [
			figure('rules-no-go', count('fail'), { unit: `of ${answer.rules}`, digits: 0 }),
			figure('rules-caution', count('caution'), { digits: 0 }),
			figure('rules-ok', count('pass'), { digits: 0 }),
		],
		states: [
			{ key: 'returnAltitudeM', value: v.returnHeightM },
			{ key: 'returnSpeedMps', value: v.returnSpeed },
			{ key: 'descentMps', value: v.descent },
			{ key: 'minReturnDistanceM', value: v.minDistanceM },
			...(v.linkLoss === 'unknown' ? [] : [{ key: 'failsafeAction' as const, value: ACTION[v.linkLoss] }]),
		],
		tables: [
			{
				title: 'Rule by rule',
				columns: ['what was found', 'next'],
				rows: answer.reasons.map((r) => [r.text, r.next ?? '–']),
			},
		],
	};
});
