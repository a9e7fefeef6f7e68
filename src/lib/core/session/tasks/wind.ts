import { session as say } from '$lib/messages/session';
import { MARK_OF_VERDICT } from '../../evidence/standing';
import { reason } from '../../finding/reasons';
import { formatQuantity } from '../../../words/units';
import { judgeGust } from '../../return/gust';
import { isDefault, valueOf } from '../../facts/facts';
import { statementWords } from '../../facts/words';
import { comesHome } from '../../aircraft/capabilities';
import { orAside, taskState, type Task } from '../task';

/** The wind, and for an aircraft that comes home by itself whether it is faster than the gusts. */
export const wind: Task = {
	station: 'return',
	applies: ({ session }) => session.venue !== 'roof',
	state({ aircraft, units, facts }, record) {
		const entry = record.speaking('wind');
		const shared = {
			task: 'wind',
			station: 'return',
			page: 'wind',
			entry,
			offered: ['Dead calm'],
		} as const;
		const speed = (mps: number) => formatQuantity(mps, 'speed', units);
		if (entry?.payload.kind !== 'wind')
			return orAside(
				taskState({
					...shared,
					mark: 'unseen',
					title: comesHome(aircraft)
						? 'The wind has not been entered, so the return is not judged'
						: 'The wind has not been entered, so no drift can be judged',
					next: 'Enter the wind',
				}),
				record,
			);
		const { gustMps, speedMps } = entry.payload;
		const said = `wind ${speed(speedMps)}, gusts ${speed(gustMps)}`;
		if (!comesHome(aircraft))
			return taskState({
				...shared,
				mark: 'clear',
				title: `The wind is known: ${said}`,
				detail: 'It does not come home by itself.',
			});
		const returnSpeed = facts.of('returnSpeedMps');
		const returnSpeedMps = valueOf(facts, 'returnSpeedMps') ?? 0;
		const strict = judgeGust(Math.max(gustMps, speedMps), returnSpeedMps);
		// A value that nobody entered makes no no-go by itself.
		const assumed = strict.level === 'fail' && isDefault(facts, 'returnSpeedMps');
		const judged = assumed ? { ...strict, level: 'caution' as const } : strict;
		const WORDS = {
			fail: [
				`Gusts (${speed(gustMps)}) exceed the return speed of ${aircraft.name} (${speed(returnSpeedMps)})`,
				'Wait for less wind, or raise the return speed',
			],
			caution: assumed
				? ['Gusts exceed the default return speed', 'Read the return speed from the aircraft']
				: ['Little is left of the return speed against the gusts', 'Stay upwind and near'],
			pass: ['The return is faster than the gusts', ''],
		} as const;
		return orAside(
			taskState({
				...shared,
				mark: MARK_OF_VERDICT[judged.level],
				title: WORDS[judged.level][0],
				detail: `Return speed ${returnSpeed ? statementWords(returnSpeed, units) : speed(returnSpeedMps)}; ${said}.`,
				reasons: [
					reason(judged.level, say('wind-return', { why: judged.why }), {
						value: Math.max(gustMps, speedMps),
						limit: judged.limit,
					}),
				],
				next: WORDS[judged.level][1],
			}),
			record,
		);
	},
};
