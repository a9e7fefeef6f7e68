import { orAside, type Task } from '../task';
import { measuredState } from './measured';

interface Measured {
	task: string;
	page: 'measure-flow' | 'measure-feed';
	title: string;
	next: string;
	offered: readonly string[];
}

/** What an aircraft that gives something to the field gives, measured against what is set before it is over the field. */
const given = ({ next, ...shared }: Measured): Task => ({
	station: 'bench',
	applies: ({ aircraft }) => aircraft.kind === 'sprayer',
	state: (_, record) => orAside(measuredState({ ...shared, station: 'bench', next }, record), record),
});

export const water = given({
	task: 'flow',
	page: 'measure-flow',
	title: 'Nobody has measured what each nozzle gives',
	next: 'Catch it, nozzle by nozzle',
	offered: ['The spreader is fitted today', 'Measured since the last change of nozzles'],
});

export const feeder = given({
	task: 'feed',
	page: 'measure-feed',
	title: 'Nobody has measured what the feeder gives',
	next: 'Count its turns and weigh',
	offered: ['The tank is fitted today', 'Measured since the last change of seed'],
});
