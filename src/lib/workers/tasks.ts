import type { computing, Feed } from './computing';
import type { filing } from './filing';

type Computing = typeof computing;
type Filing = typeof filing;
/** Every task of the workers by name: its input, its answer. */
type Tasks = Computing & Filing;
export type { Feed };
export type TaskName = keyof Tasks;
export type TaskInput<K extends TaskName> = Parameters<Tasks[K]>[0];
export type TaskAnswer<K extends TaskName> = Awaited<ReturnType<Tasks[K]>>;

/** The tasks of the second worker: a fit does not load what reads and writes files. */
const FILING: { readonly [K in keyof Filing]: true } = {
	checkImport: true,
	planImport: true,
	applyImport: true,
	exportBackup: true,
	makeDemo: true,
	makePdf: true,
};
export type WorkerName = 'computing' | 'filing';
/** The worker that has a task. */
export const workerOf = (name: TaskName): WorkerName => (name in FILING ? 'filing' : 'computing');
