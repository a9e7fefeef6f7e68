import { z } from 'zod';
import type { Obstacle } from '../../schema/records';
import { inverseGeodesic } from '../earth/geodesy';
import { InputError } from '../finding/inputError';
import { DEG } from '../frames/angles';
import { firstRows, readTable } from './csv';
import { decimal } from '../math/decimal';

/** An obstacle as a file tells it, seen from the home mark; what a file does not say stays open. */
export type ReadObstacle = Partial<Omit<Obstacle, 'id'>>;

const MOST = 200;

const position = z.array(z.number()).min(2).max(4);
const geometry = z.discriminatedUnion('type', [
	z.object({ type: z.literal('Point'), coordinates: position }),
	z.object({ type: z.literal('LineString'), coordinates: z.array(position).min(2).max(5000) }),
	z.object({ type: z.literal('Polygon'), coordinates: z.array(z.array(position).min(3).max(5000)).min(1).max(100) }),
]);
const feature = z.object({
	type: z.literal('Feature'),
	geometry,
	properties: z.record(z.string(), z.unknown()).nullish(),
});
const collection = z.object({ type: z.literal('FeatureCollection'), features: z.array(feature).min(1).max(MOST) });

const pick = (properties: Record<string, unknown>, names: readonly string[]): unknown =>
	Object.entries(properties).find(([key]) => names.includes(key.toLowerCase()))?.[1];
function numberIn(properties: Record<string, unknown>, names: readonly string[]): number | undefined {
	const found = pick(properties, names);
	const value = typeof found === 'string' ? Number(found) : found;
	return typeof value === 'number' && Number.isFinite(value) ? value : undefined;
}

/** Middle and width of a shape as seen from home: the width is that of all its corners, across and along alike. */
function placed(points: readonly (readonly number[])[], home: { latDeg: number; lonDeg: number }) {
	const seen = points.map(([lon, lat]) => {
		if (Math.abs(lat) > 90 || Math.abs(lon) > 180)
			throw new InputError('not-a-place', 'coordinates', `${lon}, ${lat} is no longitude and latitude.`);
		const { bearingDeg, distanceM } = inverseGeodesic(home.latDeg, home.lonDeg, lat, lon);
		return [distanceM * Math.cos(bearingDeg * DEG), distanceM * Math.sin(bearingDeg * DEG)];
	});
	const ends = [0, 1].map((k) => {
		const along = seen.map((p) => p[k]);
		return [Math.min(...along), Math.max(...along)];
	});
	const [north, east] = ends.map(([low, high]) => (low + high) / 2);
	const widthM = Math.hypot(...ends.map(([low, high]) => high - low));
	const bearingDeg = (Math.atan2(east, north) / DEG + 360) % 360;
	return { bearingDeg, distanceM: Math.hypot(north, east), widthM };
}

function fromGeoJson(text: string, fileName: string, home: { latDeg: number; lonDeg: number }): ReadObstacle[] {
	let raw: unknown;
	try {
		raw = JSON.parse(text);
	} catch {
		throw new InputError('unreadable-json', fileName, `${fileName} is no JSON.`);
	}
	const found = z
		.union([collection.transform(({ features }) => features), feature.transform((f) => [f])])
		.safeParse(raw);
	if (!found.success)
		throw new InputError('not-geojson', fileName, `${fileName} holds no points, lines or areas as GeoJSON has them.`);
	return found.data.map(({ geometry: shape, properties }) => {
		const told = properties ?? {};
		const points =
			shape.type === 'Point'
				? [shape.coordinates]
				: shape.type === 'Polygon'
					? shape.coordinates[0]
					: shape.coordinates;
		const { widthM, ...where } = placed(points, home);
		const width = numberIn(told, ['width', 'widthm', 'diameter']) ?? (shape.type === 'Point' ? undefined : widthM);
		const name = pick(told, ['name', 'title', 'label', 'type', 'kind']);
		return rounded({
			...where,
			...(typeof name === 'string' ? { name } : {}),
			...withNumber('heightM', numberIn(told, ['height', 'heightm', 'h'])),
			...withNumber('widthM', width),
		});
	});
}

const withNumber = (key: 'heightM' | 'widthM', value: number | undefined) =>
	value === undefined ? {} : { [key]: value };

/** As many digits as a survey by paces or a map earns. */
const rounded = (o: ReadObstacle): ReadObstacle => ({
	...o,
	...(o.bearingDeg === undefined ? {} : { bearingDeg: Math.round(o.bearingDeg * 10) / 10 }),
	...(o.distanceM === undefined ? {} : { distanceM: Math.round(o.distanceM * 10) / 10 }),
	...(o.widthM === undefined ? {} : { widthM: Math.round(o.widthM * 10) / 10 }),
});

const COLUMNS = {
	name: /^(name|what|title)/i,
	bearingDeg: /^(bearing|toward|direction|azimuth)/i,
	distanceM: /^(distance|range)/i,
	heightM: /^(height|top)/i,
	widthM: /^(width|diameter)/i,
} as const;

function fromTable(text: string, fileName: string): ReadObstacle[] {
	const table = readTable(text, fileName);
	const { headers, lines, decimalComma } = table;
	const at = Object.fromEntries(
		Object.entries(COLUMNS).map(([key, words]) => [key, headers.findIndex((header) => words.test(header.trim()))]),
	) as Record<keyof typeof COLUMNS, number>;
	if (at.bearingDeg < 0 || at.distanceM < 0)
		throw new InputError('no-column', fileName, `${fileName} needs columns named bearing and distance.`);
	return firstRows(table, MOST).map((row, k) => {
		const number = (key: keyof typeof COLUMNS): number | undefined => {
			const cell = at[key] < 0 ? '' : (row[at[key]] ?? '').trim();
			if (cell === '') return undefined;
			const value = decimal(cell, decimalComma);
			if (value === null)
				throw new InputError(
					'not-a-number',
					`line.${lines[k]}`,
					`${fileName}, line ${lines[k]}: "${cell.slice(0, 40)}" is no number.`,
				);
			return value;
		};
		const name = at.name < 0 ? '' : (row[at.name] ?? '').trim();
		return rounded({
			...(name ? { name: name.slice(0, 120) } : {}),
			bearingDeg: number('bearingDeg') ?? 0,
			distanceM: number('distanceM') ?? 0,
			...withNumber('heightM', number('heightM')),
			...withNumber('widthM', number('widthM')),
		});
	});
}

/**
 * Trees, masts, wires and buildings from a file: GeoJSON with positions, or a table with columns named bearing, distance, height,
 * width and name. Bearings and distances from the home mark, metres.
 * @throws InputError naming the file and the line that does not fit.
 */
export const readObstacles = (
	text: string,
	fileName: string,
	home: { latDeg: number; lonDeg: number },
): ReadObstacle[] => (/^\s*\{/.test(text) ? fromGeoJson(text, fileName, home) : fromTable(text, fileName));

/** Obstacles of a place as GeoJSON points, for other programs. */
export function obstaclesGeoJson(
	obstacles: readonly Obstacle[],
	at: (bearingDeg: number, distanceM: number) => { latDeg: number; lonDeg: number },
): string {
	const features = obstacles.map(({ name, bearingDeg, distanceM, heightM, widthM }) => {
		const { latDeg, lonDeg } = at(bearingDeg, distanceM);
		return {
			type: 'Feature',
			geometry: { type: 'Point', coordinates: [lonDeg, latDeg] },
			properties: { name, height: heightM, ...(widthM === undefined ? {} : { width: widthM }) },
		};
	});
	return `${JSON.stringify({ type: 'FeatureCollection', features }, null, '\t')}\n`;
}
