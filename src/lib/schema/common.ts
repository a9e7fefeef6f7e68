import { z } from 'zod';
import { listOf } from './lists';
import './messages';

export const verdictSchema = z.enum(['pass', 'caution', 'fail']);
export type Verdict = z.infer<typeof verdictSchema>;

const argSchema = z.union([z.string(), z.number(), z.boolean(), z.null(), z.array(z.string()).readonly()]);

/** What words a message again in other units: the key of its wording and its arguments in SI units. */
export const wordingSchema = z.object({ key: z.string(), args: z.record(z.string(), argSchema).readonly() });

export const reasonSchema = z.object({
	code: z.string(),
	/** As it was shown, in SI units. */
	text: z.string(),
	value: z.number().optional(),
	limit: z.number().optional(),
	unit: z.string().optional(),
	level: verdictSchema.optional(),
	source: z.string().optional(),
	next: z.string().optional(),
	wording: wordingSchema.optional(),
});
export type Reason = z.infer<typeof reasonSchema>;

/** Every answer carries these two. Reasons stand worst first. */
export const judgedShape = { verdict: verdictSchema, reasons: z.array(reasonSchema) };

export const vec3Schema = z.tuple([z.number(), z.number(), z.number()]).readonly();
export const mat3Schema = z.tuple([vec3Schema, vec3Schema, vec3Schema]).readonly();

const isoDate = z.string().refine((text) => {
	const at = Date.parse(`${text}T00:00:00Z`);
	return /^\d{4}-\d{2}-\d{2}$/.test(text) && Number.isFinite(at) && new Date(at).toISOString().startsWith(text);
}, 'must be a calendar date YYYY-MM-DD');

export const dateSchema = isoDate;
export const latDegSchema = z.number().min(-90).max(90);
export const lonDegSchema = z.number().min(-180).max(180);
export const altMSchema = z.number().min(-1000).max(100_000);

export const sitePointSchema = z.object({
	latDeg: latDegSchema,
	lonDeg: lonDegSchema,
	altM: altMSchema,
	date: dateSchema,
});

const MAX_SAMPLES = 1_000_000;

/** No sensor shows more, in any unit of ours: beyond it a number is a slip of the log or of the line. */
export const MOST_READING = 1e9;

const column = listOf(z.number().min(-MOST_READING).max(MOST_READING), MAX_SAMPLES);

/** Checks shared by every series of columns: not empty, equal lengths, strictly increasing time. */
export function checkColumns(
	columns: Record<string, readonly number[] | undefined>,
	ctx: z.core.$RefinementCtx,
	times: readonly number[],
) {
	const fail = (path: (string | number)[], message: string) => ctx.addIssue({ code: 'custom', path, message });
	if (times.length === 0) fail(['t'], 'is empty');
	for (const [name, values] of Object.entries(columns))
		if (values && values.length !== times.length)
			fail([name], `has ${values.length} values, t has ${times.length}: all columns must be the same length`);
	for (let i = 1; i < times.length; i++)
		if (!(times[i] > times[i - 1])) {
			fail(['t', i], 'time must increase strictly');
			break;
		}
}

export const seriesSchema = z
	.object({ t: column, x: column, y: column, z: column })
	.superRefine(({ t, x, y, z: down }, ctx) => checkColumns({ x, y, z: down }, ctx, t));

/** A series as the core takes it: parsed arrays from a request, or columns handed over from a file without copying. */
export interface Series {
	t: ArrayLike<number>;
	x: ArrayLike<number>;
	y: ArrayLike<number>;
	z: ArrayLike<number>;
}

/** Fields of a thing as far as they are entered: one that was emptied is undefined. */
export type Draft<T> = { [K in keyof T]?: T[K] | undefined };
