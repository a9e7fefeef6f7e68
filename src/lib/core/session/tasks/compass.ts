import { dayOf } from '../../../words/calendar';
import { plain } from '../../../words/plain';
import { showSigma } from '../../../words/sigma';
import { markOf } from '../../evidence/standing';
import { valueOf } from '../../facts/facts';
import { showsData } from '../../aircraft/capabilities';
import { orAside, silence, taskState, type Task } from '../task';

/** The compass: turned in this session, by data or by its own routine; else whether it is due. */
export const compass: Task = {
	station: 'compass',
	applies: ({ aircraft, session }) => aircraft.compasses > 0 && session.venue !== 'roof',
	state(evidence, record) {
		const { aircraft, due, done, facts } = evidence;
		const shared = {
			task: 'compass',
			station: 'compass',
			page: 'compass',
			offered: ['No clean place here', 'It asked for nothing and flew well', 'Flown without position hold today'],
		} as const;
		const entry = record.speaking('compass');
		if (entry?.payload.kind === 'calibration') {
			const { verdict, reasons, headingSigmaDeg, sourceName } = entry.payload;
			const limit = valueOf(facts, 'compassHeadingLimitDeg') ?? 0;
			const loose = headingSigmaDeg > limit;
			return orAside(
				taskState({
					...shared,
					mark: verdict === 'pass' && loose ? 'caution' : markOf(entry.payload),
					title:
						verdict === 'fail'
							? 'The accepted compass calibration does not hold'
							: `The heading is known to ±${showSigma(headingSigmaDeg)}°`,
					detail: `Wanted ±${limit.toFixed(1)}° at most. Calibrated from ${sourceName}.`,
					reasons,
					next: verdict === 'pass' && !loose ? '' : 'Calibrate the compass again',
					entry,
				}),
				record,
			);
		}
		if (entry?.payload.kind === 'test') {
			const { headline, reasons, sourceName } = entry.payload;
			const mark = markOf(entry.payload);
			const more = mark === 'clear' && showsData(aircraft);
			return orAside(
				taskState({
					...shared,
					mark: more ? 'caution' : mark,
					title: plain(headline),
					detail: `From ${sourceName}. ${more ? 'Its own data would tell how well.' : 'A hover is what proves it.'}`,
					reasons,
					next: mark === 'clear' ? '' : 'Do it again',
					entry,
				}),
				record,
			);
		}
		const found = due.find(({ sensor }) => sensor === 'compass');
		const last = done.get('compass');
		if (found?.due === false && last && !record.undone('compass'))
			return taskState({
				...shared,
				mark: 'clear',
				title: 'The compass is not due',
				detail: `Kept since ${dayOf(last.at)}; school: ${found.chosen.name.toLowerCase()}.`,
				reasons: found.evidence,
			});
		return orAside(
			taskState({
				...shared,
				mark: 'unseen',
				title: 'The compass is due and not calibrated here',
				detail: silence(record, 'compass') || (found?.chosen.reasons[0]?.text ?? ''),
				reasons: found?.chosen.reasons ?? [],
				next: 'Calibrate the compass',
			}),
			record,
		);
	},
};
