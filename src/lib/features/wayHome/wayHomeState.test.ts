import { beforeEach, describe, expect, it, vi } from 'vitest';
import { entryOf } from '$lib/core/facts/entries.fixture';
import { gatherFacts, valueOf } from '$lib/core/facts/facts';
import { batteryLedger, burnRate } from '$lib/core/facts/ledger';
import { newAircraft } from '$lib/schema/newAircraft';
import type { Aircraft, Pack, Wind } from '$lib/schema/records';
import type { SessionView } from '$lib/features/running/sessionView.svelte';
import { call } from '$lib/workers/inProcess';
import { WayHomeState } from './wayHomeState.svelte';

const { told, asked, broken } = vi.hoisted(() => ({
	told: [] as string[],
	asked: [] as unknown[],
	broken: { why: '' },
}));
vi.mock('$lib/ui/notify', () => ({ failed: (error: Error) => told.push(error.message), done: vi.fn() }));
vi.mock('$lib/workers/core', async () => {
	const { call: real } = await import('$lib/workers/inProcess');
	return {
		call: (...args: Parameters<typeof call>) => {
			asked.push(args[1]);
			if (broken.why) return Promise.reject(new Error(broken.why));
			return real(...args);
		},
	};
});

const AT = '2026-05-14T09:00:00.000Z';
const aircraft: Aircraft = {
	...newAircraft('a', 'multirotor', AT),
	name: 'Dunlin',
	returnHeightM: 40,
	flies: { hoverW: 180 },
};
const pack = {
	id: 'p',
	name: 'D-1',
	aircraftId: 'a',
	cells: 4,
	capacityMah: 5000,
	cycles: 12,
	boughtOn: '2026-01-01',
	notes: '',
	updatedAt: AT,
} as Pack;
const wind: Wind = { fromDeg: 250, speedMps: 4, gustMps: 6 };

/** What the state asks of a session, and nothing else. */
const viewOf = (more: { pack?: Pack | null; wind?: Wind | null } = {}) => {
	const battery = 'pack' in more ? (more.pack ?? null) : pack;
	const blowing = 'wind' in more ? more.wind : wind;
	const session = { kind: 'flight' as const, venue: 'open' as const };
	const entries = blowing ? [entryOf(0, { kind: 'wind', task: 'wind', grade: 'told', ...blowing })] : [];
	const rate = battery && burnRate(aircraft, battery, null);
	return {
		wind: blowing,
		bundle: { aircraft, site: null, session, pack: battery },
		facts: gatherFacts({ aircraft, pack: battery, session, entries }),
		ledger: battery && batteryLedger(battery, { entries }, rate),
		rate,
	} as unknown as SessionView;
};
const state = (view = viewOf()) => new WayHomeState(view);
const settled = (home: WayHomeState) => vi.waitFor(() => expect(home.plan).not.toBeNull());

beforeEach(() => {
	[told.length, asked.length, broken.why] = [0, 0, ''];
});

describe('the way home of a session', () => {
	it('is planned from what is known, in words and figures', async () => {
		const home = state();
		expect(home.finding).toBeNull();
		await home.work();
		expect(Array.isArray(home.known)).toBe(false);
		expect(home.finding?.headline).toMatch(/\S/);
		expect(home.plan?.actions.return.totalTimeS).toBeGreaterThan(0);
		expect([home.problem, told.length, home.asKnown]).toEqual(['', 0, true]);
	});

	it.each([
		[{ pack: null }, 'pack'],
		[{ wind: null }, 'wind'],
	] as const)('without %o is not planned, and names what is missing', async (more, missing) => {
		const home = state(viewOf(more));
		await home.work();
		expect(home.known).toContain(missing);
		expect([home.plan, home.finding, asked.length]).toEqual([null, null, 0]);
	});

	it('a stronger wind that is tried takes longer and is not what is known', async () => {
		const home = state();
		await home.work();
		const calm = home.plan?.actions.return;
		home.tried = { ...home.tried, windMps: 8, bearingDeg: 70 };
		expect([valueOf(home.facts, 'windMps'), valueOf(home.facts, 'gustMps')]).toEqual([8, 10]);
		expect(home.asKnown).toBe(false);
		await home.work();
		const against = home.plan?.actions.return;
		expect(against?.landWithWh ?? -1).toBeLessThan(calm?.landWithWh ?? -1);
	});

	it('a return height that is tried stands in place of the aircraft’s', () => {
		const home = state();
		const height = () => (Array.isArray(home.known) ? null : home.known.request.settings.returnHeightM);
		expect(height()).toBe(40);
		home.tried = { ...home.tried, returnHeightM: 75 };
		expect([height(), home.asKnown]).toEqual([75, false]);
	});

	it('of many changes during one plan only the latest is planned next', async () => {
		const home = state();
		const first = home.work();
		for (const distanceM of [300, 400, 500]) {
			home.tried = { ...home.tried, distanceM };
			void home.work();
		}
		await first;
		await vi.waitFor(() => expect(asked).toHaveLength(2));
		await settled(home);
		expect(asked.map((one) => (one as { farthest: { distanceM: number } }).farthest.distanceM)).toEqual([200, 500]);
	});

	it('a draft is taken up where it fits, and left where it does not', () => {
		const home = state();
		home.take({ ...home.tried, distanceM: 350 });
		expect(home.tried.distanceM).toBe(350);
		home.take({ ...home.tried, distanceM: -5 });
		home.take('nonsense');
		expect(home.tried.distanceM).toBe(350);
	});

	it('what cannot be reckoned is said, and no old plan stands beside it', async () => {
		const home = state();
		await home.work();
		broken.why = 'What computes in the background stopped.';
		await home.work();
		expect(told).toEqual([broken.why]);
		expect([home.problem, home.plan, home.finding]).toEqual([told[0], null, null]);
	});

	it('left while it plans says nothing more', async () => {
		const home = state();
		const working = home.work();
		home.dispose();
		await working;
		expect([told.length, home.problem]).toEqual([0, '']);
	});
});
