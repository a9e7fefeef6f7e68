import { session as say } from '$lib/messages/session';
import { reason } from '../../finding/reasons';
import { orAside, taskState, type Task } from '../task';

/** The session's own record: shown only where it does not verify. */
export const recordHolds: Task = {
	station: 'arm',
	applies: ({ chain }) => !chain.ok,
	state({ chain }, record) {
		const [first] = chain.broken;
		return orAside(
			taskState({
				task: 'record',
				station: 'arm',
				page: 'record',
				mark: 'hold',
				title: 'The record of this session does not verify',
				detail: `${first.where}: ${first.what}.`,
				reasons: chain.broken.map(({ where, what }) => reason('fail', say('record-broken', { where, what }))),
				next: 'Open the sheet',
				offered: ['Known, and everything was seen again'],
			}),
			record,
		);
	},
};
