import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lengthMin, schedule, scheduleBack, type Job, type Slot } from './schedule';

interface Named extends Job {
	of: number;
	k: number;
}
const queues = fc
	.array(
		fc.array(fc.record({ minutes: fc.integer({ min: 1, max: 60 }), unattended: fc.boolean() }), { maxLength: 6 }),
		{
			maxLength: 5,
		},
	)
	.map((all) =>
		all.map((jobs, of) =>
			jobs.map(({ minutes, unattended }, k): Named => ({
				minutes,
				of,
				k,
				...(unattended ? { unattended: true as const } : {}),
			})),
		),
	);
const people = fc.integer({ min: 1, max: 4 });
const overlaps = (slots: readonly Slot<Named>[]) =>
	slots.some((a, i) =>
		slots.some((b, k) => i < k && a.startMin < b.startMin + b.job.minutes && b.startMin < a.startMin + a.job.minutes),
	);

describe.each([
	['schedule', schedule],
	['schedule back', scheduleBack],
] as const)('%s', (_, run) => {
	it('places every job once, in its order, with no person and no aircraft in two places', () => {
		fc.assert(
			fc.property(queues, people, (all, count) => {
				const slots = run<Named>(all, count);
				expect(slots).toHaveLength(all.flat().length);
				for (let p = 0; p < count; p++) expect(overlaps(slots.filter(({ person }) => person === p))).toBe(false);
				all.forEach((jobs, of) => {
					const own = slots.filter(({ job }) => job.of === of);
					expect(overlaps(own)).toBe(false);
					expect(own.map(({ job }) => job.k)).toEqual(jobs.map(({ k }) => k));
				});
				for (const { job, person } of slots) expect(person === null).toBe(job.unattended === true);
				if (slots.length > 0) expect(Math.min(...slots.map(({ startMin }) => startMin))).toBe(0);
			}),
		);
	});
	it('takes no longer than one after another, and no less than the longest aircraft or the work shared out', () => {
		fc.assert(
			fc.property(queues, people, (all, count) => {
				const sum = (jobs: readonly Named[]) => jobs.reduce((total, { minutes }) => total + minutes, 0);
				const length = lengthMin(run<Named>(all, count));
				expect(length).toBeLessThanOrEqual(sum(all.flat()));
				for (const jobs of all) expect(length).toBeGreaterThanOrEqual(sum(jobs));
				const attended = all.flat().filter(({ unattended }) => !unattended);
				expect(length).toBeGreaterThanOrEqual(sum(attended) / count);
			}),
		);
	});
	it('one person works on the second aircraft while the first cools down', () => {
		const cool = { minutes: 120, unattended: true as const };
		const work = { minutes: 30 };
		expect(
			lengthMin(
				run(
					[
						[cool, work],
						[work, work, work],
					],
					1,
				),
			),
		).toBe(150);
	});
	it('five aircraft of an hour take two people three hours, five people one', () => {
		const all = Array.from({ length: 5 }, () => [{ minutes: 20 }, { minutes: 40 }]);
		expect(lengthMin(run(all, 5))).toBe(60);
		expect(lengthMin(run(all, 2))).toBeLessThanOrEqual(180);
		expect(lengthMin(run(all, 1))).toBe(300);
	});
});
