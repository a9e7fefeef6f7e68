import type { CompassAnswer } from '../../schema/compass';
import type { Site } from '../../schema/records';
import type { CalibrationPayload } from '../../schema/entries';

/** The place of a site as an entry keeps it; null where none was entered. */
export const placeOf = (site: Site | null): NonNullable<CalibrationPayload['place']> | null =>
	site && { latDeg: site.latDeg, lonDeg: site.lonDeg, altM: site.altM };

/** The entry that records a fit; null for a refusal, which has no values to keep. */
export function calibrationPayload(
	answer: CompassAnswer,
	accepted: CalibrationPayload['accepted'],
	sourceName: string,
	place: CalibrationPayload['place'] | null,
): CalibrationPayload | null {
	const { hardIronUt, softIron, fieldUt, uncertainty, headingErrorDeg, rejected } = answer;
	if (!hardIronUt || !softIron || fieldUt === null || !uncertainty || !headingErrorDeg) return null;
	return {
		kind: 'calibration',
		task: 'compass',
		accepted,
		sourceName,
		hardIronUt,
		hardIronSigmaUt: uncertainty.hardIronUt,
		softIron,
		fieldUt,
		headingSigmaDeg: uncertainty.headingDeg,
		headingBeforeDeg: headingErrorDeg.before,
		headingAfterDeg: headingErrorDeg.after,
		samples: answer.samples,
		rejected: rejected ?? 0,
		...(place ? { place } : {}),
		verdict: answer.verdict,
		reasons: answer.reasons,
	};
}
