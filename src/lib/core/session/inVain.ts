import { session as say } from '$lib/messages/session';
import type { Entry, EventKind } from '../../schema/entries';
import type { Reason } from '../../schema/common';
import { reason } from '../finding/reasons';
import { sessionLimits } from './limits';

/** After these the aircraft is another one. */
const ANOTHER: readonly EventKind[] = ['new', 'firmware', 'settings', 'knock', 'part'];

/** What a calibration is hoped to cure, by the reasons of a hover judged from a log, a film or by eye. A hover that was refused shows none. */
const SIGNS: Record<string, readonly string[]> = {
	circling: ['compass-error', 'circling', 'circling-seen'],
	leaving: ['no-position-hold', 'bubble-large', 'drifts-beyond-wind'],
};

/** The signs of a hover that failed. */
const signsOf = (reasons: readonly Reason[]): string[] =>
	Object.keys(SIGNS).filter((sign) =>
		reasons.some(({ level, code }) => level === 'fail' && SIGNS[sign].includes(code)),
	);

/**
 * Calibrations without effect: how often each sensor was calibrated between two hovers that showed the same sign, up to now. A hover that is good
 * again begins again, and so does an event after which the aircraft is another one.
 *
 * @param entries of one session that count, in order
 * @param calibrated the sensor that an entry calibrates, by name; null for any other entry
 */
export function calibrationsInVain(
	entries: readonly Entry[],
	calibrated: (entry: Entry) => string | null,
): ReadonlyMap<string, number> {
	const counts = new Map<string, number>();
	let since = new Set<string>();
	let before: readonly string[] = [];
	const again = () => {
		counts.clear();
		since = new Set();
		before = [];
	};
	for (const entry of entries) {
		const { payload } = entry;
		if (payload.kind === 'event' && ANOTHER.includes(payload.what)) again();
		const sensor = calibrated(entry);
		if (sensor) since.add(sensor);
		if (payload.kind !== 'test' || payload.task !== 'hover') continue;
		if (payload.verdict !== 'fail') {
			again();
			continue;
		}
		const signs = signsOf(payload.reasons);
		// What was refused, too short or out of the picture, shows neither that it helped nor that it did not.
		if (signs.length === 0) continue;
		if (signs.some((sign) => before.includes(sign)))
			for (const name of since) counts.set(name, (counts.get(name) ?? 0) + 1);
		else counts.clear();
		before = signs;
		since = new Set();
	}
	return counts;
}

/** What calibrating without effect means: after the first, what to look at before a second; after the second, the maker. Empty where every calibration helped. */
export function inVainReasons(counts: ReadonlyMap<string, number>): Reason[] {
	const names = [...counts.keys()].join(', ');
	const most = [...counts.values()].reduce((a, b) => Math.max(a, b), 0);
	if (most === 0) return [];
	const figures = { value: most, limit: sessionLimits.inVain };
	return most < sessionLimits.inVain.value
		? [reason('caution', say('not-cured', { names }), { ...figures })]
		: [reason('fail', say('not-cured#inVain', { most, names }), { ...figures })];
}
