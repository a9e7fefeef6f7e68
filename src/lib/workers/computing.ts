import { nextCue } from '$lib/core/compass/cue';
import { fitCompass } from '$lib/core/compass/review';
import { columnsOf } from '$lib/core/compass/samples';
import type { Mat3 } from '$lib/core/frames/mat3';
import type { Vec3 } from '$lib/core/frames/vec3';
import type { Mark } from '$lib/core/film/background';
import { greyOf, type Frame } from '$lib/core/film/frame';
import { reviewFilm } from '$lib/core/film/reviewFilm';
import type { FilmSetup } from '$lib/core/film/setup';
import { FilmTracker, type FilmTrack } from '$lib/core/film/trackFilm';
import { cutRequest } from '$lib/core/hover/cut';
import { reviewHover } from '$lib/core/hover/review';
import type { LockRule } from '$lib/core/position/lock';
import { reviewGnss } from '$lib/core/position/review';
import { guessColumns, takeColumns, withPairsSplit, type Choices, type Guess } from '$lib/core/record/columns';
import { firstRows, readTable } from '$lib/core/record/csv';
import type { Role } from '$lib/core/record/logRoles';
import { readTrack } from '$lib/core/record/tracks';
import { planHome, type Farthest } from '$lib/core/return/planned';
import { rankSymptoms } from '$lib/core/symptoms/rank';
import { computeOf } from '$lib/instruments/computes';
import type { Finding, Input, Progress, Taken } from '$lib/instruments/instrument';
import { readText } from '$lib/instruments/readText';
import type { Series } from '$lib/schema/common';
import type { CompassRequest } from '$lib/schema/compass';
import type { HoverRequest } from '$lib/schema/hover';
import type { ReturnRequest } from '$lib/schema/return';
import type { SymptomRequest } from '$lib/schema/symptoms';

const CUE_READINGS = 2000;
const SAMPLE_ROWS = 4;

/** A table as the pilot must see it to map its columns, and the columns themselves where it is clear which they are. */
export interface ReadTable {
	headers: string[];
	layout: string;
	rows: number;
	sample: string[][];
	guess: Guess;
	/** Rows from before the first fix that were left out. */
	dropped: number;
	/** The choices that `columns` were taken by; null where the pilot must choose. */
	choices: Choices | null;
	columns: Taken | null;
}

interface TableInput {
	file: File;
	roles: readonly Role[];
	/** Choices made before, by the layout of the table. */
	remembered: Record<string, Choices>;
	/** What the pilot chose for this table. */
	chosen: Choices | null;
}

async function readColumns({ file, roles, remembered, chosen }: TableInput): Promise<ReadTable> {
	const { table, dropped } = withPairsSplit(readTable(await readText(file), file.name));
	const guess = guessColumns(table, roles);
	const known = chosen ?? remembered[table.layout] ?? null;
	const clear = guess.unclear.length === 0 && roles.every(({ name, required }) => !required || name in guess.choices);
	const choices = known ?? (clear ? guess.choices : null);
	return {
		headers: table.headers,
		layout: table.layout,
		rows: table.count,
		sample: firstRows(table, SAMPLE_ROWS).map((cells) => cells.slice(0, table.headers.length)),
		guess,
		choices,
		dropped,
		columns: choices && takeColumns(table, roles, choices, file.name),
	};
}

interface CueInput {
	mag: Pick<Series, 'x' | 'y' | 'z'>;
	inclinationDeg: number;
	options: { down?: Vec3; stayWith?: string; rotation?: Mat3 };
}

function cueOf({ mag, inclinationDeg, options }: CueInput) {
	const step = Math.ceil(mag.x.length / CUE_READINGS);
	const pick = (values: ArrayLike<number>) => (step > 1 ? Array.from(values).filter((_, i) => i % step === 0) : values);
	return nextCue(columnsOf({ x: pick(mag.x), y: pick(mag.y), z: pick(mag.z) }), inclinationDeg, options);
}

/** A picture of a film as the page reads it. */
export interface FilmPicture {
	rgba: Uint8ClampedArray<ArrayBuffer>;
	width: number;
	height: number;
	tS: number;
}
/** Gives the next picture; null after the last. */
export type Feed = () => Promise<FilmPicture | null>;

interface FilmTask {
	/** Pictures spread over the film, and the one that was marked. */
	spread: readonly FilmPicture[];
	first: FilmPicture;
	mark: Mark;
	endS: number;
}

const frameOf = ({ rgba, width, height, tS }: FilmPicture): Frame => ({
	grey: greyOf(rgba, width, height),
	width,
	height,
	tS,
});

async function trackFilm(
	{ spread, first, mark, endS }: FilmTask,
	progress?: Progress,
	feed?: Feed,
): Promise<FilmTrack> {
	const tracker = new FilmTracker(spread.map(frameOf), frameOf(first), mark);
	for (let picture = await feed?.(); picture; picture = await feed?.()) {
		tracker.push(frameOf(picture));
		progress?.((picture.tS - first.tS) / Math.max(1e-3, endS - first.tS));
	}
	return tracker.finish();
}

interface HomeTask {
	request: ReturnRequest;
	farthest: Farthest;
	known: { usedWh?: number; powerSigmaLn: number };
}

/** What is measured and judged, by name: one input, progress where it takes long, nothing stored from one call to the next. */
export const computing = {
	measure: async ({ instrument, input }: { instrument: string; input: Input }, progress?: Progress): Promise<Finding> =>
		(await computeOf(instrument))(input, progress),
	readColumns,
	readTrack: async (file: File) => readTrack(await readText(file), file.name),
	fitCompass: (request: CompassRequest) => fitCompass(request),
	nextCue: cueOf,
	reviewGnss: ({ text, rule }: { text: string; rule: LockRule }, progress?: Progress) =>
		reviewGnss(text, rule, progress),
	reviewHover: (request: HoverRequest, progress?: Progress) => reviewHover(request, progress),
	trackFilm,
	reviewFilm: ({ track, setup }: { track: FilmTrack; setup: FilmSetup }, progress?: Progress) =>
		reviewFilm(track, setup, progress),
	cutFlight: (request: HoverRequest) => cutRequest(request),
	planHome: ({ request, farthest, known }: HomeTask) => planHome(request, farthest, known),
	rankSymptoms: (request: SymptomRequest) => rankSymptoms(request),
};
