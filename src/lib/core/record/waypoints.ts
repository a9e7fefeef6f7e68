import { DOMImplementation, XMLSerializer } from '@xmldom/xmldom';

/** A named place for other programs. */
export interface Waypoint {
	name: string;
	note: string;
	latDeg: number;
	lonDeg: number;
}

const GPX = 'http://www.topografix.com/GPX/1/1';

/** Places as a GPX 1.1 file of waypoints. */
export function waypointsGpx(points: readonly Waypoint[]): string {
	const doc = new DOMImplementation().createDocument(GPX, 'gpx', null);
	const root = doc.documentElement;
	if (!root) throw new Error('a new document has a root');
	root.setAttribute('version', '1.1');
	root.setAttribute('creator', 'Winglogos');
	for (const { name, note, latDeg, lonDeg } of points) {
		const wpt = doc.createElementNS(GPX, 'wpt');
		wpt.setAttribute('lat', latDeg.toFixed(7));
		wpt.setAttribute('lon', lonDeg.toFixed(7));
		for (const [tag, text] of [
			['name', name],
			['desc', note],
		] as const) {
			const child = doc.createElementNS(GPX, tag);
			child.appendChild(doc.createTextNode(text));
			wpt.appendChild(child);
		}
		root.appendChild(wpt);
	}
	return `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(doc)}\n`;
}
