const ours = 'Winglogos, tried on a machine of two cores';

/** What a JSON body may be made of. */
export const bodyLimits = {
	depth: { value: 16, unit: '', why: 'the deepest request has 6 levels', source: ours },
	parts: {
		value: 250_000,
		unit: '',
		why: 'the fullest request, 40 hovers of 500 marks, has 180 000 lists, objects and texts',
		source: ours,
	},
} as const;

/** What one server takes on at a time. */
export const poolLimits = {
	bodyBytes: {
		value: 32 * 1024 * 1024,
		unit: 'B',
		why: 'a day of a receiver, an hour of a log at 100 Hz',
		source: ours,
	},
	smallBytes: { value: 1024 * 1024, unit: 'B', why: 'computed within half a second', source: ours },
	threads: { value: 4, unit: '', why: 'for large and for small requests each, at most', source: ours },
	waiting: { value: 16, unit: '', why: 'a queue that is longer is answered later than a caller waits', source: ours },
	mostMs: { value: 60_000, unit: 'ms', why: 'the largest log takes a tenth of it', source: ours },
	turnMs: { value: 10_000, unit: 'ms', why: 'nobody keeps a thread longer while others wait', source: ours },
	heapMb: { value: 1536, unit: 'MB', why: 'a body of 32 MiB read as JSON', source: ours },
	idleMs: { value: 30_000, unit: 'ms', why: 'starting a thread takes a quarter of a second', source: ours },
	retryAfterS: { value: 5, unit: 's', why: 'most requests are done by then', source: ours },
} as const;
