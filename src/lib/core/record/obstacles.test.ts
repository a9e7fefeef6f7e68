import { describe, expect, it } from 'vitest';
import { directGeodesic } from '../earth/geodesy';
import { obstaclesGeoJson, readObstacles } from './obstacles';

const HOME = { latDeg: 54.2, lonDeg: -3.06 };
const at = (bearingDeg: number, distanceM: number) => directGeodesic(HOME.latDeg, HOME.lonDeg, bearingDeg, distanceM);

describe('obstacles of a place', () => {
	it('come back from GeoJSON as they went out', () => {
		const own = [
			{ id: '1', name: 'Poplars', bearingDeg: 40, distanceM: 120, heightM: 22, widthM: 30 },
			{ id: '2', name: 'Mast', bearingDeg: 300, distanceM: 800, heightM: 45 },
		];
		const read = readObstacles(obstaclesGeoJson(own, at), 'site.geojson', HOME);
		read.forEach((o, k) => {
			expect(o).toMatchObject({ name: own[k].name, heightM: own[k].heightM });
			expect(o.bearingDeg).toBeCloseTo(own[k].bearingDeg, 0);
			expect(o.distanceM).toBeCloseTo(own[k].distanceM, 0);
		});
		expect(read[1].widthM).toBeUndefined();
	});

	it('of an area are its middle and its width; what is not told stays open', () => {
		const corner = (b: number, d: number) => [at(b, d).lonDeg, at(b, d).latDeg];
		const area = {
			type: 'Polygon',
			coordinates: [[corner(80, 100), corner(100, 100), corner(90, 140), corner(80, 100)]],
		};
		const [o] = readObstacles(JSON.stringify({ type: 'Feature', geometry: area, properties: null }), 'a.json', HOME);
		expect(o.bearingDeg).toBeCloseTo(90, 0);
		expect(o.distanceM).toBeGreaterThan(100);
		expect(o.widthM).toBeGreaterThan(40);
		expect(o).not.toHaveProperty('heightM');
	});

	it('are read from a table, with a decimal comma too', () => {
		const csv = 'name;bearing;distance;height\nTree;45;30,5;12\nWire;90;50;\n';
		expect(readObstacles(csv, 'o.csv', HOME)).toEqual([
			{ name: 'Tree', bearingDeg: 45, distanceM: 30.5, heightM: 12 },
			{ name: 'Wire', bearingDeg: 90, distanceM: 50 },
		]);
	});

	it.each([
		['o.json', '{"type": "Feature"}', /no points, lines or areas/],
		['o.json', '{ broken', /no JSON/],
		['o.csv', 'a,b\n1,2\n', /columns named bearing and distance/],
		['o.csv', 'bearing,distance\n1,2\n3,x\n', /line 3: "x" is no number/],
	])('%s with %s is refused by name', (name, text, words) => {
		expect(() => readObstacles(text, name, HOME)).toThrow(words);
	});
});
