import 'fake-indexeddb/auto';
import Papa from 'papaparse';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { INSTRUMENTS } from '$lib/instruments/catalogue';
import { download } from '$lib/ui/download';
import { InstrumentState } from './instrumentState.svelte';
import { exportCsv, exportJson } from './exportFinding';

vi.mock('$lib/workers/core', () => import('$lib/workers/inProcess'));
vi.mock('$lib/ui/notify', () => ({ failed: vi.fn(), done: vi.fn() }));
vi.mock('$lib/ui/download', () => ({ download: vi.fn() }));

const AT = new Date('2026-05-14T10:30:15.250Z');
const saved = () => {
	const [name, content, type] = vi.mocked(download).mock.lastCall ?? [];
	return { name, content: String(content), type };
};
/** What an instrument finds in its good sample. */
async function findingOf(id: string) {
	const instrument = INSTRUMENTS.find((one) => one.id === id);
	const sample = instrument?.samples.find(({ bad }) => !bad);
	if (!instrument || !sample) throw new Error(`no sample of ${id}`);
	const state = new InstrumentState(
		instrument,
		() => ({ name: 'Field', latDeg: 54.21, lonDeg: -3.06, altM: 12 }),
		() => '2026-05-14',
	);
	await state.tryIt(sample, 1);
	if (!state.finding) throw new Error(`nothing found: ${state.problem}`);
	return state.finding;
}

beforeEach(() => vi.mocked(download).mockClear());

describe.each(['six-faces', 'flow', 'vibration'])('what %s found', (id) => {
	it('goes out as JSON with the whole answer, its source and its hour', async () => {
		const finding = await findingOf(id);
		exportJson(id, 'a log.csv', finding, AT);
		const { name, content, type } = saved();
		expect([name, type]).toEqual([`winglogos-${id}-2026-05-14-10-30-15.json`, 'application/json']);
		const whole = JSON.parse(content) as typeof finding & { source: string; at: string; instrument: string };
		expect(whole).toMatchObject({
			instrument: id,
			source: 'a log.csv',
			at: AT.toISOString(),
			verdict: finding.verdict,
		});
		expect(whole.figures).toEqual(JSON.parse(JSON.stringify(finding.figures)));
		expect(whole.answer).toEqual(JSON.parse(JSON.stringify(finding.answer)));
	});
	it('goes out as tables: figures, each table, each plotted line, readable one by one', async () => {
		const finding = await findingOf(id);
		exportCsv(id, finding, AT);
		const { name, content, type } = saved();
		expect([name, type]).toEqual([`winglogos-${id}-2026-05-14-10-30-15.csv`, 'text/csv']);
		const lines = finding.plots.flatMap((plot) => (plot.kind === 'lines' ? plot.lines : []));
		const blocks = content.split(/\n\n(?=# )/).map((block) => {
			const [title, ...rest] = block.split('\n');
			return { title, ...Papa.parse<Record<string, string>>(rest.join('\n'), { header: true }) };
		});
		expect(blocks).toHaveLength(1 + finding.tables.length + lines.length);
		for (const { title, errors } of blocks) expect([title, errors]).toEqual([expect.stringMatching(/^# \S/), []]);
		expect(blocks[0].data.map(({ label, value }) => [label, value === '' ? null : Number(value)])).toEqual(
			finding.figures.map(({ label, value }) => [label, value]),
		);
		finding.tables.forEach(({ title, columns, rows }, k) => {
			const block = blocks[1 + k];
			expect([block.title, block.meta.fields, block.data.length]).toEqual([`# ${title}`, [...columns], rows.length]);
		});
		lines.forEach(({ points }, k) => expect(blocks[1 + finding.tables.length + k].data).toHaveLength(points.length));
	});
});
