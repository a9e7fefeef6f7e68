import { median } from 'd3-array';
import type { FlightTimeAnswer, FlightTimeRequest } from '../../schema/flightTime';
import { flightTimeLimits as limits } from './flightTimeLimits';

type Flight = FlightTimeRequest['flights'][number];
type LeftOut = FlightTimeAnswer['leftOut'][number];

/** A flight as the estimate takes it. */
export interface Measured {
	index: number;
	/** The battery it flew on, and whether that is the one asked about. */
	pack: string;
	samePack: boolean;
	minutes: number;
	/** Used, % of what is printed on the pack; of its real capacity where only its rest volts say so. */
	usedPct: number;
	/** Read by rest volts alone. */
	byRest: boolean;
	/** ln of per cent a minute, and its own measuring deviation. */
	y: number;
	sigma: number;
	/** Used by rest volts too, %: it teaches the capacity. */
	restPct: number | null;
	tempC: number | null;
	cycles: number | null;
}

const newestLast = (flights: readonly Flight[]): { flight: Flight; index: number }[] =>
	flights
		.map((flight, index) => ({ flight, index }))
		.sort((a, b) => {
			const [p, q] = [a.flight.at ?? '', b.flight.at ?? ''];
			return p && q && p !== q ? (p < q ? -1 : 1) : a.index - b.index;
		});

/** Whether a flight's used charge needs a capacity that the pack does not say. */
const lacks = ({ usedMah, usedWh, rest }: Flight, { nominalMah, nominalWh }: FlightTimeRequest['pack']): boolean =>
	!rest && !(usedMah !== undefined && nominalMah !== undefined) && !(usedWh !== undefined && nominalWh !== undefined);

/**
 * The flights that can be used, the newest forty, as logarithms of their rate; what was left out and why; and whether one needed a
 * capacity that nobody told.
 */
export function measuredFlights({ pack, flights }: FlightTimeRequest): {
	measured: Measured[];
	leftOut: LeftOut[];
	lacking: boolean;
} {
	const leftOut: LeftOut[] = [];
	let lacking = false;
	const taken = newestLast(flights).flatMap(({ flight, index }): Measured[] => {
		const { usedMah, usedWh, rest, minutes } = flight;
		const out = (why: LeftOut['why']): Measured[] => (leftOut.push({ index, why }), []);
		if (rest && rest.afterPct >= rest.beforePct) return out('rest-order');
		if (lacks(flight, pack)) {
			lacking = true;
			return [];
		}
		const restPct = rest ? rest.beforePct - rest.afterPct : null;
		const byMah = usedMah !== undefined && pack.nominalMah !== undefined ? (100 * usedMah) / pack.nominalMah : null;
		const byWh = usedWh !== undefined && pack.nominalWh !== undefined ? (100 * usedWh) / pack.nominalWh : null;
		const counted = byMah ?? byWh;
		const usedPct = counted ?? restPct ?? 0;
		if (minutes < limits.leastMin.value || usedPct < limits.leastUsedPct.value) return out('too-short');
		if (usedPct > limits.mostUsedPct.value) return out('implausible');
		return [
			{
				index,
				pack: flight.pack,
				samePack: flight.pack === pack.id,
				minutes,
				usedPct,
				byRest: counted === null,
				y: Math.log(usedPct / minutes),
				sigma: counted === null ? limits.restSigma.value / (usedPct / 100) : limits.countSigma.value,
				restPct: counted === null ? null : restPct,
				tempC: flight.tempC ?? null,
				cycles: flight.cycles ?? null,
			},
		];
	});
	const middle = median(taken, ({ y }) => y) ?? 0;
	const far = ({ y }: Measured) =>
		taken.length >= limits.outlierFlights.value && Math.abs(y - middle) > limits.outlierLn.value;
	for (const flight of taken) if (far(flight)) leftOut.push({ index: flight.index, why: 'outlier' });
	return {
		measured: taken.filter((flight) => !far(flight)).slice(-limits.newest.value),
		leftOut: leftOut.sort((a, b) => a.index - b.index),
		lacking,
	};
}
