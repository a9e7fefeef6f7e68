import type { Aircraft, Pack, Sensor, Site } from '../../schema/records';
import { hasPart, showsData } from '../aircraft/capabilities';
import type { Deferred } from './deferred';
import type { SensorDue } from '../due/due';

/** One aircraft of tomorrow, with what is due on it as of then and there. */
export interface Going {
	aircraft: Aircraft;
	due: readonly SensorDue[];
	deferred: readonly Deferred[];
	packs: readonly Pack[];
}

export interface Step {
	/** ISO time at which it begins. */
	at: string;
	minutes: number;
	/** At home, on the way, or only there. */
	where: 'home' | 'way' | 'site';
	aircraft: string;
	what: string;
	why: string;
}

export interface Tomorrow {
	steps: Step[];
	/** When the work at home is over, and when one leaves. ISO times. */
	homeDoneAt: string;
	leaveAt: string;
	packing: { what: string; why: string }[];
}

/** Minutes that each takes as a rule, and where it is done. */
const TAKES: Record<Sensor, { minutes: number; where: 'home' | 'site' }> = {
	compass: { minutes: 10, where: 'site' },
	accelerometer: { minutes: 15, where: 'home' },
	gyro: { minutes: 5, where: 'home' },
	level: { minutes: 10, where: 'home' },
	mounting: { minutes: 10, where: 'home' },
	radio: { minutes: 10, where: 'home' },
	camera: { minutes: 5, where: 'home' },
	vision: { minutes: 20, where: 'home' },
	'speed-controllers': { minutes: 10, where: 'home' },
	'link-loss': { minutes: 10, where: 'home' },
};
const MINUTES = { charge: 75, chill: 40, checks: 15, lock: 3, hover: 5, left: 10 } as const;
/** Sensors whose values move with warmth: they are measured as cold as they will fly. */
const COLD_SENSORS: readonly Sensor[] = ['gyro', 'accelerometer'];
const MINUTE_MS = 60_000;

const after = (iso: string, minutes: number): string => new Date(Date.parse(iso) + minutes * MINUTE_MS).toISOString();

/** What is to be charged: whatever is not marked as charged. */
export const toCharge = (packs: readonly Pack[]): Pack[] =>
	packs.filter(({ state, retired }) => !retired && state !== 'charged');

/**
 * The work before a day's first take-off, in order: what is done at home from when one begins there, the packs charging beside it; what
 * can only be done there from the arrival. Durations are usual ones. `homeAt`: when one begins at home, `startAt`: when all are to be
 * ready, ISO times; `cold`: measured as cold as it will fly.
 */
