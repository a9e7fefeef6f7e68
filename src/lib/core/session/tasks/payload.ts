import type { Payload } from '../../facts/keys';
import { payloadFitted } from '../checklist/conditions';
import { hasPart } from '../../aircraft/capabilities';
import { orAside, type Task } from '../task';
import { checkOf } from './items';
import { measuredState } from './measured';

interface Measured {
	task: string;
	page: 'measure-flow' | 'measure-feed';
	title: string;
	next: string;
	offered: readonly string[];
	part: Payload;
}

/** What an aircraft that gives something to the field gives, measured against what is set before it is over the field. */
const given = ({ next, part, ...shared }: Measured): Task => ({
	station: 'bench',
	applies: (evidence) => hasPart(evidence.aircraft, part) && (payloadFitted(evidence) ?? part) === part,
	state(_, record) {
		const state = orAside(measuredState({ ...shared, station: 'bench', next }, record), record);
		// Nothing is turned or opened before the load was exchanged without power.
		const exchanged = checkOf(record.speaking('tank-power'))?.outcome === 'done';
		return state.mark === 'unseen' && !exchanged
			? { ...state, shut: 'First: tank or seed box fitted with the power off.' }
			: state;
	},
});

export const water = given({
	task: 'flow',
	page: 'measure-flow',
	part: 'tank',
	title: 'Nobody has measured what each nozzle gives',
	next: 'Catch it, nozzle by nozzle',
	offered: ['Measured since the last change of nozzles'],
});

export const feeder = given({
	task: 'feed',
	page: 'measure-feed',
	part: 'spreader',
	title: 'Nobody has measured what the feeder gives',
	next: 'Count its turns and weigh',
	offered: ['Measured since the last change of seed'],
});
