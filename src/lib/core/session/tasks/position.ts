import { orAside, type Task } from '../task';
import { measuredState } from './measured';

/** The lock, and home stored with it: from the receiver's own sentences, or read off the aircraft's screen. */
export const position: Task = {
	station: 'position',
	applies: ({ aircraft, session }) => aircraft.hasPosition && session.venue !== 'roof',
	state: (_, record) =>
		orAside(
			measuredState(
				{
					task: 'position',
					station: 'position',
					page: 'position',
					title: 'No lock has been seen',
					next: 'Watch the receiver lock',
					offered: ['Flown by hand today, without return'],
				},
				record,
			),
			record,
		),
};
