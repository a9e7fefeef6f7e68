/** Small whole files of every kind that is read: what the fuzz begins from. */
export const CORPUS: Record<string, readonly { name: string; text: string }[]> = {
	tables: [
		{ name: 'mag.csv', text: 'time,mag x,mag y,mag z\n0,12.1,-3,41\n0.02,12.2,-3.1,41\n0.04,12,-3,40.8\n' },
		{ name: 'hover.csv', text: 'time (s);north (m);east (m);height (m)\n0;0,1;0;2\n0,2;0,1;0,05;2,1\n' },
		{ name: 'quoted.csv', text: '"t";"a, b";"c"\n1;"2,5";"x ""y"""\n2;;\n' },
	],
	tracks: [
		{
			name: 'a.gpx',
			text: '<?xml version="1.0"?><gpx version="1.1"><trk><trkseg><trkpt lat="54.2" lon="-3.06"><ele>7</ele><time>2026-11-02T09:10:00Z</time></trkpt><trkpt lat="54.2001" lon="-3.06"><ele>8</ele><time>2026-11-02T09:10:05Z</time></trkpt></trkseg></trk></gpx>',
		},
		{
			name: 'a.geojson',
			text: '{"type":"FeatureCollection","features":[{"type":"Feature","properties":{"coordTimes":["2026-11-02T09:10:00Z","2026-11-02T09:10:05Z"]},"geometry":{"type":"LineString","coordinates":[[-3.06,54.2,7],[-3.0601,54.2,8]]}}]}',
		},
		{
			name: 'a.kml',
			text: '<kml xmlns="http://www.opengis.net/kml/2.2" xmlns:gx="http://www.google.com/kml/ext/2.2"><Placemark><gx:Track><when>2026-11-02T09:10:00Z</when><when>2026-11-02T09:10:05Z</when><gx:coord>-3.06 54.2 7</gx:coord><gx:coord>-3.0601 54.2 8</gx:coord></gx:Track></Placemark></kml>',
		},
	],
	obstacles: [
		{ name: 'trees.csv', text: 'name,bearing,distance,height,width\nash,40,60,12,8\nmast,200,150,31,\n' },
		{
			name: 'trees.geojson',
			text: '{"type":"FeatureCollection","features":[{"type":"Feature","properties":{"name":"ash","height":12},"geometry":{"type":"Point","coordinates":[-3.0605,54.2003]}}]}',
		},
	],
	settings: [
		{ name: 'a.txt', text: 'return height = 40\nlink lost = return\nlow battery, % = 30\n' },
		{ name: 'a.json', text: '{"return height":40,"modes":{"left":"self-level"}}' },
	],
	lists: [
		{
			name: 'list.json',
			text: '{"format":"winglogos-checklist-1","list":{"items":[{"id":"own-1","station":"plan","text":"Gloves packed","why":"","type":"tick","weight":"caution"}],"off":[],"order":[],"limits":{},"changedAt":"2026-11-02T09:00:00.000Z"}}',
		},
	],
	receiver: [
		{
			name: 'receiver.txt',
			text: '$GPGGA,091000.00,5412.0000,N,00303.6000,W,1,15,0.8,7.0,M,50.0,M,,*51\r\n$GPRMC,091000.00,A,5412.0000,N,00303.6000,W,0.0,0.0,021126,,,A*60\r\n$GPGSV,1,1,02,01,40,083,46,02,17,308,41*72\r\n',
		},
	],
};
