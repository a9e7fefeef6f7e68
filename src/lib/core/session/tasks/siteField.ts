import { showsData } from '../../aircraft/capabilities';
import { orAside, type Task } from '../task';
import { measuredState } from './measured';

/** Cautions that the turning itself answers: without values in force, a sensor's own offset looks like the place's. */
const ANSWERED_BY_TURNING = ['site-unproved'];

/** The field of the place before anything is turned, where the aircraft gives data. */
export const siteField: Task = {
	station: 'compass',
	applies: ({ aircraft, session }) => aircraft.compasses > 0 && showsData(aircraft) && session.venue !== 'roof',
	state(_, record) {
		const found = measuredState(
			{
				task: 'site-field',
				station: 'compass',
				page: 'site-field',
				title: 'The field of this place has not been measured',
				next: 'Stand still for five seconds',
				offered: ['Open ground, nothing of steel in sight', 'The compass is not turned today'],
			},
			record,
		);
		const turned = record.speaking('compass');
		const open = found.reasons.filter(({ level, code }) => level !== 'pass' && !ANSWERED_BY_TURNING.includes(code));
		if (
			found.mark === 'caution' &&
			open.length === 0 &&
			turned?.payload.kind === 'calibration' &&
			turned.payload.verdict !== 'fail' &&
			turned.seq > (found.entry?.seq ?? 0)
		)
			return {
				...found,
				mark: 'clear',
				detail: `${found.detail} The turning told the sensor from the place.`,
				next: '',
			};
		return orAside(found, record);
	},
};
