import type { Odd } from '../../../schema/entries';
import { reason } from '../../finding/reasons';
import { taskState, type TaskState } from '../task';
import type { SessionRecord } from '../sessionRecord';
import { checkOf } from './items';

const AXES = { 'nudge-roll': 'rollRight', 'nudge-pitch': 'pitchForward', 'nudge-yaw': 'yawRight' } as const;

/** What the nudges of a session showed, as the ranking of faults takes it. */
export interface Observed {
	rollRight: Odd | 'as-commanded' | 'not-tried';
	pitchForward: Odd | 'as-commanded' | 'not-tried';
	yawRight: Odd | 'as-commanded' | 'not-tried';
}

/** What was seen of each nudge, for the ranking; whatever no nudge speaks for was not tried. */
export function observedOf(record: SessionRecord): Observed {
	const seen: Observed = { rollRight: 'not-tried', pitchForward: 'not-tried', yawRight: 'not-tried' };
	for (const [task, axis] of Object.entries(AXES) as [keyof typeof AXES, keyof Observed][]) {
		const check = checkOf(record.speaking(task));
		if (check?.outcome === 'done') seen[axis] = 'as-commanded';
		else if (check?.outcome === 'failed' && check.odd) seen[axis] = check.odd;
	}
	return seen;
}

/** The stop after a wrong answer on the ground; null where every answer so far was right. */
export function responseStop(record: SessionRecord): TaskState | null {
	const wrong = Object.keys(AXES).find((task) => checkOf(record.speaking(task))?.outcome === 'failed');
	if (!wrong) return null;
	return taskState({
		task: 'response-stop',
		station: 'response',
		page: 'response-stop',
		mark: 'hold',
		title: 'Stop: throttle down, disarm, unplug, propellers off',
		detail:
			'A nudge was answered wrongly. The rungs behind it are shut until it is put right and every nudge is clean.',
		reasons: [
			reason('fail', 'nudge-wrong', 'An aircraft that leans the wrong way on the ground flips when it lifts.', {
				next: 'Look which faults could do this, put it right, and begin the nudges again.',
			}),
		],
		next: 'See what it could be',
		offered: null,
	});
}
