import { session as say } from '$lib/messages/session';
import { reason } from '../../finding/reasons';
import { RELEASES } from '../stop';
import type { SessionRecord } from '../sessionRecord';
import { taskState, type Task } from '../task';

/** The recorded result of troubleshooting, and whether a change was logged since. */
function resultOf(record: SessionRecord) {
	const entry = record.speaking('finder');
	if (entry?.payload.kind !== 'test' || !entry.payload.troubleshooting) return null;
	const changed = record.entries.some(
		({ seq, payload }) => seq > entry.seq && payload.kind === 'event' && RELEASES.includes(payload.what),
	);
	return { entry, result: entry.payload.troubleshooting, headline: entry.payload.headline, changed };
}

/** What troubleshooting found: it holds what must not be tried until the change is logged, and stays to do until the remedy worked. */
export const troubleshooting: Task = {
	station: 'bench',
	applies: (_, record) => resultOf(record) !== null,
	state(_, record) {
		const found = resultOf(record);
		if (!found) throw new Error('asked where nothing was recorded');
		const { entry, result, headline, changed } = found;
		const shared = { task: 'troubleshooting', station: entry.station, page: 'troubleshooting', entry } as const;
		if (result.outcome === 'gone' || (changed && result.outcome !== 'ask-maker'))
			return taskState({
				...shared,
				mark: 'clear',
				title: `${result.cause || headline}: ${changed ? 'change logged' : 'gone after the remedy'}`,
			});
		const holds = result.locked || result.outcome === 'ask-maker';
		const next = result.remedy || 'Go on with troubleshooting';
		return taskState({
			...shared,
			mark: holds ? 'hold' : 'unseen',
			title: holds ? `Keep propellers off: ${result.cause || headline}` : `Put right: ${result.cause || headline}`,
			detail: next,
			reasons: [
				reason(
					holds ? 'fail' : 'caution',
					say('troubleshooting-open', { headline, outcome: result.outcome, nextWords: next }),
				),
			],
			next: 'Open troubleshooting',
			offered: null,
		});
	},
};
