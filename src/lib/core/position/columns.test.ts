import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ActiveCycle } from './activeCycle';
import type { Epochs } from './epochs';
import { EpochTable, rowsWhere } from './epochTable';
import { DEFAULT_LOCK_RULE, findHold } from './lock';
import type { ActiveSatellites } from './satellites';
import { ReportedCounts } from './reportedCounts';

describe('a table of epochs', () => {
	it('keeps what was written while it grows, and says nothing of what was not', () => {
		const table = new EpochTable();
		for (let k = 0; k < 5000; k++) {
			const row = table.add(k / 10);
			if (k % 3 === 0) table.columns.latDeg[row] = k;
		}
		expect(table.length).toBe(5000);
		const rows = Array.from({ length: 5000 }, (_, k) => k);
		expect([...table.columns.tod.subarray(0, 5000)]).toEqual(rows.map((k) => k / 10));
		expect([...table.columns.latDeg.subarray(0, 5000)]).toEqual(rows.map((k) => (k % 3 === 0 ? k : NaN)));
		expect(table.columns.fix.includes(1)).toBe(false);
	});
	it('puts whole rows into another order', () => {
		const table = new EpochTable();
		const cycle = new ActiveCycle();
		for (let k = 0; k < 4; k++) table.add(k);
		table.columns.hdop[2] = 0.7;
		table.active[2] = cycle;
		const turned = table.inOrder([2, 3, 0, 1]);
		expect([...turned.columns.tod]).toEqual([2, 3, 0, 1]);
		expect([...turned.columns.hdop]).toEqual([0.7, NaN, NaN, NaN]);
		expect(turned.active).toEqual([cycle, null, null, null]);
	});
	it('names the rows of a kind between two', () => {
		expect([...rowsWhere(3, 9, (row) => row % 2 === 0)]).toEqual([4, 6, 8]);
		expect([...rowsWhere(3, 3, () => true)]).toEqual([]);
	});
});

/** What stands in the table after sentences of one instant have counted. */
function added(reported: readonly (readonly ['GGA' | 'GNS', string, number])[], { hdop = NaN, gsaHdop = NaN } = {}) {
	const table = new EpochTable();
	const row = table.add(36_000);
	const counts = new ReportedCounts(table);
	for (const [type, talker, used] of reported) counts.tell(row, type, talker, used);
	table.columns.hdop[row] = hdop;
	table.columns.gsaHdop[row] = gsaHdop;
	counts.addUp();
	const { columns } = table;
	return { reported: columns.reported[row], tellers: columns.tellers[row], hdop: columns.hdop[row] };
}

describe('what GGA and GNS count', () => {
	it.each([
		['nothing', [], NaN, 0],
		['one alone', [['GGA', 'GP', 9]], 9, 1],
		['one twice: the later stands', [['GGA', 'GP', 9], ['GGA', 'GP', 7]], 7, 1], // prettier-ignore
		['one a constellation', [['GGA', 'GP', 8], ['GGA', 'GL', 5]], 13, 2], // prettier-ignore
		['one a constellation, one of them twice', [['GNS', 'GP', 8], ['GNS', 'GL', 5], ['GNS', 'GP', 6]], 11, 2], // prettier-ignore
		['one for the whole beside them', [['GGA', 'GN', 14], ['GGA', 'GP', 8], ['GGA', 'GL', 5]], 14, 3], // prettier-ignore
		['fewer for the whole than the parts have', [['GGA', 'GN', 12], ['GGA', 'GP', 8], ['GGA', 'GL', 5]], 13, 3], // prettier-ignore
		['GGA stands above GNS', [['GNS', 'GN', 20], ['GGA', 'GN', 12]], 12, 2], // prettier-ignore
		['less than none', [['GGA', 'GN', -3]], 0, 1],
	] as const)('%s', (_, reported, total, tellers) => {
		expect(added(reported)).toMatchObject({ reported: total, tellers });
	});
	it('takes the dilution of the whole, else that of GSA', () => {
		const [own, gsa] = [{ hdop: 1.4 }, { gsaHdop: 0.8 }];
		expect(added([['GGA', 'GN', 9]], { ...own, ...gsa }).hdop).toBe(1.4);
		expect(added([['GGA', 'GN', 9]], gsa).hdop).toBe(0.8);
		const parts = [['GGA', 'GP', 8], ['GGA', 'GL', 5]] as const; // prettier-ignore
		expect(added(parts, { ...own, ...gsa }).hdop).toBe(0.8);
		expect(added(parts, own).hdop).toBe(1.4);
		expect(added([...parts, ['GGA', 'GN', 13]], { ...own, ...gsa }).hdop).toBe(1.4);
	});
});

const named = (key: string, ids: readonly number[], mode = 3): ActiveSatellites => ({
	key,
	mode,
	filled: ids.length,
	all: new Set(ids.map((id) => `GPS ${id}`)),
});
const upTo = (n: number, from = 1) => Array.from({ length: n }, (_, k) => from + k);

