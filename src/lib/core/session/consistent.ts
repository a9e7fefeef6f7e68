import { comesHome, showsData } from '../aircraft/capabilities';
import type { SessionRecord, TaskEvidence } from './sessionRecord';
import type { TaskState } from './task';

/** When a reason for skipping contradicts what is known: then it is not offered. */
const CONTRADICTED: Readonly<
	Record<string, (evidence: TaskEvidence, record: SessionRecord, state: TaskState) => boolean>
> = {
	'Tested since the last change': ({ due }) => due.some(({ sensor, due: isDue }) => sensor === 'link-loss' && isDue),
	'Flown since, and nothing was wrong': ({ session }) =>
		session.occasion !== undefined && session.occasion !== 'routine',
	'It stays within twenty metres': ({ aircraft }) => aircraft.kind === 'wing',
	'Flown by hand and near today': ({ aircraft }) => aircraft.kind === 'wing',
	'It asked for nothing and flew well': ({ due }) =>
		due.some(({ sensor, evidence }) => sensor === 'compass' && evidence.some(({ level }) => level !== 'pass')),
	'Nothing was calibrated or changed': ({ session, unverified }) =>
		unverified.length > 0 || !['routine', 'storage', undefined].includes(session.occasion),
	'This aircraft gives no log: watched by eye': ({ aircraft }) => showsData(aircraft),
	'Planned before, in the same wind on the same pack': (_, record) => record.speaking('way-home') === null,
	'Dead calm': (_, record) => {
		const wind = record.speaking('wind')?.payload;
		return wind?.kind === 'wind' && wind.gustMps > 1;
	},
	'Flown by hand today, without return': ({ aircraft, session }) => comesHome(aircraft) && session.occasion === 'first',
	'Under a roof today': ({ session }) => session.venue !== 'roof',
	'Done before this session': (_, record, { task }) => record.undone(task) !== null,
	'Does not apply to this aircraft': ({ due }, _, { task }) => due.some(({ sensor }) => task === `due-${sensor}`),
};

/** A task with those of its reasons for skipping that the record does not contradict. */
export function withConsistentReasons(state: TaskState, evidence: TaskEvidence, record: SessionRecord): TaskState {
	if (state.offered === null) return state;
	const offered = state.offered.filter((reason) => !CONTRADICTED[reason]?.(evidence, record, state));
	if (offered.length === state.offered.length) return state;
	return { ...state, offered: offered.length > 0 ? offered : ['Not possible here today'] };
}
