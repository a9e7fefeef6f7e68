import type { Site, TestPayload } from '$lib/schema/records';
import type { Instrument } from './instrument';
import type { InstrumentState } from './instrumentState.svelte';

const MOST_HEADLINE = 400;
const MOST_FIGURES = 40;

/** A finding as it is kept: headline, figures and reasons, whose data they were, and where. */
export function payloadOf(instrument: Instrument, work: InstrumentState, site: Site): TestPayload {
	const { finding } = work;
	if (!finding) throw new Error('There is no finding to keep yet.');
	const { latDeg, lonDeg, altM } = site;
	return {
		kind: 'test',
		task: instrument.id,
		...(instrument.sensor ? { sensor: instrument.sensor } : {}),
		...(work.practice ? { practice: true } : {}),
		...(site.id ? { place: { latDeg, lonDeg, altM } } : {}),
		sourceName: work.sourceName.slice(0, 200),
		headline: finding.headline.slice(0, MOST_HEADLINE),
		figures: [...finding.figures, ...(finding.kept ?? [])]
			.slice(0, MOST_FIGURES)
			.map(({ label, value, unit, sigma }) => ({
				label,
				value,
				unit,
				...(typeof sigma === 'number' ? { sigma } : {}),
			})),
		verdict: finding.verdict,
		reasons: [...finding.reasons],
	};
}
