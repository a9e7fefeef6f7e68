import fc from 'fast-check';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { fittingTo } from '$lib/core/symptoms/table';
import { payloadSchema } from '$lib/schema/entries';
import type { SymptomKind, SymptomRequest } from '$lib/schema/symptoms';
import { FinderState } from './finderState.svelte';

const told: string[] = [];
vi.mock('$lib/workers/core', () => import('$lib/workers/inProcess'));
vi.mock('$lib/ui/notify', () => ({ failed: (error: Error) => told.push(error.message), done: vi.fn() }));

beforeEach(() => {
	told.length = 0;
});

const signsOf = (kind: SymptomKind) => fittingTo({ kind, has: {} }).observations;

async function answered(state: FinderState): Promise<void> {
	await vi.waitFor(() => expect(state.busy).toBe(false), { timeout: 20_000, interval: 1 });
}

describe('what it does', () => {
	it('of one sign is ranked with chances that never exceed the whole, the likeliest first', async () => {
		for (const { id } of signsOf('multirotor').slice(0, 12)) {
			const state = new FinderState();
			expect([state.begun, state.answer, state.payload()]).toEqual([false, null, null]);
			state.tell(id, 'present');
			expect(state.begun).toBe(true);
			await answered(state);
			const chances = state.answer?.ranked.map(({ probability }) => probability) ?? [];
			expect(chances.length).toBeGreaterThan(0);
			expect(chances).toEqual(chances.toSorted((a, b) => b - a));
			expect(chances.every((p) => p >= 0 && p <= 1 + 1e-9)).toBe(true);
			const payload = payloadSchema.parse(state.payload());
			expect(payload).toMatchObject({ kind: 'test', task: 'finder', headline: state.title });
		}
	});

	it('taken back is as if it had never been told', async () => {
		const [first, second] = signsOf('multirotor');
		const state = new FinderState();
		state.tell(first.id, 'present');
		await answered(state);
		const alone = state.answer;
		state.tell(second.id, 'absent');
		await answered(state);
		state.untell(second.id);
		await answered(state);
		expect(state.answer).toEqual(alone);
		state.untell(first.id);
		await answered(state);
		expect([state.answer, state.begun, state.title]).toEqual([null, false, 'What does it do?']);
	});

	it('told twice is told as it was told last', async () => {
		const [first] = signsOf('multirotor');
		const state = new FinderState();
		state.tell(first.id, 'present');
		state.tell(first.id, 'absent');
		state.tell(first.id, 'present');
		expect(state.request.observations).toEqual([{ id: first.id, state: 'present', asked: false }]);
		await answered(state);
	});

	it('in quick succession is answered by the last alone', async () => {
		const [a, b, c] = signsOf('multirotor');
		const state = new FinderState();
		for (const { id } of [a, b, c]) state.tell(id, 'present');
		await answered(state);
		const fresh = new FinderState();
		expect(fresh.restore(state.request)).toBe(true);
		await answered(fresh);
		expect(fresh.answer).toEqual(state.answer);
		state.dispose();
	});

	it('is taken up after a reload; what is no such request is left alone', async () => {
		const state = new FinderState();
		state.tell(signsOf('multirotor')[3].id, 'present');
		await answered(state);
		const kept: unknown = JSON.parse(JSON.stringify(state.request));
		const again = new FinderState();
		expect(again.restore(kept)).toBe(true);
		await answered(again);
		expect(again.answer).toEqual(state.answer);
		for (const bad of [null, 3, 'x', {}, { kind: 'boat' }, { kind: 'multirotor', observations: [{}] }]) {
			expect(again.restore(bad), JSON.stringify(bad)).toBe(false);
			expect(again.request).toEqual(state.request);
		}
	});

	it('begun again keeps what the aircraft is and has, and where it is', async () => {
		const state = new FinderState();
		state.at('bench');
		state.lately(['knock']);
		state.tell(signsOf('multirotor')[0].id, 'present');
		await answered(state);
		state.startOver();
		expect(state.request).toMatchObject({
			kind: 'multirotor',
			place: 'bench',
			recent: ['knock'],
			observations: [],
			tests: [],
		});
		state.takeKind('wing');
		expect(state.request).toMatchObject({ kind: 'wing', place: 'bench', recent: [] });
	});
});

describe('what was tried against it', () => {
	it('a test that is offered and answered moves the odds; set aside it is not offered again', async () => {
		const state = new FinderState();
		state.at('bench');
		state.tell(signsOf('multirotor')[0].id, 'present');
		await answered(state);
		const offered = state.answer?.next?.test ?? '';
		const before = JSON.stringify(state.answer?.ranked);
		const outcome = fittingTo(state.request).tests.find(({ id }) => id === offered)?.outcomes[0].id ?? '';
		state.tested(offered, outcome);
		await answered(state);
		expect(JSON.stringify(state.answer?.ranked)).not.toBe(before);
		state.tested(offered, null);
		await answered(state);
		expect(JSON.stringify(state.answer?.ranked)).toBe(before);
		state.skip(offered);
		state.skip(offered);
		await answered(state);
		expect(state.request.skip).toEqual([offered]);
		expect(state.answer?.tests.map(({ test }) => test)).not.toContain(offered);
	});

	it('a remedy without effect is remembered once more, twice at most; that it helped replaces both', () => {
		const state = new FinderState();
		fc.assert(
			fc.property(fc.array(fc.constantFrom('gone', 'persists'), { minLength: 1, maxLength: 6 }), (results) => {
				state.startOver();
				state.request = { ...state.request, remedies: [] };
				for (const result of results) state.remedied('compass-field', result);
				const kept = state.request.remedies.map(({ result }) => result);
				expect(kept.at(-1)).toBe(results.at(-1));
				expect(kept.length).toBeLessThanOrEqual(2);
				if (results.at(-1) === 'gone') expect(kept).toEqual(['gone']);
				if (results.length > 1 && results.slice(-2).every((r) => r === 'persists'))
					expect(kept).toEqual(['persists', 'persists']);
			}),
			{ numRuns: 30 },
		);
	});
});

describe('any run of answers', () => {
	it('never stops the page: it is ranked, or what does not go together is told', async () => {
		const signs = signsOf('multirotor').map(({ id }) => id);
		const steps = fc.array(
			fc.tuple(
				fc.constantFrom(...signs),
				fc.constantFrom<SymptomRequest['observations'][number]['state']>('present', 'absent'),
				fc.boolean(),
			),
			{ minLength: 1, maxLength: 6 },
		);
		await fc.assert(
			fc.asyncProperty(steps, async (list) => {
				const state = new FinderState();
				for (const [id, is, back] of list) {
					state.tell(id, is);
					if (back) state.untell(id);
				}
				await answered(state);
				if (!state.begun) {
					expect(state.answer).toBeNull();
					return;
				}
				expect(state.answer !== null || told.length > 0).toBe(true);
				expect(state.title.length).toBeGreaterThan(5);
				if (state.answer) expect(payloadSchema.safeParse(state.payload()).success).toBe(true);
			}),
			{ numRuns: 25 },
		);
	});
});
