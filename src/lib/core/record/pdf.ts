/** A page to be read by others: headings, facts, tables, pictures, one after the other. */
export type PdfBlock =
	| { kind: 'heading'; text: string }
	| { kind: 'text'; text: string; strong?: boolean; mono?: boolean }
	| { kind: 'facts'; rows: readonly { label: string; value: string }[] }
	| {
			kind: 'table';
			head: readonly string[];
			rows: readonly (readonly string[])[];
			widths?: readonly (number | 'auto')[];
	  }
	| { kind: 'picture'; jpeg: string; widthPx: number; heightPx: number; caption: string };

export interface PdfDocument {
	title: string;
	under: string;
	/** Stands on every page beside its number. */
	reference: string;
	blocks: readonly PdfBlock[];
}

/** What the standard fonts of a PDF do not have, in signs that they have. */
const INSTEAD: Readonly<Record<string, string>> = {
	'−': '-',
	'→': '->',
	'←': '<-',
	'≤': '<=',
	'≥': '>=',
	'≈': '~',
	'′': "'",
	'″': '"',
	Σ: 'sum',
	σ: 'sigma',
	'\u00a0': ' ',
	'\u202f': ' ',
};
/** Letters that the standard fonts hold: Latin-1 and the signs beside it in their table. */
const HELD = /[\t\n\r -\u00ff€‚ƒ„…†‡ˆ‰Š‹ŒŽ‘’“”•–—˜™š›œžŸ]/u;
const replaced = (text: string): string => [...text].map((sign) => INSTEAD[sign] ?? sign).join('');
const plain = (text: string): string => [...replaced(text)].map((sign) => (HELD.test(sign) ? sign : '?')).join('');

/** The letters of a document that the fonts of a PDF do not have, each once; empty where all are there. */
export function lostIn(document: PdfDocument): string {
	const signs = new Set([...replaced(JSON.stringify(document))].filter((sign) => !HELD.test(sign)));
	return [...signs].slice(0, MOST_LOST).join(' ');
}

const MOST_LOST = 20;
const [MARGIN, WIDTH, BOTTOM] = [16, 210, 281];
const INNER = WIDTH - 2 * MARGIN;

/** A PDF of A4 pages, made on this device; each page has the reference and its number. Loaded when it is first asked for. */
export async function makePdf({ title, under, reference, blocks }: PdfDocument): Promise<Blob> {
	const [{ jsPDF }, { autoTable }] = await Promise.all([import('jspdf'), import('jspdf-autotable')]);
	const pdf = new jsPDF({ unit: 'mm', format: 'a4' });
	pdf.setProperties({ title: plain(title), subject: plain(reference), creator: 'Winglogos' });
	let y = MARGIN + 4;
	const room = (mm: number) => {
		if (y + mm <= BOTTOM) return;
		pdf.addPage();
		y = MARGIN + 2;
	};
	const write = (text: string, size: number, { strong = false, mono = false } = {}) => {
		pdf.setFont(mono ? 'courier' : 'helvetica', strong ? 'bold' : 'normal').setFontSize(size);
		const lines = pdf.splitTextToSize(plain(text), INNER) as string[];
		for (const line of lines) {
			room(size * 0.45);
			pdf.text(line, MARGIN, y);
			y += size * 0.43;
		}
	};
	write(title, 18, { strong: true });
	write(under, 11);
	y += 3;
	for (const block of blocks) {
		if (block.kind === 'heading') {
			y += 4;
			room(14);
			write(block.text, 13, { strong: true });
			y += 1;
		} else if (block.kind === 'text') {
			write(block.text, block.mono ? 9 : 10.5, block);
			y += 1;
		} else if (block.kind === 'picture') {
			const w = 80;
			const h = (w * block.heightPx) / block.widthPx;
			room(h + 8);
			pdf.addImage(`data:image/jpeg;base64,${block.jpeg}`, 'JPEG', MARGIN, y, w, h);
			y += h + 4;
			write(block.caption, 9);
			y += 3;
		} else {
			const facts = block.kind === 'facts';
			autoTable(pdf, {
				startY: y,
				margin: { left: MARGIN, right: MARGIN, bottom: 297 - BOTTOM },
				theme: facts ? 'plain' : 'grid',
				styles: {
					font: 'helvetica',
					fontSize: facts ? 10 : 8.5,
					cellPadding: facts ? 0.8 : 1.4,
					textColor: 20,
					lineColor: 200,
				},
				headStyles: { fillColor: [238, 236, 228], textColor: 20, fontStyle: 'bold' },
				...(facts
					? { body: block.rows.map(({ label, value }) => [plain(label), plain(value)]) }
					: { head: [block.head.map(plain)], body: block.rows.map((row) => row.map(plain)) }),
				columnStyles: facts
					? { 0: { cellWidth: 38, textColor: 90 } }
					: Object.fromEntries((block.widths ?? []).map((cellWidth, k) => [k, { cellWidth }])),
			});
			y = ((pdf as unknown as { lastAutoTable?: { finalY: number } }).lastAutoTable?.finalY ?? y) + 3;
		}
	}
	const pages = pdf.getNumberOfPages();
	for (let page = 1; page <= pages; page++) {
		pdf.setPage(page).setFont('helvetica', 'normal').setFontSize(8.5);
		pdf.text(plain(`Winglogos · ${reference}`), MARGIN, 290);
		pdf.text(`${page} of ${pages}`, WIDTH - MARGIN, 290, { align: 'right' });
	}
	return pdf.output('blob');
}
