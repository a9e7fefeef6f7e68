import type { Grade, TestPayload } from '$lib/schema/entries';
import type { Finding, Instrument } from '$lib/instruments/instrument';
import type { Site } from '$lib/schema/records';
import type { InstrumentState } from './instrumentState.svelte';

const MOST_HEADLINE = 400;
const MOST_FIGURES = 40;

/** How what an instrument found was known: simulated, measured by a log or picture, or seen and typed in by the pilot. */
export const gradeOfWork = (work: Pick<InstrumentState, 'practice' | 'fromData'>): Grade =>
	work.practice ? 'rehearsed' : work.fromData ? 'measured' : 'seen';

/** What is kept of an instrument at work: what it found, from what, and whose calibration it stands for. */
interface Found {
	finding: Finding | null;
	instrument: Pick<Instrument, 'id' | 'sensor'>;
	sourceName: string;
}

/** A finding as it is kept: headline, figures and reasons, how it was known, and where; no place where none was entered. */
export function toEntry(work: Found, site: Site | null, grade: Grade): TestPayload {
	const { finding, instrument } = work;
	if (!finding) throw new Error('There is no finding to keep yet.');
	return {
		kind: 'test',
		task: instrument.id,
		...(instrument.sensor ? { sensor: instrument.sensor } : {}),
		grade,
		...(site ? { place: { latDeg: site.latDeg, lonDeg: site.lonDeg, altM: site.altM } } : {}),
		sourceName: work.sourceName.slice(0, 200),
		headline: finding.headline.slice(0, MOST_HEADLINE),
		figures: [...finding.figures, ...(finding.kept ?? [])]
			.slice(0, MOST_FIGURES)
			.map(({ id, label, value, unit, sigma }) => ({
				id,
				label,
				value,
				unit,
				...(typeof sigma === 'number' ? { sigma } : {}),
			})),
		...(finding.states?.length ? { states: [...finding.states] } : {}),
		verdict: finding.verdict,
		reasons: [...finding.reasons],
	};
}
