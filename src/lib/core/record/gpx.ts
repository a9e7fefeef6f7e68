import { gpx } from '@tmcw/togeojson';
import { DOMParser } from '@xmldom/xmldom';
import { InputError } from '../frames/inputError';

export interface GeodeticTrack {
	t: number[];
	lat: number[];
	lon: number[];
	alt: number[];
}

/**
 * The longest track of a GPX file with a time at every point: seconds from its first point, degrees, metres.
 * @throws InputError naming the file and the point.
 */
export function readGpx(text: string, fileName: string): GeodeticTrack {
	if (text.trim() === '') throw new InputError('empty', fileName, `${fileName} is empty.`);
	let fault = '';
	const note = (level: string, message: string) => {
		if (level !== 'warning') fault ||= message;
	};
	let doc;
	try {
		doc = new DOMParser({ onError: note }).parseFromString(text.replace(/^\uFEFF/, ''), 'text/xml');
	} catch (error) {
		fault ||= error instanceof Error ? error.message : 'unreadable';
	}
	if (fault || !doc)
		throw new InputError('not-xml', fileName, `${fileName} is not readable GPX: ${fault.split('\n')[0]}`);
	const lines = gpx(doc as unknown as Document).features.flatMap(({ geometry, properties }) => {
		if (geometry?.type !== 'LineString') return [];
		const times: unknown = properties?.coordinateProperties?.times;
		return Array.isArray(times) ? [{ points: geometry.coordinates, times }] : [];
	});
	const longest = lines.toSorted((a, b) => b.points.length - a.points.length)[0];
	if (!longest) throw new InputError('no-track', fileName, `${fileName} holds no track with times.`);
	const track: GeodeticTrack = { t: [], lat: [], lon: [], alt: [] };
	longest.points.forEach(([lon, lat, alt], k) => {
		const at = Date.parse(String(longest.times[k]));
		if (!Number.isFinite(at))
			throw new InputError('no-time', `point.${k + 1}`, `${fileName}, point ${k + 1}: no readable time.`);
		track.t.push(at / 1000);
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
