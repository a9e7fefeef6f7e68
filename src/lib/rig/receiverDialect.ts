/** How a simulated receiver words what it knows: real ones differ, and all must be read alike. */
export interface ReceiverDialect {
	/** Constellations in use; their satellites stand in turn in the sky. */
	systems: readonly SystemName[];
	/** Talker and marking of GSA: by system id, by talker, or combined with nothing but the satellite's number to tell. */
	gsa: 'system-id' | 'talker' | 'combined';
	/** GSA once more under another talker. */
	gsaAgain: boolean;
	/** Whether GGA stops at twelve, counts on, or is sent once a constellation with that one's count. */
	gga: 'stops-at-12' | 'counts-on' | 'one-a-system';
	/** GSV blocks: one a talker, one a talker and signal with its number, or two a talker without. */
	gsv: 'one' | 'by-signal' | 'two-bare';
	/** Whether RMC ends in a mode letter. */
	modeLetter: boolean;
}

export type SystemName = 'GPS' | 'GLONASS' | 'Galileo' | 'BeiDou';

interface SystemWords {
	talker: string;
	systemId: number;
	/** What is added to a satellite's own number where no talker or id tells its system. */
	combinedFrom: number;
	/** What is added under its own talker or system id. */
	ownFrom: number;
}

const SYSTEMS: Record<SystemName, SystemWords> = {
	GPS: { talker: 'GP', systemId: 1, combinedFrom: 0, ownFrom: 0 },
	GLONASS: { talker: 'GL', systemId: 2, combinedFrom: 64, ownFrom: 64 },
	Galileo: { talker: 'GA', systemId: 3, combinedFrom: 300, ownFrom: 0 },
	BeiDou: { talker: 'GB', systemId: 4, combinedFrom: 200, ownFrom: 0 },
};

export const PLAIN_DIALECT: ReceiverDialect = {
	systems: ['GPS'],
	gsa: 'system-id',
	gsaAgain: false,
	gga: 'stops-at-12',
	gsv: 'one',
	modeLetter: true,
};

export interface Vehicle {
	system: SystemName;
	/** Number within its constellation, from 1. */
	id: number;
	elevationDeg: number;
	azimuthDeg: number;
	snrDb: number;
}

const PLACES = 12;
const A_PAGE = 4;
const two = (n: number) => String(Math.floor(n)).padStart(2, '0');

const bySystem = (dialect: ReceiverDialect, vehicles: readonly Vehicle[]) =>
	dialect.systems.map((system) => ({
		words: SYSTEMS[system],
		own: vehicles.filter((vehicle) => vehicle.system === system),
	}));

/** GGA bodies: `place` to `height` are the fields as written; counts by the dialect. */
export function ggaBodies(
	dialect: ReceiverDialect,
	used: readonly Vehicle[],
	fields: { time: string; place: string; quality: number; hdop: string; altM: string },
): string[] {
	const body = (talker: string, count: number) =>
		`${talker}GGA,${fields.time},${fields.place},${fields.quality},${two(count)},${fields.hdop},${fields.altM},M,50.2,M,,`;
	if (dialect.gga === 'one-a-system')
		return bySystem(dialect, used).map(({ words, own }) => body(words.talker, own.length));
	return [body('GN', dialect.gga === 'stops-at-12' ? Math.min(PLACES, used.length) : used.length)];
}

/** GSA bodies of one cycle, an empty one for a constellation without satellites. */
export function gsaBodies(dialect: ReceiverDialect, used: readonly Vehicle[], fix: boolean, hdop: number): string[] {
	const bodies = (talker: string, ids: number[], systemId: number | null) =>
		Array.from({ length: Math.max(1, Math.ceil(ids.length / PLACES)) }, (_, k) => {
			const part = ids.slice(PLACES * k, PLACES * (k + 1)).map(two);
			const filled = [...part, ...Array<string>(PLACES - part.length).fill('')].join(',');
			const dops = `${(hdop * 1.7).toFixed(2)},${hdop.toFixed(2)},${(hdop * 1.4).toFixed(2)}`;
			return `${talker}GSA,A,${fix ? 3 : 1},${filled},${dops}${systemId === null ? '' : `,${systemId}`}`;
		});
	return bySystem(dialect, used).flatMap(({ words, own }) => {
		const combined = dialect.gsa === 'combined';
		const ids = own.map(({ id }) => id + (combined ? words.combinedFrom : words.ownFrom));
		const once = bodies(
			dialect.gsa === 'talker' ? words.talker : 'GN',
			ids,
			dialect.gsa === 'system-id' ? words.systemId : null,
		);
		const own2 = own.map(({ id }) => id + words.ownFrom);
		return dialect.gsaAgain ? [...once, ...bodies(words.talker, own2, null)] : once;
	});
}

/** GSV bodies of one cycle; on the second signal every other satellite is heard, more weakly. */
export function gsvBodies(dialect: ReceiverDialect, sky: readonly Vehicle[]): string[] {
	const block = (talker: string, from: number, vehicles: readonly Vehicle[], signal: number | null, weaker: number) => {
		const pages = Math.max(1, Math.ceil(vehicles.length / A_PAGE));
		return Array.from({ length: pages }, (_, page) => {
			const cells = vehicles
				.slice(A_PAGE * page, A_PAGE * (page + 1))
				.map(
					(v) =>
						`,${two(v.id + from)},${two(v.elevationDeg)},${String(v.azimuthDeg).padStart(3, '0')},${two(Math.max(0, v.snrDb - weaker))}`,
				);
			return `${talker}GSV,${pages},${page + 1},${two(vehicles.length)}${cells.join('')}${signal === null ? '' : `,${signal}`}`;
		});
	};
	return bySystem(dialect, sky).flatMap(({ words, own }) => {
		const signal = dialect.gsv === 'by-signal' ? 1 : null;
		const first = block(words.talker, words.ownFrom, own, signal, 0);
		if (dialect.gsv === 'one') return first;
		const second = own.filter((_, k) => k % 2 === 0);
		return [...first, ...block(words.talker, words.ownFrom, second, signal === null ? null : 6, 6)];
	});
}
