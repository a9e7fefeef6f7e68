import { directGeodesic } from '../core/earth/geodesy';
import type { Rng } from '../core/frames/random';

/** What is true of the simulated receiver and its sky. */
export interface ReceiverTruth {
	latDeg: number;
	lonDeg: number;
	altM: number;
	/** Seconds from power-on to the first fix. */
	firstFixS: number;
	/** Satellites used once settled. */
	satellites: number;
	hdop: number;
	/** Slow wander of the fix, metres RMS, and its time constant. */
	wanderM: number;
	wanderS: number;
	/** Share of lines that arrive broken. */
	brokenShare: number;
	/** UTC of power-on, seconds of the day, and the date as ddmmyy. */
	startTod: number;
	ddmmyy: string;
}

const two = (n: number) => String(Math.floor(n)).padStart(2, '0');

const checksum = (body: string) => {
	let sum = 0;
	for (let i = 0; i < body.length; i++) sum ^= body.charCodeAt(i);
	return sum.toString(16).toUpperCase().padStart(2, '0');
};

/** A whole sentence with its checksum. */
export const sentence = (body: string): string => `$${body}*${checksum(body)}`;

function coordinate(deg: number, digits: number, positive: string, negative: string): string {
	const size = Math.abs(deg);
	const whole = Math.floor(size);
	const minutes = ((size - whole) * 60).toFixed(5).padStart(8, '0');
	return `${String(whole).padStart(digits, '0')}${minutes},${deg < 0 ? negative : positive}`;
}

interface Vehicle {
	prn: number;
	elevationDeg: number;
	azimuthDeg: number;
	snrDb: number;
}

const SKY_SIZE = 20;
const SATELLITES_GROW_S = 8;

/** A simulated receiver: give it the time since power-on in order, get the lines of that instant. */
export function receiverOf(truth: ReceiverTruth, rng: Rng): (tS: number) => string[] {
	const sky: Vehicle[] = Array.from({ length: SKY_SIZE }, (_, k) => {
		const elevationDeg = Math.round(8 + 76 * rng.uniform());
		return {
			prn: k + 1,
			elevationDeg,
			azimuthDeg: Math.round(359 * rng.uniform()),
			snrDb: Math.round(26 + 0.22 * elevationDeg + 3 * rng.normal()),
		};
	}).sort((a, b) => b.elevationDeg - a.elevationDeg);
	let wander = [truth.wanderM * rng.normal(), truth.wanderM * rng.normal(), 1.6 * truth.wanderM * rng.normal()];
	let before = 0;
	return (tS) => {
		const keep = Math.exp(-Math.max(0, tS - before) / truth.wanderS);
		const kick = Math.sqrt(1 - keep * keep);
		wander = wander.map((value, k) => keep * value + kick * truth.wanderM * (k === 2 ? 1.6 : 1) * rng.normal());
		before = tS;
		const tod = (truth.startTod + tS) % 86_400;
		const time = `${two(tod / 3600)}${two((tod / 60) % 60)}${(tod % 60).toFixed(2).padStart(5, '0')}`;
		const sinceFix = tS - truth.firstFixS;
		const fix = sinceFix >= 0;
		const grown = Math.max(0, Math.min(1, sinceFix / SATELLITES_GROW_S));
		const used = fix ? Math.min(truth.satellites, Math.round(4 + (truth.satellites - 4) * grown)) : 0;
		const hdop = fix ? truth.hdop + 3 * (1 - grown) : 99.99;
		const at = directGeodesic(
			truth.latDeg,
			truth.lonDeg,
			(Math.atan2(wander[1], wander[0]) * 180) / Math.PI,
			Math.hypot(wander[0], wander[1]),
		);
		const place = fix ? `${coordinate(at.latDeg, 2, 'N', 'S')},${coordinate(at.lonDeg, 3, 'E', 'W')}` : ',,,';
		const lines = [
			sentence(
				`GNGGA,${time},${place},${fix ? 1 : 0},${two(Math.min(12, used))},${hdop.toFixed(2)},${fix ? (truth.altM + wander[2]).toFixed(1) : ''},M,50.2,M,,`,
			),
			sentence(`GNRMC,${time},${fix ? 'A' : 'V'},${place},${fix ? '0.04' : ''},,${truth.ddmmyy},,,${fix ? 'A' : 'N'}`),
		];
		if (Math.abs(tS - Math.round(tS)) < 1e-6) {
			const ids = sky.slice(0, used).map(({ prn }) => two(prn));
			for (let k = 0; k < Math.max(1, Math.ceil(used / 12)); k++) {
				const part = ids.slice(12 * k, 12 * k + 12);
				const filled = [...part, ...Array<string>(12 - part.length).fill('')].join(',');
				lines.push(
					sentence(
						`GNGSA,A,${fix ? 3 : 1},${filled},${(hdop * 1.7).toFixed(2)},${hdop.toFixed(2)},${(hdop * 1.4).toFixed(2)},1`,
					),
				);
			}
			const pages = Math.ceil(SKY_SIZE / 4);
			for (let page = 0; page < pages; page++) {
				const blocks = sky
					.slice(4 * page, 4 * page + 4)
					.map(
						(v) =>
							`${two(v.prn)},${two(v.elevationDeg)},${String(v.azimuthDeg).padStart(3, '0')},${two(Math.max(0, v.snrDb))}`,
					);
				lines.push(sentence(`GPGSV,${pages},${page + 1},${SKY_SIZE},${blocks.join(',')}`));
			}
		}
		return lines.map((line) =>
			rng.uniform() < truth.brokenShare
				? line.slice(0, 10) + String.fromCharCode(33 + 60 * rng.uniform()) + line.slice(11)
				: line,
		);
	};
}
