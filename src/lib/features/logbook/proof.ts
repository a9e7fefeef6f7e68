import { localDay } from '$lib/words/calendar';
import { isAside } from '$lib/core/evidence/standing';
import { entryWords } from '$lib/core/session/entryWords';
import { plain } from '$lib/words/plain';
import { showSigma } from '$lib/words/sigma';
import type { UnitSystem } from '$lib/words/units';
import { placeWords } from '$lib/features/session/sheetDocument';
import type { SessionBundle } from '$lib/store/repository';
import { showDate } from '$lib/ui/format';
import { markOfFinding, MARK_WORDS } from '$lib/ui/marks';
import type { PdfBlock, PdfDocument } from '$lib/core/record/pdf';

/** Findings that a client or a claim is about, in the order of a flight. */
const TOLD: readonly string[] = ['position', 'link-loss', 'way-home', 'hover', 'return-switch', 'return-radio-off'];

/** One session on a page for others: who decided what on what evidence, what was left aside, and what fixes the record. */
export interface Proof {
	title: string;
	when: string;
	lines: readonly { label: string; value: string }[];
	chain: string;
}

/** A session in a few lines. */
export function proofOf({ session, aircraft, site, entries, chain }: SessionBundle, units: UnitSystem): Proof {
	const words = (entry: (typeof entries)[number] | undefined) => (entry ? entryWords(entry, aircraft, units) : '');
	const decision = entries.findLast(({ payload }) => payload.kind === 'decision' && payload.task === 'flight');
	const wind = entries.findLast(({ payload }) => payload.kind === 'wind');
	const compass = entries.findLast(({ payload }) => payload.kind === 'calibration');
	const found = TOLD.flatMap((task) => {
		const entry = entries.findLast(({ payload }) => payload.kind === 'test' && payload.task === task);
		return entry?.payload.kind === 'test'
			? [`${plain(entry.payload.headline)} (${MARK_WORDS[markOfFinding(entry.payload)]})`]
			: [];
	});
	const asides = entries.filter(({ payload }) => isAside(payload));
	const lines: [string, string][] = [
		['Pilot in command', session.pilot],
		['Place', site ? placeWords(site) : 'not entered'],
		['Decision', words(decision) || (session.endedAt ? 'ended without a decision to fly' : 'open')],
		['Wind', words(wind)],
		[
			'Compass',
			compass?.payload.kind === 'calibration'
				? `${compass.payload.accepted === 'accepted' ? 'calibrated' : 'turned, not taken over'}, heading ±${showSigma(compass.payload.headingSigmaDeg)}°`
				: '',
		],
		['Found', found.join('; ')],
		['Left aside', asides.map((entry) => words(entry)).join('; ')],
	];
	return {
		title: session.title,
		when: `${showDate(session.startedAt)}, ${aircraft.name}${session.kind === 'rehearsal' ? ' · a rehearsal' : ''}`,
		lines: lines.filter(([, value]) => value !== '').map(([label, value]) => ({ label, value })),
		chain: `${chain.ok ? `${chain.entries} entries, the chain holds` : 'THE CHAIN DOES NOT HOLD'}; head ${session.head}`,
	};
}

/** The page as a PDF. */
export function proofPdf(proofs: readonly Proof[], about: { what: string; by: string; at: string }): PdfDocument {
	return {
		title: about.what || 'Flights and what was checked before them',
		under: `${about.by ? `${about.by}, ` : ''}${showDate(about.at)} · ${proofs.length} ${proofs.length === 1 ? 'session' : 'sessions'}`,
		reference: localDay(about.at),
		blocks: [
			...proofs.flatMap(({ title, when, lines, chain }): PdfBlock[] => [
				{ kind: 'heading', text: title },
				{ kind: 'text', text: when, strong: true },
				{ kind: 'facts', rows: lines },
				{ kind: 'text', text: chain, mono: true },
			]),
			{
				kind: 'text',
				text: 'Each head fixes its record: whoever has the session’s file can verify it against this page. The pilot in command decided, by the maker’s manual and the local rules.',
			},
		],
	};
}