describe('a cycle of active satellites', () => {
	it('is one and the same where the same was said, and never changes', () => {
		const [a, b] = [named('GP/ GPS', upTo(6)), named('GL/ GLONASS', upTo(4, 65), 2)];
		const start = new ActiveCycle();
		const both = start.with(a).with(b);
		expect(start.with(a).with(b)).toBe(both);
		expect(start.sentences).toBe(0);
		expect(start.union.size).toBe(0);
		expect([both.sentences, both.mode, both.union.size, both.numberedAlike]).toEqual([2, 3, 10, 0]);
	});
	it('counts an empty sentence, which names nobody', () => {
		const cycle = new ActiveCycle().with(named('GP/ ', [], 1));
		expect([cycle.sentences, cycle.mode, cycle.union.size]).toEqual([1, 1, 0]);
	});
	it('goes on after a full sentence, begins again with mostly the same, and stands beside what shares few', () => {
		const full = named('GP/ GPS', upTo(12));
		expect(new ActiveCycle().with(full).with(named('GP/ GPS', upTo(3, 20))).union.size).toBe(15);
		expect(new ActiveCycle().with(named('GP/ GPS', upTo(8))).with(named('GP/ GPS', upTo(6))).union.size).toBe(6);
		const alike = new ActiveCycle().with(named('GP/ GPS', upTo(8))).with(named('GP/ GPS', [7, 8, 30, 31, 32]));
		expect([alike.union.size, alike.numberedAlike]).toEqual([11, 2]);
	});
	it('does not grow without end where no time of day ever comes', () => {
		let cycle = new ActiveCycle();
		for (let k = 0; k < 10_000; k++) cycle = cycle.with(named(`GP/${k}`, [k + 1]));
		expect(cycle.sentences).toBe(64);
		expect(cycle.union.size).toBe(64);
	});
});

/** Epochs once a second that are good or bad for the lock, with a jump of the clock before some. */
function epochsOf(good: readonly boolean[], jumps: readonly number[] = [], steps: readonly number[] = []): Epochs {
	const { length } = good;
	let [t, stretch] = [0, 0];
	const rows = good.map((_, k) => {
		if (jumps.includes(k)) stretch++;
		t += k === 0 ? 0 : (steps[k] ?? 1);
		return { t, stretch };
	});
	return {
		length,
		tS: Float64Array.from(rows, (row) => row.t),
		stretch: Int32Array.from(rows, (row) => row.stretch),
		fix: Uint8Array.from(good, Number),
		latDeg: new Float64Array(length),
		lonDeg: new Float64Array(length),
		altM: new Float64Array(length),
		satellites: new Float64Array(length).fill(12),
		reportsQuality: new Uint8Array(length).fill(1),
		hdop: new Float64Array(length).fill(0.8),
		fixType: (k) => (good[k] ? '3D' : 'none'),
	};
}

describe('how long the lock is held', () => {
	it('is the first run of good seconds that is long enough, whatever came before', () => {
		fc.assert(
			fc.property(
				fc.array(fc.boolean(), { minLength: 1, maxLength: 60 }),
				fc.integer({ min: 1, max: 8 }),
				(good, holdS) => {
					const hold = findHold(epochsOf(good), { ...DEFAULT_LOCK_RULE, holdS });
					const runs: { from: number; to: number }[] = [];
					good.forEach((is, k) => {
						if (is && runs.at(-1)?.to === k) runs[runs.length - 1].to = k + 1;
						else if (is) runs.push({ from: k, to: k + 1 });
					});
					const first = runs.find(({ from, to }) => to - 1 - from >= holdS);
					expect(hold.lockS).toBe(first ? first.from + holdS : null);
					expect([hold.from, hold.to]).toEqual(first ? [first.from, first.to] : [0, 0]);
					expect(hold.longestS).toBe(Math.max(0, ...runs.map(({ from, to }) => to - 1 - from)));
					expect(hold.still).toBe(good.at(-1));
					expect(hold.lastType).toBe(good.at(-1) ? '3D' : 'none');
				},
			),
		);
	});
	it('begins again after a gap, and counts from the beginning of its stretch after a jump of the clock', () => {
		const rule = { ...DEFAULT_LOCK_RULE, holdS: 10 };
		const all = Array<boolean>(30).fill(true);
		expect(findHold(epochsOf(all), rule).lockS).toBe(10);
		expect(findHold(epochsOf(all.slice(0, 20), [], { ...Array<number>(20).fill(1), 8: 60 }), rule).lockS).toBe(77);
		expect(findHold(epochsOf(all.slice(0, 17), [8]), rule).lockS).toBeNull();
		expect(findHold(epochsOf(all.slice(0, 20), [8]), rule)).toMatchObject({ lockS: 10, from: 8, to: 20 });
	});
	it('takes satellites and dilution over from shortly before where an epoch cannot tell them', () => {
		const epochs = epochsOf(Array<boolean>(40).fill(true));
		for (let k = 0; k < 40; k++)
			if (k % 2 === 1) {
				epochs.reportsQuality[k] = 0;
				epochs.satellites[k] = NaN;
				epochs.hdop[k] = NaN;
			}
		expect(findHold(epochs, DEFAULT_LOCK_RULE).lockS).toBe(30);
		epochs.reportsQuality.fill(1);
		expect(findHold(epochs, DEFAULT_LOCK_RULE).lockS).toBeNull();
	});
});
