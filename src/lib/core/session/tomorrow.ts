import type { Aircraft, Pack, Sensor, Site } from '../../schema/records';
import { hasPart, showsData } from '../aircraft/capabilities';
import type { Deferred } from './deferred';
import type { SensorDue } from '../due/due';
import { COLD_SOAK_HOURS } from '../guide/coldSoak';
import { localDay } from '../../words/calendar';
import { lengthMin, schedule, scheduleBack, type Job, type Slot } from './schedule';

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
	/** Who of the crew does it; empty where it needs nobody. */
	person: string;
	what: string;
	why: string;
}

export interface DayChoices {
	/** When work at home begins, and when all aircraft are to be ready. ISO times. */
	homeAt: string;
	startAt: string;
	travelMin: number;
	cold: boolean;
	/** Names of the crew; one person by default. */
	crew?: readonly string[];
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
const MINUTES = { charge: 75, checks: 15, left: 10 } as const;
/** Sensors whose values change with temperature. */
const COLD_SENSORS: readonly Sensor[] = ['gyro', 'accelerometer'];
const MINUTE_MS = 60_000;

const after = (iso: string, minutes: number): string => new Date(Date.parse(iso) + minutes * MINUTE_MS).toISOString();

/** What is to be charged: whatever is not marked as charged. */
export const toCharge = (packs: readonly Pack[]): Pack[] =>
	packs.filter(({ state, retired }) => !retired && state !== 'charged');

interface Planned extends Job {
	where: 'home' | 'site';
	aircraft: string;
	what: string;
	why: string;
}

/** Work on one aircraft at home and at the site, each in its order. What is measured cold follows the cooling at once. */
function jobsOf(
	{ aircraft, due, deferred }: Going,
	{ cold, eveningBefore }: { cold: boolean; eveningBefore: boolean },
): { home: Planned[]; site: Planned[] } {
	const shared = { aircraft: aircraft.name };
	const open = due.filter((d) => d.due);
	const jobs = open.map(({ sensor, name, chosen }): Planned & { chilled: boolean } => ({
		...shared,
		...TAKES[sensor],
		what: name,
		why: chosen.reasons[0]?.text ?? '',
		// A calibration of every day counts on the day that it is made.
		...(eveningBefore && chosen.school === 'every-day' ? { where: 'site' as const } : {}),
		chilled: cold && COLD_SENSORS.includes(sensor) && !(eveningBefore && chosen.school === 'every-day'),
	}));
	const left = deferred.map(({ about, task, reason, dueAt }): Planned => ({
		...shared,
		minutes: MINUTES.left,
		what: about || task,
		why: `Deferred: ${reason}`,
		where: dueAt === 'bench' || dueAt === 'plan' ? 'home' : 'site',
	}));
	const chilled = jobs.filter((job) => job.chilled);
	const cooling: Planned[] =
		chilled.length > 0
			? [
					{
						...shared,
						where: 'home',
						minutes: COLD_SOAK_HOURS * 60,
						unattended: true,
						what: 'Put it outdoors to cool down, dry, switched off',
						why: 'Gyro and accelerometer are calibrated at the temperature of the flight.',
					},
				]
			: [];
	const at = (where: 'home' | 'site') =>
		[...jobs.filter((job) => !job.chilled), ...left].filter((job) => job.where === where);
	return {
		home: [...cooling, ...chilled, ...at('home')],
		site: [
			...at('site'),
			{
				...shared,
				where: 'site',
				minutes: MINUTES.checks,
				what: 'Checklist, power-up, GPS lock and home point',
				why: 'The stages of its session.',
			},
		],
	};
}

/**
 * The work before a day's first takeoff. At home it begins at `homeAt`; at the site it ends at `startAt`, when all aircraft are to be
 * ready (ISO times). The crew works in parallel, one person and one aircraft at a time; charging and cooling down need nobody.
 * Durations are usual ones. `cold`: gyro and accelerometer are calibrated at the temperature of the flight.
 */
export function planTomorrow(
	going: readonly Going[],
	site: Pick<Site, 'name' | 'rules'> | null,
	{ homeAt, startAt, travelMin, cold, crew = [''] }: DayChoices,
): Tomorrow {
	const flat = going.flatMap(({ packs }) => toCharge(packs));
	const charge: Step[] =
		flat.length > 0
			? [
					{
						at: homeAt,
						minutes: MINUTES.charge,
						where: 'home',
						aircraft: '',
						person: '',
						what: `Charge ${flat.map(({ name }) => name).join(', ')}`,
						why: 'Never unattended, on a surface that does not burn. Marked as used, at storage charge, or not marked.',
					},
				]
			: [];
	const jobs = going.map((one) => jobsOf(one, { cold, eveningBefore: localDay(homeAt) !== localDay(startAt) }));
	const home = schedule(
		jobs.map((of) => of.home),
		crew.length,
	);
	const there = scheduleBack(
		jobs.map((of) => of.site),
		crew.length,
	);
	const arriveAt = after(startAt, -lengthMin(there));
	const leaveAt = after(arriveAt, -travelMin);
	const timed = (slots: readonly Slot<Planned>[], from: string): Step[] =>
		slots.map(({ job: { minutes, where, aircraft, what, why }, startMin, person }) => ({
			at: after(from, startMin),
			minutes,
			where,
			aircraft,
			what,
			why,
			person: person === null ? '' : (crew[person] ?? ''),
		}));
	const way: Step = {
		at: leaveAt,
		minutes: travelMin,
		where: 'way',
		aircraft: '',
		person: '',
		what: site ? `To ${site.name}` : 'Travel',
		why: 'Transport: compass and vision calibrations may become due.',
	};
	return {
		steps: [...charge, ...timed(home, homeAt), ...(travelMin > 0 ? [way] : []), ...timed(there, arriveAt)],
		homeDoneAt: after(homeAt, Math.max(lengthMin(home), charge[0]?.minutes ?? 0)),
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
