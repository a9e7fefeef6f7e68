import 'fake-indexeddb/auto';
import { beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { isAside } from '$lib/core/evidence/standing';
import type { UnitSystem } from '$lib/words/units';
import { makeDemo } from '$lib/rig/demo';
import { restore } from '$lib/store/backup';
import { loadSession, type SessionBundle } from '$lib/store/repository';
import { download } from '$lib/ui/download';
import { done, failed } from '$lib/ui/notify';
import type { PdfDocument } from '$lib/core/record/pdf';
import { givePdf } from '$lib/ui/pdf';
import { proofOf, proofPdf } from './proof';

vi.mock('$lib/ui/download', () => ({ download: vi.fn() }));
vi.mock('$lib/workers/core', () => import('$lib/workers/inProcess'));
vi.mock('$lib/ui/notify', () => ({ failed: vi.fn(), done: vi.fn() }));

const demo = makeDemo(new Date('2026-05-14T10:30:00.000Z'));
const sessions: SessionBundle[] = [];
const SYSTEMS: readonly UnitSystem[] = ['metric', 'imperial'];

beforeAll(async () => {
	await restore(demo);
	for (const { id } of demo.sessions) {
		const bundle = await loadSession(id);
		if (bundle) sessions.push(bundle);
	}
});
beforeEach(() => {
	vi.mocked(download).mockClear();
	vi.mocked(done).mockClear();
	vi.mocked(failed).mockClear();
});

const valueOf = (bundle: SessionBundle, label: string, units: UnitSystem = 'metric') =>
	proofOf(bundle, units).lines.find((line) => line.label === label)?.value;

/** The text of a PDF whose pages are not compressed, in its order. */
async function textOf(document: PdfDocument): Promise<{ text: string; pages: number }> {
	await givePdf(document, 'a.pdf', false);
	expect(failed).not.toHaveBeenCalled();
	const bytes = vi.mocked(download).mock.lastCall?.[1];
	const raw = Buffer.from(bytes as Uint8Array).toString('latin1');
	expect(raw.startsWith('%PDF-')).toBe(true);
	const shown = [...raw.matchAll(/\(((?:\\.|[^\\)])*)\) Tj/g)].map(([, text]) => text.replace(/\\(.)/g, '$1'));
	return { text: shown.join('\n'), pages: [...raw.matchAll(/\/Type \/Page\b/g)].length };
}

