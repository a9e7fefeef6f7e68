import { session as say } from '$lib/messages/session';
import { reason } from '../../finding/reasons';
import { toRestore } from '../../radio/indoor';
import { orAside, taskState, type Task } from '../task';

/** Settings of a room that are still set. */
export const indoor: Task = {
	station: 'power-up',
	applies: ({ aircraft, session }) => toRestore(aircraft).length > 0 && session.venue !== 'roof',
	state({ aircraft }, record) {
		const left = toRestore(aircraft);
		return orAside(
			taskState({
				task: 'indoor',
				station: 'power-up',
				page: 'indoor',
				mark: 'hold',
				title: `${aircraft.name} is still set for indoors`,
				detail: `To put back: ${left.map(({ name }) => name.toLowerCase()).join(', ')}.`,
				reasons: [
					reason('fail', say('indoor-settings'), {
						value: left.length,
						limit: { value: 0, unit: 'settings', source: 'The list kept when it went indoors' },
					}),
				],
				next: 'Put them back',
				offered: ['Wanted as they are for this flight'],
			}),
			record,
		);
	},
};
