import Papa from 'papaparse';
import { download } from '$lib/ui/download';
import { pngOf } from '$lib/ui/plot/exportPicture';
import type { Finding } from '$lib/instruments/instrument';

const nameOf = (id: string, ending: string, at: Date) =>
	`winglogos-${id}-${at.toISOString().slice(0, 19).replace(/[:T]/g, '-')}.${ending}`;

/** Text that a spreadsheet would take for a formula is escaped; negative numbers are no text. */
const SAFE = { escapeFormulae: /^[=+@\t\r]|^-(?!\d)/ } as const;

/** The finding with the core's whole answer. */
export function exportJson(id: string, sourceName: string, finding: Finding, at: Date): void {
	const { headline, verdict, reasons, figures, tables, answer } = finding;
	const whole = {
		instrument: id,
		source: sourceName,
		at: at.toISOString(),
		headline,
		verdict,
		reasons,
		figures,
		tables,
		answer,
	};
	download(nameOf(id, 'json', at), JSON.stringify(whole, null, '\t'), 'application/json');
}

/** Figures, tables and plotted lines as one text table each, apart by an empty line, named in a comment line. */
export function exportCsv(id: string, finding: Finding, at: Date): void {
	const blocks = [
		`# figures\n${Papa.unparse(
			finding.figures.map(({ id, label, value, unit, sigma }) => ({ id, label, value, unit, sigma: sigma ?? '' })),
			SAFE,
		)}`,
		...finding.tables.map(
			({ title, columns, rows }) =>
				`# ${title}\n${Papa.unparse({ fields: [...columns], data: rows.map((r) => [...r]) }, SAFE)}`,
		),
		...finding.plots.flatMap((plot) => {
			if (plot.kind !== 'lines') return [];
			return plot.lines.map(
				({ label, points }) =>
					`# ${plot.title}${label ? `: ${label}` : ''}\n${Papa.unparse({ fields: [plot.xLabel, plot.yLabel], data: points.map((p) => [p.x, p.y]) }, SAFE)}`,
			);
		}),
	];
	download(nameOf(id, 'csv', at), blocks.join('\n\n'), 'text/csv');
}

/** The first drawing on the sheet as a picture; false where there is none. */
export async function exportPng(id: string, sheet: Element, at: Date): Promise<boolean> {
	const svg = [...sheet.querySelectorAll('figure svg')].find(
		(e) => e instanceof SVGSVGElement && e.getBoundingClientRect().height > 60,
	);
	if (!(svg instanceof SVGSVGElement)) return false;
	download(nameOf(id, 'png', at), await pngOf(svg), 'image/png');
	return true;
}
