/** Work on one aircraft that takes its time. */
export interface Job {
	minutes: number;
	/** Needs nobody once it has begun, such as cooling down. */
	unattended?: true;
}

export interface Slot<J extends Job> {
	job: J;
	/** Minutes from the first start. */
	startMin: number;
	/** Index of the person who does it; null where it needs nobody. */
	person: number | null;
}

/**
 * Schedules queues of jobs, each queue in its order on one aircraft, on a number of people in parallel. Of the jobs that can begin
 * first, the one with the most work left behind it is taken first (list scheduling by the critical path); who has been free longest does
 * it. Slots come in order of their start.
 */
export function schedule<J extends Job>(queues: readonly (readonly J[])[], people: number): Slot<J>[] {
	const freeAt = Array.from({ length: Math.max(1, people) }, () => 0);
	const lines = queues.map((jobs) => ({ jobs: [...jobs], freeAt: 0 }));
	const slots: Slot<J>[] = [];
	for (;;) {
		const firstFree = Math.min(...freeAt);
		const next = lines
			.flatMap((line) => {
				const job = line.jobs[0];
				if (!job) return [];
				const behind = line.jobs.reduce((sum, { minutes }) => sum + minutes, 0);
				return [{ line, job, behind, startMin: job.unattended ? line.freeAt : Math.max(line.freeAt, firstFree) }];
			})
			.sort((a, b) => a.startMin - b.startMin || b.behind - a.behind)[0];
		if (!next) return slots.sort((a, b) => a.startMin - b.startMin);
		const { line, job, startMin } = next;
		const person = job.unattended ? null : freeAt.indexOf(firstFree);
		if (person !== null) freeAt[person] = startMin + job.minutes;
		line.freeAt = startMin + job.minutes;
		line.jobs.shift();
		slots.push({ job, startMin, person });
	}
}

/** Minutes from the first start to the last end. */
export const lengthMin = (slots: readonly Slot<Job>[]): number =>
	Math.max(0, ...slots.map(({ startMin, job }) => startMin + job.minutes));

/** A schedule run backwards: the same jobs, ending together as late as they can. */
export function scheduleBack<J extends Job>(queues: readonly (readonly J[])[], people: number): Slot<J>[] {
	const slots = schedule(
		queues.map((jobs) => jobs.toReversed()),
		people,
	);
	const length = lengthMin(slots);
	return slots
		.map((slot) => ({ ...slot, startMin: length - slot.startMin - slot.job.minutes }))
		.sort((a, b) => a.startMin - b.startMin);
}
