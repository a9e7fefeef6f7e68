import { gpx } from '@tmcw/togeojson';
import { DOMParser } from '@xmldom/xmldom';
import { expect, it } from 'vitest';
import { waypointsGpx } from './waypoints';

it('places come back from a GPX file, whatever their names', () => {
	const points = [
		{ name: 'fell <here> & "there"', note: '20 m around', latDeg: 54.2113, lonDeg: -3.0642 },
		{ name: 'last', note: '', latDeg: -33.5, lonDeg: 170.25 },
	];
	const doc = new DOMParser().parseFromString(waypointsGpx(points), 'text/xml');
	const { features } = gpx(doc as unknown as Document) as {
		features: { properties: { name?: string } | null; geometry: unknown }[];
	};
	expect(features.map((f) => f.properties?.name)).toEqual(points.map(({ name }) => name));
	expect(features.map((f) => f.geometry)).toEqual(
		points.map(({ latDeg, lonDeg }) => ({ type: 'Point', coordinates: [lonDeg, latDeg] })),
	);
});
