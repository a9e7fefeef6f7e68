import { imuOf } from '../../src/lib/rig/imu';
import { imuTruth, NO_FAULTS, receiverTruth, rigHover } from '../../src/lib/rig/rig';
import { receiverOf } from '../../src/lib/rig/receiver';
import { RECIPES, scriptedHands } from '../../src/lib/rig/turning';
import { seededRng } from '../../src/lib/core/math/random';
import { directGeodesic } from '../../src/lib/core/earth/geodesy';

const PLACE = { latDeg: 54.2113, lonDeg: -3.0642, altM: 7 };

/** A compass log as a builder's logger writes it. */
export function compassCsv(seed = 5): string {
	const date = new Date().toISOString().slice(0, 10);
	const rng = seededRng(seed);
	const { motion, durationS } = scriptedHands(RECIPES.thorough, rng);
	const read = imuOf(imuTruth(seed, { ...NO_FAULTS, softIron: true }, PLACE, date), motion, rng);
	const rows = Array.from({ length: Math.floor(durationS * 25) }, (_, k) => {
		const s = read(k / 25);
		return [s.tS.toFixed(3), ...s.magUt.map((v) => v.toFixed(2)), ...s.accelMps2.map((v) => v.toFixed(3))].join(',');
	});
	return ['time [s],mag_x [uT],mag_y [uT],mag_z [uT],accel_x [m/s2],accel_y [m/s2],accel_z [m/s2]', ...rows].join('\n');
}

export function receiverText(seed = 6): string {
	const read = receiverOf(receiverTruth(NO_FAULTS, PLACE), seededRng(seed));
	return Array.from({ length: 80 * 5 }, (_, k) => read(k / 5))
		.flat()
		.join('\r\n');
}

export function hoverCsv(headingErrorDeg: number, seed = 7): string {
	const { log } = rigHover(seed, { ...NO_FAULTS, headingErrorDeg });
	const rows = log.t.map((t, i) =>
		[t, log.north[i].toFixed(3), log.east[i].toFixed(3), log.up[i].toFixed(3)].join(';'),
	);
	return ['time [s];north [m];east [m];up [m]', ...rows].join('\n').replaceAll('.', ',');
}

export function hoverGpx(seed = 8): string {
	const { log } = rigHover(seed, NO_FAULTS);
	const points = log.t.map((t, i) => {
		const at = directGeodesic(
			PLACE.latDeg,
			PLACE.lonDeg,
			(Math.atan2(log.east[i], log.north[i]) * 180) / Math.PI,
			Math.hypot(log.east[i], log.north[i]),
		);
		const time = new Date(Date.UTC(2026, 4, 14, 10) + 1000 * t).toISOString();
		return `<trkpt lat="${at.latDeg.toFixed(8)}" lon="${at.lonDeg.toFixed(8)}"><ele>${(log.up[i] + 7).toFixed(2)}</ele><time>${time}</time></trkpt>`;
	});
	return `<?xml version="1.0"?><gpx version="1.1" creator="test"><trk><trkseg>${points.join('')}</trkseg></trk></gpx>`;
}

/** Metres a second north, east, up, for so many seconds. */
type Stretch = readonly [seconds: number, north: number, east: number, up: number];

/**
 * A whole flight as a radio writes its log: times of day of whole tenths, latitude and longitude in one column, volts; take-off, a
 * hover, a leg out, a wait, a return that climbs, a pause, a landing two metres off.
 */
export function wholeFlightCsv(seed = 9, flights = 1): string {
	const rng = seededRng(seed);
	const once: readonly Stretch[] = [
		[6, 0, 0, 0],
		[8, 0, 0, 1.5],
		[45, 0, 0, 0],
		[20, 5, 0, 0],
		[9, 0, 0, 0],
		[5, 0, 0, 2],
		[20, -5, 0.1, 0],
		[4, 0, 0, 0],
		[15, 0, 0, -1.5],
		[5, 0, 0, 0],
	];
	const stretches = Array.from({ length: flights }, () => once).flat();
	const rows: string[] = [];
	let [n, e, u, t] = [0, 0, 0, 35_990];
	let [wn, we] = [0, 0];
	for (const [seconds, vn, ve, vu] of stretches)
		for (let k = 0; k < seconds * 5; k++) {
			[wn, we] = [0.97 * wn + 0.04 * rng.normal(), 0.97 * we + 0.04 * rng.normal()];
			const lat = PLACE.latDeg + (n + wn) / 111_300;
			const lon = PLACE.lonDeg + (e + we) / (111_300 * Math.cos((PLACE.latDeg * Math.PI) / 180));
			const pad = (v: number) => String(Math.floor(v)).padStart(2, '0');
			const clock = `${pad(t / 3600)}:${pad((t % 3600) / 60)}:${(t % 60).toFixed(1).padStart(4, '0')}`;
			rows.push(
				[
					clock,
					`${lat.toFixed(7)} ${lon.toFixed(7)}`,
					(7 + Math.max(0, u) + 0.05 * rng.normal()).toFixed(2),
					12,
					(16.6 - t / 1e5).toFixed(2),
				].join(','),
			);
			[n, e, u, t] = [n + vn / 5, e + ve / 5, u + vu / 5, t + 0.2];
		}
	return ['Time,GPS,Alt(m),Sats,VBat(V)', ...rows].join('\n');
}
