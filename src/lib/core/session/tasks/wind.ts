import { MARK_OF_VERDICT } from '../../evidence/standing';
import { reason } from '../../finding/reasons';
import { formatQuantity } from '../../words/units';
import { judgeGust } from '../../return/gust';
import { comesHome } from '../capabilities';
import { orAside, taskState, type Task } from '../task';

/** The wind, and for an aircraft that comes home by itself whether it is faster than the gusts. */
export const wind: Task = {
	station: 'return',
	applies: () => true,
	state({ aircraft, units }, record) {
		const entry = record.speaking('wind');
		const shared = {
			task: 'wind',
			station: 'return',
			page: 'wind',
			entry,
			offered: ['Under a roof, no wind', 'Dead calm'],
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
		const judged = judgeGust(Math.max(gustMps, speedMps), aircraft.returnSpeedMps);
		const WORDS = {
			fail: [`Gusts are stronger than ${aircraft.name} returns`, 'Raise the return speed or shorten the day'],
			caution: ['Little is left of the return speed against the gusts', 'Stay upwind and near'],
			pass: ['The return is faster than the gusts', ''],
		} as const;
		return orAside(
			taskState({
				...shared,
				mark: MARK_OF_VERDICT[judged.level],
				title: WORDS[judged.level][0],
				detail: `Return speed ${speed(aircraft.returnSpeedMps)}; ${said}.`,
				reasons: [
					reason(judged.level, 'wind-return', judged.why, { value: Math.max(gustMps, speedMps), limit: judged.limit }),
				],
				next: WORDS[judged.level][1],
			}),
			record,
		);
	},
};
