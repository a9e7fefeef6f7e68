import { directGeodesic } from '../core/earth/geodesy';
import type { Rng } from '../core/math/random';
import { ggaBodies, gsaBodies, gsvBodies, PLAIN_DIALECT, type ReceiverDialect, type Vehicle } from './receiverDialect';

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
	/** How it words its sentences; the plain one where left out. */
	dialect?: ReceiverDialect;
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

const SKY_SIZE = 20;
const SATELLITES_GROW_S = 8;

/** A simulated receiver: give it the time since power-on in order, get the lines of that instant. */
export function receiverOf(truth: ReceiverTruth, rng: Rng): (tS: number) => string[] {
	const dialect = truth.dialect ?? PLAIN_DIALECT;
	const sky: Vehicle[] = Array.from({ length: SKY_SIZE }, (_, k) => {
		const elevationDeg = Math.round(8 + 76 * rng.uniform());
		return {
			system: dialect.systems[k % dialect.systems.length],
			id: Math.floor(k / dialect.systems.length) + 1,
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
		const inUse = sky.slice(0, used);
		const gga = ggaBodies(dialect, inUse, {
			time,
			place,
			quality: fix ? 1 : 0,
			hdop: hdop.toFixed(2),
			altM: fix ? (truth.altM + wander[2]).toFixed(1) : '',
		});
		const mode = dialect.modeLetter ? `,${fix ? 'A' : 'N'}` : '';
		const rmc = `GNRMC,${time},${fix ? 'A' : 'V'},${place},${fix ? '0.04' : ''},,${truth.ddmmyy},,${mode}`;
		const wholeSecond = Math.abs(tS - Math.round(tS)) < 1e-6;
		const slow = wholeSecond ? [...gsaBodies(dialect, inUse, fix, hdop), ...gsvBodies(dialect, sky)] : [];
		const lines = [...gga, rmc, ...slow].map(sentence);
		return lines.map((line) =>
			rng.uniform() < truth.brokenShare
				? line.slice(0, 10) + String.fromCharCode(33 + 60 * rng.uniform()) + line.slice(11)
				: line,
		);
	};
}
