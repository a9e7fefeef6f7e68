import { session as say } from '$lib/messages/session';
import type { Entry, Odd } from '../../../schema/entries';
import { taskOf } from '../../evidence/about';
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

/** Whether a stop is a wrong nudge, which has a ranking of faults of its own. */
export const isWrongNudge = (entry: Entry): boolean => Object.keys(AXES).includes(taskOf(entry.payload));

/** The stop after a no-go of the armed aircraft; null where nothing is stopped. */
export function responseStop({ stop }: SessionRecord): TaskState | null {
	if (!stop) return null;
	return taskState({
		task: 'response-stop',
		station: stop.station,
		page: 'response-stop',
		mark: 'hold',
		title: 'Stop: throttle down, disarm, unplug, propellers off',
		detail: 'Later steps stay locked until the change is logged.',
		reasons: [isWrongNudge(stop) ? reason('fail', say('nudge-wrong')) : reason('fail', say('stopped'))],
		next: 'Make it safe and find the cause',
		offered: null,
	});
}
