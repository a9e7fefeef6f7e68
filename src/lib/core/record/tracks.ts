import { gpx, kml } from '@tmcw/togeojson';
import { DOMParser } from '@xmldom/xmldom';
import { z } from 'zod';
import { InputError } from '../finding/inputError';

export interface GeodeticTrack {
	t: number[];
	lat: number[];
	lon: number[];
	alt: number[];
}

/** A line of places with whatever stands for their times. */
interface Line {
	points: readonly (readonly number[])[];
	times: readonly unknown[];
}

const positionSchema = z.array(z.number()).min(2);
const timeSchema = z.union([z.string(), z.number()]);
/** Times of a line, or of each part of a line in parts. */
const timesSchema = z.union([z.array(timeSchema), z.array(z.array(timeSchema)).transform((parts) => parts.flat())]);
const featureSchema = z.object({
	geometry: z
		.union([
			z.object({ type: z.literal('LineString'), coordinates: z.array(positionSchema) }),
			z.object({ type: z.literal('MultiLineString'), coordinates: z.array(z.array(positionSchema)) }),
			z.object({ type: z.literal('Point'), coordinates: positionSchema }),
			z.object({ type: z.string() }),
		])
		.nullable(),
	properties: z.record(z.string(), z.unknown()).nullish(),
});
const collectionSchema = z.union([
	z
		.object({ type: z.literal('FeatureCollection'), features: z.array(featureSchema) })
		.transform(({ features }) => features),
	featureSchema.extend({ type: z.literal('Feature') }).transform((feature) => [feature]),
]);
type Feature = z.infer<typeof featureSchema>;

/** Where converters and loggers put the times of a line's points. */
const TIME_KEYS = ['times', 'coordTimes', 'time', 'timestamps'];

function timesOf(properties: Feature['properties']): readonly unknown[] | null {
	const nested: unknown = properties?.coordinateProperties;
	const places = [properties, nested && typeof nested === 'object' ? (nested as Record<string, unknown>) : null];
	for (const place of places)
		for (const key of TIME_KEYS) {
			const found = timesSchema.safeParse(place?.[key]);
			if (found.success) return found.data;
		}
	return null;
}

/** Points of a line, or of all parts of a line that was recorded with pauses; null for any other geometry. */
function pointsOf(geometry: NonNullable<Feature['geometry']>): readonly (readonly number[])[] | null {
	if (!('coordinates' in geometry)) return null;
	if (geometry.type === 'LineString') return geometry.coordinates;
	return geometry.type === 'MultiLineString' ? geometry.coordinates.flat() : null;
}

/** Lines with times, and points with a time each taken together as one line. */
function linesOf(features: readonly Feature[], fileName: string): Line[] {
	const lines: Line[] = [];
	const loose: { point: readonly number[]; time: unknown }[] = [];
	for (const { geometry, properties } of features) {
		if (!geometry || !('coordinates' in geometry)) continue;
		const points = pointsOf(geometry);
		if (points) {
			const times = timesOf(properties);
			if (!times) continue;
			if (times.length !== points.length)
				throw new InputError(
					'no-time',
					`point.${Math.min(times.length, points.length) + 1}`,
					`${fileName} has ${points.length} points and ${times.length} times: every point needs one.`,
				);
			lines.push({ points, times });
			continue;
		}
		const time = TIME_KEYS.map((key) => properties?.[key]).find((v) => typeof v === 'string' || typeof v === 'number');
		if (geometry.type === 'Point' && time !== undefined) loose.push({ point: geometry.coordinates, time });
	}
	if (loose.length > 1) lines.push({ points: loose.map(({ point }) => point), times: loose.map(({ time }) => time) });
	return lines;
}

const bare = (text: string) => text.replace(/^\uFEFF/, '');

const noTime = (fileName: string, k: number) =>
	new InputError('no-time', `point.${k + 1}`, `${fileName}, point ${k + 1}: no readable time.`);

/** A point of a GPX track that is nowhere would be left out without a word. @throws InputError naming it. */
function checkPoints(doc: Document, fileName: string): void {
	const points = doc.getElementsByTagName('trkpt');
	const timed = Array.from({ length: points.length }, (_, k) => points[k].getElementsByTagName('time').length > 0);
	if (timed.includes(true) && timed.includes(false)) throw noTime(fileName, timed.indexOf(false));
	for (let k = 0; k < points.length; k++)
		for (const [name, most] of [
			['lat', 90],
			['lon', 180],
		] as const) {
			const told = points[k].getAttribute(name) ?? '';
			if (told.trim() !== '' && Math.abs(Number(told)) <= most) continue;
			throw new InputError(
				'no-place',
				`point.${k + 1}`,
				`${fileName}, point ${k + 1}: ${name}="${told.slice(0, 40)}" is no place.`,
			);
		}
}

