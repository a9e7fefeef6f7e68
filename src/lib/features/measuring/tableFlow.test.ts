import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { COMPASS_ROLES } from '$lib/core/record/logRoles';
import { db } from '$lib/store/db';
import { TableFlow } from './tableFlow.svelte';

vi.mock('$lib/workers/core', () => import('$lib/workers/inProcess'));

const flow = () =>
	new TableFlow('compass', COMPASS_ROLES, (choices) => ['t', 'mx', 'my', 'mz'].every((name) => name in choices));
const log = (header: string) =>
	new File([[header, ...Array.from({ length: 5 }, (_, k) => [k / 10, 20 + k, k, 40].join(','))].join('\n')], 'log.csv');
/** Until the pilot is asked. */
const asked = (of: TableFlow) => vi.waitFor(() => expect(of.asking).not.toBeNull());

beforeEach(() => db.mappings.clear());

describe('a log on its way to columns', () => {
	it('whose header tells everything needs no question', async () => {
		const table = flow();
		const columns = await table.read(log('t [s],mx [uT],my [uT],mz [uT]'));
		expect(columns?.mx).toEqual(Float64Array.from([20, 21, 22, 23, 24]));
		expect([table.asking, table.busy]).toEqual([null, false]);
	});

	it('whose header tells nothing is asked about once, and then remembered', async () => {
		const first = flow();
		const reading = first.read(log('a,b,c,d'));
		await asked(first);
		expect(first.asking).toMatchObject({ fileName: 'log.csv', headers: ['a', 'b', 'c', 'd'], rows: 5 });
		const choices = Object.fromEntries(
			['t', 'mx', 'my', 'mz'].map((name, column) => [name, { column, unit: name === 't' ? 's' : 'mG' }]),
		);
		first.answer(choices);
		expect((await reading)?.mx?.[1]).toBeCloseTo(2.1, 9);
		const second = flow();
		expect((await second.read(log('a,b,c,d')))?.mx?.[1]).toBeCloseTo(2.1, 9);
		expect(second.asking).toBeNull();
	});

	it('is left where the pilot turns back, and nothing is remembered', async () => {
		const table = flow();
		const reading = table.read(log('a,b,c,d'));
		await asked(table);
		table.answer(null);
		expect(await reading).toBeNull();
		expect(await db.mappings.count()).toBe(0);
	});

	it('is stopped by its own signal', async () => {
		const stop = new AbortController();
		const reading = flow().read(log('t [s],mx [uT],my [uT],mz [uT]'), stop.signal);
		stop.abort();
		await expect(reading).rejects.toThrow(/Stopped|aborted/);
	});

	it('that is broken is refused with its line', async () => {
		const broken = new File(['t [s],mx [uT],my [uT],mz [uT]\n0,1,2,3\n0.1,x,2,3\n'], 'log.csv');
		await expect(flow().read(broken)).rejects.toThrow(/log\.csv, line 3, mx.*"x" is not a number/);
	});
});
