import type { CompassAnswer } from '../../schema/compass';
import type { CalibrationPayload } from '../../schema/records';

/** The entry that records a fit; null for a refusal, which has no values to keep. */
export function calibrationPayload(
	answer: CompassAnswer,
	accepted: CalibrationPayload['accepted'],
	sourceName: string,
	place: CalibrationPayload['place'],
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
		place,
		verdict: answer.verdict,
		reasons: answer.reasons,
	};
}