function featuresOfXml(text: string, fileName: string, read: typeof gpx, kind: string): readonly Feature[] {
	let fault = '';
	const note = (level: string, message: string) => {
		if (level !== 'warning') fault ||= message;
	};
	let doc;
	try {
		doc = new DOMParser({ onError: note }).parseFromString(bare(text), 'text/xml');
	} catch (error) {
		fault ||= error instanceof Error ? error.message : 'unreadable';
	}
	if (fault || !doc)
		throw new InputError('not-xml', fileName, `${fileName} is not readable ${kind}: ${fault.split('\n')[0]}`);
	checkPoints(doc as unknown as Document, fileName);
	return z.array(featureSchema).parse(read(doc as unknown as Document).features);
}

function featuresOfJson(text: string, fileName: string): readonly Feature[] {
	let value: unknown;
	try {
		value = JSON.parse(bare(text));
	} catch (error) {
		const what = error instanceof Error ? error.message : 'unreadable';
		throw new InputError('not-json', fileName, `${fileName} is not readable GeoJSON: ${what}`);
	}
	const found = collectionSchema.safeParse(value);
	if (found.success) return found.data;
	const [issue] = found.error.issues;
	const path = issue.path.join('.') || 'type';
	throw new InputError('not-geojson', path, `${fileName} is not GeoJSON with features: ${path}: ${issue.message}`);
}

/** Seconds of a point's time: ISO 8601 text, or a number of seconds or milliseconds since 1970. */
function secondsOf(time: unknown): number {
	if (typeof time === 'number') return time > 1e11 ? time / 1000 : time;
	return Date.parse(String(time)) / 1000;
}

/**
 * The longest track with times of a GPX, KML or GeoJSON file, told by its name: seconds from its first point, degrees,
 * metres. KML tracks need their times (`gx:Track`); GeoJSON lines carry them as `times` or `coordTimes`, points as `time`.
 * @throws InputError naming the file, and the point.
 */
export function readTrack(text: string, fileName: string): GeodeticTrack {
	if (text.trim() === '') throw new InputError('empty', fileName, `${fileName} is empty.`);
	const lower = fileName.toLowerCase();
	const features = lower.endsWith('.gpx')
		? featuresOfXml(text, fileName, gpx, 'GPX')
		: lower.endsWith('.kml')
			? featuresOfXml(text, fileName, kml as typeof gpx, 'KML')
			: featuresOfJson(text, fileName);
	const longest = linesOf(features, fileName).toSorted((a, b) => b.points.length - a.points.length)[0];
	if (!longest) throw new InputError('no-track', fileName, `${fileName} holds no track with times.`);
	/** Without any heights the track lies at one height exactly, which no log of a flight does. */
	const heights = longest.points.some(([, , alt]) => alt !== undefined);
	const track: GeodeticTrack = { t: [], lat: [], lon: [], alt: [] };
	longest.points.forEach(([lon, lat, alt], k) => {
		const at = secondsOf(longest.times[k]);
		if (!Number.isFinite(at)) throw noTime(fileName, k);
		if (!(Math.abs(lat) <= 90 && Math.abs(lon) <= 180))
			throw new InputError('no-place', `point.${k + 1}`, `${fileName}, point ${k + 1}: ${lat}, ${lon} is no place.`);
		if (alt === undefined && heights)
			throw new InputError('no-height', `point.${k + 1}`, `${fileName}, point ${k + 1}: no readable height.`);
		track.t.push(at);
		track.lat.push(lat);
		track.lon.push(lon);
		track.alt.push(alt ?? 0);
	});
	const [first] = track.t;
	track.t = track.t.map((at) => at - first);
	const back = track.t.findIndex((at, k) => k > 0 && !(at > track.t[k - 1]));
	if (back > 0)
		throw new InputError(
			'time-not-increasing',
			`point.${back + 1}`,
			`${fileName}, point ${back + 1}: time does not increase.`,
		);
	return track;
}

/** True for a file name that `readTrack` reads. */
export const isTrackFile = (fileName: string): boolean => /\.(gpx|kml|geojson|json)$/i.test(fileName);
