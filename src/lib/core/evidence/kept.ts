import { figure } from '../figures/figure';
import type { Verdict } from '../../schema/common';
import type { Entry, Grade, RecordedFigure } from '../../schema/entries';
import type { Sensor } from '../../schema/records';
import { showSigma } from '../../words/sigma';
import { sensorOf } from './about';
import { gradeOf } from './grade';
import { standingOf, type Standing } from './standing';

/** One calibration or test of a sensor as the record keeps it. */
export interface Kept {
	at: string;
	figures: readonly RecordedFigure[];
	temperatureC: number | null;
	/** Whether it counts for the aircraft: simulated, kept beside, failed and told ones are shown, and compared with nothing. */
	standing: Standing;
	grade: Grade;
	verdict: Verdict;
	sourceName: string;
	headline: string;
}

/** The figures of an entry that may be compared with those of others. */
function figuresOf(payload: Entry['payload']): readonly RecordedFigure[] {
	if (payload.kind === 'calibration') {
		const { hardIronUt, hardIronSigmaUt, softIron, fieldUt, headingSigmaDeg } = payload;
		const axes = ['x', 'y', 'z'] as const;
		return [
			...axes.map((k, i) => figure('compass-offset', hardIronUt[i], { part: k, sigma: hardIronSigmaUt?.[i] })),
			...axes.map((k, i) => figure('compass-gain', softIron[i][i], { part: k })),
			figure('field-fitted', fieldUt),
			figure('heading-sigma', headingSigmaDeg),
		];
	}
	// A guided routine says how many steps were done: nothing to compare.
	return payload.kind === 'test' && gradeOf(payload) !== 'guided' ? payload.figures : [];
}

/** An entry as the history of a sensor takes it, as of an ISO time; null where it is not of that sensor. */
export function keptOf(entry: Pick<Entry, 'at' | 'payload'>, sensor: Sensor, asOf: string): Kept | null {
	const { at, payload } = entry;
	const grade = gradeOf(payload);
	if (sensorOf(payload) !== sensor || !grade) return null;
	if (payload.kind !== 'calibration' && payload.kind !== 'test') return null;
	return {
		at,
		figures: figuresOf(payload),
		temperatureC: payload.kind === 'test' ? (payload.temperatureC ?? null) : null,
		standing: standingOf(entry, { of: 'aircraft' }, asOf),
		grade,
		verdict: payload.verdict,
		sourceName: payload.sourceName,
		headline: payload.kind === 'test' ? payload.headline : `Heading known to ±${showSigma(payload.headingSigmaDeg)}°`,
	};
}
