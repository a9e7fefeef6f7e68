import type { Photo } from '$lib/schema/records';
import type { PdfBlock, PdfDocument } from '$lib/core/record/pdf';
import { exceptionsTitle, type SheetDocument } from './sheetDocument';

/** The sheet as a PDF's blocks, in the page's own order. */
export function sheetPdf(sheet: SheetDocument, photos: readonly Photo[]): PdfDocument {
	const { title, under, reference, rehearsal, verdict, facts, exceptions, after, entries, chain, head, foot } = sheet;
	const blocks: PdfBlock[] = [
		...(rehearsal
			? [{ kind: 'text' as const, text: 'A rehearsal: nothing on this sheet counts outside it.', strong: true }]
			: []),
		{ kind: 'text', text: verdict, strong: true },
		{ kind: 'facts', rows: facts },
		{
			kind: 'heading',
			text: exceptionsTitle(sheet),
		},
		...(exceptions.length > 0
			? [
					{
						kind: 'table' as const,
						head: ['mark', 'what', 'why'],
						widths: [22, 70, 'auto' as const],
						rows: exceptions.map(({ word, what, why }) => [word, what, why]),
					},
				]
			: []),
		...(after.length > 0
			? [
					{ kind: 'heading' as const, text: 'Found after the decision' },
					{
						kind: 'table' as const,
						head: ['mark', 'what', 'why'],
						widths: [22, 70, 'auto' as const],
						rows: after.map(({ word, what, why }) => [word, what, why]),
					},
				]
			: []),
		{ kind: 'heading', text: 'Entries' },
		{
			kind: 'table',
			head: ['no.', 'time', 'station', 'what was seen', 'how', 'by'],
			widths: [10, 22, 22, 'auto', 18, 24],
			rows: entries.map(({ no, at, station, what, how, by }) => [no, at, station, what, how, by]),
		},
		...(photos.length > 0 ? [{ kind: 'heading' as const, text: 'Photos' }] : []),
		...photos.map(({ jpeg, widthPx, heightPx, caption, at }): PdfBlock => ({
			kind: 'picture',
			jpeg,
			widthPx,
			heightPx,
			caption: `${caption || 'Photo'}, ${at.slice(0, 16).replace('T', ' ')} UTC`,
		})),
		{ kind: 'heading', text: 'Does the record hold?' },
		{ kind: 'text', text: chain },
		{ kind: 'text', text: `Head ${head}`, mono: true },
		{ kind: 'text', text: foot },
	];
	return { title, under: `${under} · ${reference}`, reference, blocks };
}