export function planTomorrow(
	going: readonly Going[],
	site: Pick<Site, 'name' | 'rules'> | null,
	{ homeAt, startAt, travelMin, cold }: { homeAt: string; startAt: string; travelMin: number; cold: boolean },
): Tomorrow {
	const home: Omit<Step, 'at'>[] = [];
	const there: Omit<Step, 'at'>[] = [];
	const flat = going.flatMap(({ aircraft, packs }) => toCharge(packs).map((pack) => ({ aircraft, pack })));
	const charge: Step[] =
		flat.length > 0
			? [
					{
						...{ at: homeAt, minutes: MINUTES.charge, where: 'home', aircraft: '' },
						what: `Charge ${flat.map(({ pack }) => pack.name).join(', ')}, beside the rest`,
						why: 'Never alone, on something that does not burn. Marked as used, at storage charge, or not marked.',
					},
				]
			: [];
	for (const { aircraft, due, deferred } of going) {
		const { name } = aircraft;
		const open = due.filter((d) => d.due);
		const chilled = cold && open.some(({ sensor }) => COLD_SENSORS.includes(sensor));
		if (chilled)
			home.push({
				...{ minutes: MINUTES.chill, where: 'home', aircraft: name },
				what: 'Put it out to cool, switched off',
				why: 'Gyro and accelerometer are measured as cold as they will fly.',
			});
		for (const { sensor, name: what, chosen } of open) {
			const { minutes, where } = TAKES[sensor];
			const step = { minutes, where, aircraft: name, what, why: chosen.reasons[0]?.text ?? '' };
			(where === 'home' ? home : there).push(step);
		}
		for (const { about, task, reason, dueAt } of deferred) {
			const step = { minutes: MINUTES.left, aircraft: name, what: about || task, why: `Left: ${reason}` };
			if (dueAt === 'bench' || dueAt === 'plan') home.push({ ...step, where: 'home' });
			else there.push({ ...step, where: 'site' });
		}
		there.push({
			...{ minutes: MINUTES.checks, where: 'site', aircraft: name },
			what: 'Checklist, power-up, lock and home',
			why: 'The Line of its session.',
		});
	}
	const total = (steps: readonly { minutes: number }[]) => steps.reduce((sum, { minutes }) => sum + minutes, 0);
	const arriveAt = after(startAt, -total(there));
	const leaveAt = after(arriveAt, -travelMin);
	const timed = (steps: readonly Omit<Step, 'at'>[], from: string): Step[] => {
		let at = from;
		return steps.map((step) => {
			const here = { ...step, at };
			at = after(at, step.minutes);
			return here;
		});
	};
	const way: Step = {
		...{
			at: leaveAt,
			minutes: travelMin,
			where: 'way',
			aircraft: '',
			why: 'A journey: compass and vision may fall due by it.',
		},
		what: site ? `To ${site.name}` : 'On the way',
	};
	return {
		steps: [...charge, ...timed(home, homeAt), ...(travelMin > 0 ? [way] : []), ...timed(there, arriveAt)],
		homeDoneAt: after(homeAt, Math.max(total(home), total(charge))),
		leaveAt,
		packing: packingOf(going, site),
	};
}

function packingOf(going: readonly Going[], site: Pick<Site, 'name' | 'rules'> | null): Tomorrow['packing'] {
	const out: Tomorrow['packing'] = [];
	const of = (is: (a: Aircraft) => boolean) =>
		going.filter(({ aircraft }) => is(aircraft)).map(({ aircraft }) => aircraft.name);
	const add = (what: string, names: readonly string[], why = '') => {
		if (names.length > 0) out.push({ what, why: [names.join(', '), why].filter(Boolean).join(': ') });
	};
	for (const { aircraft, packs } of going) {
		const taken = packs.filter(({ retired }) => !retired).map(({ name }) => name);
		out.push({
			what: aircraft.name,
			why: taken.length > 0 ? `packs ${taken.join(', ')}` : 'no pack of it is on this device',
		});
	}
	add(
		'Radio, charged, antennas',
		of(() => true),
	);
	add(
		'Spare propellers and the tool for them',
		of(({ rotors }) => rotors > 0),
	);
	add(
		'Landing mat, tape measure',
		of(({ hasPosition }) => hasPosition),
		'the mark that it comes home to',
	);
	add('Computer and cable, or the phone with its files', of(showsData));
	add(
		'Compass or a known bearing',
		of(({ compasses }) => compasses > 0),
		'to check the heading',
	);
	add(
		'Goggles and their pack',
		of((a) => hasPart(a, 'video')),
	);
	add(
		'Clean water, bucket, scales, stopwatch',
		of((a) => hasPart(a, 'tank')),
		'water only until it was flown',
	);
	add(
		'Seed, scales, bag for the catch',
		of((a) => hasPart(a, 'spreader')),
	);
	add(
		'Memory card, lens cloth',
		of((a) => hasPart(a, 'camera')),
	);
	out.push({ what: 'Fire blanket or sand, bag for packs, first aid, water', why: 'always' });
	if (site?.rules) out.push({ what: 'What is allowed there, on paper', why: site.rules });
	return out;
}