describe.each(SYSTEMS)('a page for others in %s units', (units) => {
	it('names of every session the pilot, the place and what was decided, and nothing empty or broken', () => {
		for (const bundle of sessions) {
			const { title, when, lines, chain } = proofOf(bundle, units);
			expect(title).toBe(bundle.session.title);
			expect(when).toContain(bundle.aircraft.name);
			expect(lines.slice(0, 3).map(({ label }) => label)).toEqual(['Pilot in command', 'Place', 'Decision']);
			for (const { value } of lines) {
				expect(value).not.toMatch(/undefined|null|NaN|\[object|Infinity/);
				expect(value.trim()).not.toBe('');
			}
			expect(chain).toBe(`${bundle.entries.length} entries, the chain holds; head ${bundle.session.head}`);
		}
	});
});

describe('what a page for others tells', () => {
	it('all that was left aside, with its reason', () => {
		const bundle = sessions.find(({ entries }) => entries.some(({ payload }) => payload.kind === 'check'));
		if (!bundle) throw new Error('no check in the demo');
		const reasons = ['no helper came', 'the light fails'];
		const entries = bundle.entries.map((entry) => {
			const reason = entry.payload.kind === 'check' ? reasons.shift() : undefined;
			const payload = reason ? { ...entry.payload, outcome: 'aside' as const, reason } : entry.payload;
			return { ...entry, payload } as typeof entry;
		});
		expect(entries.filter(({ payload }) => isAside(payload))).toHaveLength(2);
		expect(valueOf({ ...bundle, entries }, 'Left aside')).toMatch(/no helper came.*; .*the light fails/);
		expect(valueOf(bundle, 'Left aside')).toBeUndefined();
	});
	it('a session that is open, and one that ended without a decision, are told apart from a flight', () => {
		const [bundle] = sessions.filter(({ entries }) =>
			entries.some(({ payload }) => payload.kind === 'decision' && payload.task === 'flight'),
		);
		const undecided = { ...bundle, entries: bundle.entries.filter(({ payload }) => payload.kind !== 'decision') };
		const ended = (endedAt: string | null) => ({ ...undecided, session: { ...bundle.session, endedAt } });
		expect(valueOf(bundle, 'Decision')).not.toMatch(/^(open|ended)/);
		expect(valueOf(ended(null), 'Decision')).toBe('open');
		expect(valueOf(ended('2026-05-14T12:00:00.000Z'), 'Decision')).toBe('ended without a decision to fly');
	});
	it('a turning that was not taken over is no calibration', () => {
		const bundle = sessions.find(({ entries }) => entries.some(({ payload }) => payload.kind === 'calibration'));
		if (!bundle) throw new Error('no turning in the demo');
		const with_ = (accepted: 'accepted' | 'kept-aside') => ({
			...bundle,
			entries: bundle.entries.map((entry) =>
				entry.payload.kind === 'calibration' ? { ...entry, payload: { ...entry.payload, accepted } } : entry,
			),
		});
		expect(valueOf(with_('accepted') as SessionBundle, 'Compass')).toMatch(/^calibrated, heading ±/);
		expect(valueOf(with_('kept-aside') as SessionBundle, 'Compass')).toMatch(/^turned, not taken over/);
	});
	it('a record that was changed, and a rehearsal, are said in its face', () => {
		const [bundle] = sessions;
		expect(proofOf({ ...bundle, chain: { ok: false } as never }, 'metric').chain).toMatch(/^THE CHAIN DOES NOT HOLD/);
		expect(proofOf({ ...bundle, session: { ...bundle.session, kind: 'rehearsal' } }, 'metric').when).toMatch(
			/· a rehearsal$/,
		);
	});
	it('no place is said, not left out', () => {
		expect(valueOf({ ...sessions[0], site: null }, 'Place')).toBe('not entered');
	});
});

describe('as a PDF', () => {
	it('every line of every session is on its pages, which are numbered', async () => {
		const proofs = sessions.map((bundle) => proofOf(bundle, 'metric'));
		const about = { what: 'Three flights for a claim', by: 'Ines Marlowe', at: '2026-05-14T10:30:00.000Z' };
		const { text, pages } = await textOf(proofPdf(proofs, about));
		expect(text).toContain('Three flights for a claim');
		expect(text).toContain(`${proofs.length} sessions`);
		for (const { title, chain } of proofs) {
			expect(text).toContain(title);
			expect(text.replaceAll('\n', '')).toContain(chain.slice(-24));
		}
		expect(pages).toBeGreaterThan(1);
		for (let page = 1; page <= pages; page++) expect(text).toContain(`${page} of ${pages}`);
		expect(text.match(/Winglogos · 2026-05-14/g)).toHaveLength(pages);
		expect(done).toHaveBeenCalledWith('The PDF is saved');
	});
	it('a table, a picture and long words stand within the page; letters that its fonts lack are told', async () => {
		// The smallest picture there is: one grey pixel.
		const jpeg =
			'/9j/4AAQSkZJRgABAQEASABIAAD/2wBDAP//////////////////////////////////////////////////////////////////////////////////////wAALCAABAAEBAREA/8QAFAABAAAAAAAAAAAAAAAAAAAAA//EABQQAQAAAAAAAAAAAAAAAAAAAAD/2gAIAQEAAD8AN//Z';
		const { text, pages } = await textOf({
			title: 'Łódź',
			under: 'under',
			reference: 'ref',
			blocks: [
				{
					kind: 'table',
					head: ['no.', 'what'],
					rows: [
						['1', 'x'.repeat(400)],
						['2', 'a ≤ b → c'],
					],
					widths: [10, 'auto'],
				},
				...Array.from({ length: 4 }, () => ({
					kind: 'picture' as const,
					jpeg,
					widthPx: 10,
					heightPx: 12,
					caption: 'Left arm',
				})),
				{ kind: 'text', text: 'the end', strong: true },
			],
		});
		expect(text).toContain('?ód?');
		expect(text).toContain('a <= b -> c');
		expect(text.replaceAll(/[^x]/g, '')).toHaveLength(400);
		expect(text.match(/Left arm/g)).toHaveLength(4);
		expect(pages).toBe(2);
		expect(vi.mocked(done).mock.lastCall?.[0]).toContain('lack Ł ź');
	});
	it('that is handed to another application is saved nowhere; giving up there is no fault', async () => {
		const share = vi.fn().mockResolvedValueOnce(undefined);
		vi.stubGlobal('navigator', { share });
		const document: PdfDocument = { title: 'A page', under: '', reference: 'r', blocks: [] };
		await givePdf(document, 'a.pdf', true);
		expect(share.mock.lastCall?.[0]).toMatchObject({ title: 'A page' });
		share.mockRejectedValueOnce(new DOMException('', 'AbortError'));
		await givePdf(document, 'a.pdf', true);
		expect([download, failed, done].map((f) => vi.mocked(f).mock.calls.length)).toEqual([0, 0, 0]);
		share.mockRejectedValueOnce(new Error('not allowed'));
		await givePdf(document, 'a.pdf', true);
		expect(failed).toHaveBeenCalledOnce();
		vi.unstubAllGlobals();
	});
});
