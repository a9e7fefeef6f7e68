import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenly } from '../../rig/evenly';
import type { AuditRequest } from '../../schema/audit';
import { auditSettings } from './audit';

const sound: AuditRequest = {
	venue: 'outdoors',
	hasPosition: true,
	linkLoss: 'return',
	returnHeightM: 40,
	returnSpeedMps: 8,
	descentMps: 1.5,
	minDistanceM: 20,
	minSatellites: 9,
	armsWithoutFix: 'no',
	plausibility: 'always',
	battery: { warnPct: 30, actPct: 15, act: 'land', timerS: 600 },
	throttle: { minPct: 20, hoverPct: 45, maxPct: 75 },
	tallestM: 18,
	ceilingM: null,
	legalHeightM: 120,
	windMps: 3,
	gustMps: 5,
	testDistanceM: 80,
	tests: { benchArmed: 'yes', benchDisarmed: 'yes', radioOffInAir: 'yes', switchInAir: 'yes', sinceChange: 'yes' },
};
const audit = (change: Partial<AuditRequest> = {}) => auditSettings({ ...sound, ...change });
const codes = (a: { reasons: { code: string }[] }) => a.reasons.map(({ code }) => code);
const { battery, tests } = sound;

describe('settings that fit', () => {
	it('pass, and every rule says so', () => {
		const answer = audit();
		expect(answer.verdict).toBe('pass');
		expect(answer.rules).toBe(12);
		expect(answer.reasons.every(({ level }) => level === 'pass')).toBe(true);
	});
});

describe('a setting that does not fit', () => {
	it.each<[string, 'fail' | 'caution', Partial<AuditRequest>]>([
		['action-unknown', 'fail', { linkLoss: 'unknown' }],
		['return-without-position', 'fail', { hasPosition: false }],
		['return-indoors', 'fail', { venue: 'indoors' }],
		['height-above-ceiling', 'fail', { venue: 'indoors', ceilingM: 4 }],
		['hover-outdoors', 'caution', { linkLoss: 'hover' }],
		['lands-where-it-is', 'caution', { linkLoss: 'land' }],
		['motors-cut', 'fail', { linkLoss: 'cut-motors' }],
		['motors-cut', 'caution', { linkLoss: 'cut-motors', hasPosition: false }],
		['height-below-obstacle', 'fail', { tallestM: 39 }],
		['height-near-obstacle', 'caution', { tallestM: 33 }],
		['height-above-law', 'fail', { legalHeightM: 30 }],
		['slower-than-gusts', 'fail', { gustMps: 9 }],
		['little-speed-left', 'caution', { gustMps: 7 }],
		['descent-fast', 'caution', { descentMps: 4 }],
		['satellites-few', 'caution', { minSatellites: 6 }],
		['arms-without-fix', 'caution', { armsWithoutFix: 'yes' }],
		['arming-unknown', 'caution', { armsWithoutFix: 'unknown' }],
		['plausibility-off', 'caution', { plausibility: 'link-loss-only' }],
		['plausibility-unknown', 'caution', { plausibility: 'unknown' }],
		['levels-upside-down', 'fail', { battery: { ...battery, warnPct: 10, actPct: 20 } }],
		['acts-late', 'caution', { battery: { ...battery, actPct: 5 } }],
		['warns-late', 'caution', { battery: { ...battery, warnPct: 18 } }],
		['battery-return-indoors', 'fail', { venue: 'indoors', linkLoss: 'hover', battery: { ...battery, act: 'return' } }],
		['nothing-watches-battery', 'fail', { battery: { ...battery, act: 'nothing', timerS: null } }],
		['timer-only', 'caution', { battery: { ...battery, act: 'nothing' } }],
		['throttle-range', 'fail', { throttle: { minPct: 50, hoverPct: 45, maxPct: 75 } }],
		['throttle-room', 'caution', { throttle: { minPct: 20, hoverPct: 65, maxPct: 75 } }],
		['test-too-near', 'fail', { testDistanceM: 15 }],
		['insufficient-test', 'fail', { tests: { ...tests, sinceChange: 'unknown' } }],
		['tested-disarmed', 'caution', { tests: { ...tests, benchArmed: 'no' } }],
		['switch-is-not-loss', 'caution', { tests: { ...tests, radioOffInAir: 'no' } }],
	])('is named: %s (%s)', (code, level, change) => {
		const found = audit(change).reasons.find((r) => r.code === code);
		expect(found?.level).toBe(level);
		expect(found?.next).toBeTruthy();
	});
	it('is refused where it cannot be', () =>
		expect(() => audit({ windMps: 6, gustMps: 2 })).toThrow('weaker than the wind'));
});

describe('more wind, taller things', () => {
	const rank = { fail: 0, caution: 1, pass: 2 };
	it('never make a verdict better', () =>
		fc.assert(
			fc.property(evenly(3, 20), evenly(0, 60), (gustMps, tallestM) => {
				const here = rank[audit({ gustMps, tallestM }).verdict];
				expect(rank[audit({ gustMps: gustMps + 1, tallestM: tallestM + 1 }).verdict]).toBeLessThanOrEqual(here);
			}),
		));
});

it('rules that do not apply are silent', () =>
	expect(
		codes(audit({ hasPosition: false, linkLoss: 'cut-motors', throttle: null, testDistanceM: null })),
	).not.toContain('satellites-enough'));
