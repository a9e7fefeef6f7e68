import type { Entry } from '../../schema/entries';
import type { FlightTimeAnswer, FlightTimeRequest } from '../../schema/flightTime';
import type { Chemistry, Pack } from '../../schema/records';
import { flightsOf } from '../evidence/flights';
import { chargeOf } from './charge';
import { estimateFlightTime } from './flightTime';
import { flightTimeLimits as limits } from './flightTimeLimits';

type Flight = FlightTimeRequest['flights'][number];

/** The curve of charge that a pack's chemistry has. */
export const CURVE = { lipo: 'lipo', 'high-voltage': 'lihv', 'lithium-ion': 'liion', percent: 'lipo' } as const;

/** The charge that an answer about a pack says, %; null where it says none. */
export function chargeIn(entry: Pick<Entry, 'payload'> | undefined, chemistry: Chemistry | undefined): number | null {
	if (entry?.payload.kind !== 'check' || entry.payload.value === null) return null;
	const { value, unit } = entry.payload;
	return unit === '%' ? value : chargeOf(CURVE[chemistry ?? 'lipo'], value).pct;
}

/**
 * Flights of an aircraft as its sessions tell them: minutes between off the ground and landed, charge at rest before the first and after
 * the last of them, or the charge counted. `sessions` are those of one aircraft with the pack flown; what is not whole is left out.
 */
export function flownFlights(
	sessions: readonly { pack: Pick<Pack, 'id' | 'chemistry'> | null; entries: readonly Entry[] }[],
): Flight[] {
	return sessions.flatMap(({ pack, entries }): Flight[] => {
		if (!pack) return [];
		const inOrder = entries.toSorted((a, b) => a.seq - b.seq);
		const last = (task: string) => inOrder.findLast(({ payload }) => payload.kind === 'check' && payload.task === task);
		const [before, after] = ['pack-voltage', 'pack-after'].map((task) => chargeIn(last(task), pack.chemistry));
		const flights = flightsOf(inOrder).filter(({ landed }) => landed !== null);
		// A flight of a length that cannot be says nothing, nor do the others on the same charge.
		if (flights.some(({ impossible }) => impossible)) return [];
		const minutes = flights.reduce((sum, flight) => sum + (flight.minutes ?? 0), 0);
		const at = flights.at(-1)?.landed?.at;
		if (at === undefined || minutes <= 0) return [];
		const flown = { pack: pack.id, minutes, at };
		// Charge counted is better than charge read from volts at rest.
		const used = last('charge-used')?.payload;
		if (used?.kind === 'check' && used.value !== null) return [{ ...flown, usedMah: used.value }];
		if (before === null || after === null) return [];
		return [{ ...flown, rest: { beforePct: before, afterPct: after } }];
	});
}

/** Minutes from over the ground to down, at the end of a flight. */
const LANDING_MIN = 1.5;

/**
 * How long an aircraft flies on a pack from a charge (%), and what of its rungs that holds, between the usual alarm and what a pack is landed
 * with. Null where the charge is at the alarm already.
 */
export const estimateOnPack = (
	{ id, capacityMah, cycles }: Pick<Pack, 'id' | 'capacityMah' | 'cycles'>,
	startPct: number,
	flights: readonly Flight[],
	rungs?: FlightTimeRequest['rungs'],
): FlightTimeAnswer | null =>
	startPct > limits.alarmPct.value
		? estimateFlightTime({
				pack: { id, nominalMah: capacityMah, cycles },
				levels: { alarmPct: limits.alarmPct.value, landPct: limits.landPct.value },
				startPct,
				landMin: LANDING_MIN,
				flights: [...flights],
				...(rungs ? { rungs } : {}),
			})
		: null;
