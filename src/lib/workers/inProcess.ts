import { computing } from './computing';
import { filing } from './filing';
import type { Feed, TaskAnswer, TaskInput, TaskName } from './tasks';

/** What crosses into a worker is cloned: what cannot be cloned fails here as well. Files lose their names in Node.js and stay. */
const crossed = <T>(input: T): T => {
	const files = input instanceof File || Object.values(input ?? {}).some((value) => value instanceof File);
	return files ? input : structuredClone(input);
};

/** The worker's tasks without a worker, for tests of what uses them: same door, same refusals, cancelled like the real one. */
export async function call<K extends TaskName>(
	name: K,
	input: TaskInput<K>,
	{ signal, progress, feed }: { signal?: AbortSignal; progress?: (share: number) => void; feed?: Feed } = {},
): Promise<TaskAnswer<K>> {
	signal?.throwIfAborted();
	const stopped = new Promise<never>((_, reject) =>
		signal?.addEventListener('abort', () => reject(new DOMException('Stopped', 'AbortError')), { once: true }),
	);
	const run = { ...computing, ...filing }[name] as (
		input: unknown,
		progress?: (share: number) => void,
		feed?: Feed,
	) => unknown;
	const computed = Promise.resolve().then(() => run(crossed(input), progress, feed));
	return (await Promise.race([computed, stopped])) as TaskAnswer<K>;
}
