import type { Entry, EntryPayload, Grade } from '../../schema/entries';
import type { FactKey, FactSource } from '../../schema/facts';
import { lossActionSchema, type Aircraft, type Pack, type Session, type Site } from '../../schema/records';
import { gradeOf } from '../evidence/grade';
import { chargeIn } from '../propulsion/flownFlights';
import { toRestore } from '../radio/indoor';
import { dropsReading, FACT_RULES } from './keys';

/** Where a statement comes from, for the pilot to find it again. */
export interface Origin {
	of: 'aircraft' | 'battery' | 'site' | 'session' | 'entry' | 'kind' | 'settings-profile';
	name: string;
}

/** One value that somebody or something stated, in SI units. */
export interface Statement {
	key: FactKey;
	value: number | string;
	source: FactSource;
	/** ISO time; null where a profile does not keep one. */
	at: string | null;
	/** The entry that states it, and its number in the session; null and −1 for profiles and defaults. */
	entry: string | null;
	seq: number;
	origin: Origin;
}

/** Everything that facts are gathered from. */
export interface FactEvidence {
	aircraft: Aircraft;
	pack?: Pack | null | undefined;
	site?: Site | null | undefined;
	session: Pick<Session, 'kind' | 'venue'>;
	entries: readonly Entry[];
}

/** The task under which a settled disagreement about a key is recorded. */
export const settledTask = (key: FactKey): string => `fact-${key}`;

const SOURCE_OF_GRADE: Record<Grade, FactSource> = {
	measured: 'measured',
	'read-off': 'display',
	seen: 'byEye',
	guided: 'display',
	calculated: 'derived',
	told: 'reported',
	rehearsed: 'simulated',
};

const USUAL_CLIMB_MPS: Partial<Record<Aircraft['kind'], number>> = { wing: 3, racer: 5, longrange: 3, toy: 1 };
const USUAL_DESCENT_MPS: Partial<Record<Aircraft['kind'], number>> = { wing: 2, racer: 3 };
/** Charge of a battery at storage level, and of one that was charged, %. */
export const [STORAGE_PCT, FULL_PCT] = [45, 100];
const [OTHER_CLIMB_MPS, OTHER_DESCENT_MPS] = [2, 1];
/** Maximum airspeed over return speed where nobody stated it. */
const AIRSPEED_OVER_RETURN = 1.3;

type Stated = [FactKey, number | string | undefined];

/** Statements of the aircraft's profile; fields that nobody entered are defaults of its kind. */
function ofAircraft(aircraft: Aircraft): Statement[] {
	const { name, kind, flies = {}, lock, updatedAt } = aircraft;
	const defaults = new Set(aircraft.defaults ?? []);
	const entered = (field: keyof Aircraft, key: FactKey, value: number | string | undefined): Statement[] =>
		value === undefined
			? []
			: [
					{
						key,
						value,
						source: defaults.has(field) ? 'default' : 'profile',
						at: updatedAt,
						entry: null,
						seq: -1,
						origin: defaults.has(field) ? { of: 'kind', name: kind } : { of: 'aircraft', name },
					},
				];
	const usual = (key: FactKey, value: number | string): Statement => ({
		key,
		value,
		source: 'default',
		at: null,
		entry: null,
		seq: -1,
		origin: { of: 'kind', name: kind },
	});
	return [
		...entered('returnHeightM', 'returnAltitudeM', aircraft.returnHeightM),
		...entered('returnSpeedMps', 'returnSpeedMps', aircraft.returnSpeedMps),
		...entered('minReturnDistanceM', 'minReturnDistanceM', aircraft.minReturnDistanceM),
		...entered('lossAction', 'failsafeAction', aircraft.lossAction),
		...entered('lock', 'minSatellites', lock.minSatellites),
		...entered('lock', 'maxHdop', lock.maxHdop),
		...entered('lock', 'lockHoldS', lock.holdS),
		...entered('compassHeadingLimitDeg', 'compassHeadingLimitDeg', aircraft.compassHeadingLimitDeg),
		...entered('flies', 'descentMps', flies.descentMps),
		...entered('flies', 'climbMps', flies.climbMps),
		...entered('flies', 'airspeedMaxMps', flies.airspeedMaxMps),
		...entered('flies', 'speedReference', flies.speedKind),
		...entered('flies', 'climbsFirst', flies.climbFirst === undefined ? undefined : flies.climbFirst ? 'yes' : 'no'),
		usual('descentMps', USUAL_DESCENT_MPS[kind] ?? OTHER_DESCENT_MPS),
		usual('climbMps', USUAL_CLIMB_MPS[kind] ?? OTHER_CLIMB_MPS),
		usual('airspeedMaxMps', AIRSPEED_OVER_RETURN * aircraft.returnSpeedMps),
		usual('speedReference', 'ground'),
		usual('climbsFirst', 'yes'),
	];
}

const plainly = (origin: Origin, at: string | null, source: FactSource, stated: readonly Stated[]): Statement[] =>
	stated.flatMap(([key, value]) =>
		value === undefined ? [] : [{ key, value, source, at, entry: null, seq: -1, origin }],
	);

/** The failsafe action that a free text of a settings profile names; undefined where it names none or several. */
function actionNamed(text: string): string | undefined {
	const found = lossActionSchema.options.filter((action) => new RegExp(`\\b${action}`, 'i').test(text));
	return found.length === 1 ? found[0] : undefined;
}

/** What the settings profile in force sets: the indoor one until everything is put back. */
function ofProfiles(aircraft: Aircraft): Statement[] {
	const left = toRestore(aircraft);
	const inForce = left.length > 0 ? 'indoor' : 'outdoor';
	const origin: Origin = { of: 'settings-profile', name: inForce };
	const at = aircraft.indoor?.since ?? null;
	const action = left.find(({ id }) => id === 'link-loss')?.indoors;
	return plainly(origin, at, 'profile', [
		['settingsProfile', inForce],
		['failsafeAction', action === undefined ? undefined : actionNamed(action)],
	]);
}

/** A battery by its own record: charged, stored, or full by default; one that was flown has no charge until it is measured. */
function ofBattery({ id, name, state, stateAt }: Pack): Statement[] {
	const origin: Origin = { of: 'battery', name };
	const pct = state === 'used' ? undefined : state === 'storage' ? STORAGE_PCT : FULL_PCT;
	return [
		...plainly(origin, null, 'profile', [['batteryId', id]]),
		...plainly(origin, stateAt ?? null, state === undefined ? 'default' : 'derived', [['batteryStartPct', pct]]),
	];
}

/** What an entry states: in its own list, or as entries before that list existed do by their kind. */
function statedBy(payload: EntryPayload, pack: Pack | null | undefined): Stated[] {
	if (payload.kind === 'wind')
		return [
			['windFromDeg', payload.fromDeg],
			['windMps', payload.speedMps],
			['gustMps', payload.gustMps],
		];
	if (payload.kind !== 'check' && payload.kind !== 'test' && payload.kind !== 'calibration') return [];
	const own = (payload.states ?? []).map(({ key, value }): Stated => [key, value]);
	if (own.length > 0 || payload.kind !== 'check' || payload.value === null) return own;
	if (payload.task === 'return-height') return [['returnAltitudeM', payload.value]];
	if (payload.task === 'pack-voltage')
		return [['batteryStartPct', chargeIn({ payload }, pack?.chemistry) ?? undefined]];
	return [];
}

/** What entries state, in order: an event drops what it undoes; a settled disagreement or a new reading of what varies, the ones before it. */
function ofEntries({ entries, session, pack }: FactEvidence): Statement[] {
	let valid: Statement[] = [];
	for (const entry of entries.toSorted((a, b) => a.seq - b.seq)) {
		const { payload } = entry;
		if (payload.kind === 'event') valid = valid.filter(({ key }) => !dropsReading(key, payload.what, payload));
		// Another battery has another charge.
		if (payload.kind === 'session' && (payload.pack?.id ?? null) !== (pack?.id ?? null))
			valid = valid.filter(({ key }) => key !== 'batteryStartPct');
		const grade = gradeOf(payload);
		if (grade === null || (grade === 'rehearsed' && session.kind !== 'rehearsal')) continue;
		const settled = payload.kind === 'check' && payload.task.startsWith('fact-');
		for (const [key, value] of statedBy(payload, pack)) {
			if (value === undefined) continue;
			if (settled || FACT_RULES[key].varies) valid = valid.filter((one) => one.key !== key);
			valid.push({
				key,
				value,
				source: SOURCE_OF_GRADE[grade],
				at: entry.at,
				entry: entry.id,
				seq: entry.seq,
				origin: { of: 'entry', name: entry.by },
			});
		}
	}
	return valid;
}

/** Every statement that is valid in a session, in no order. */
export function statementsOf(evidence: FactEvidence): Statement[] {
	const { aircraft, pack, site, session } = evidence;
	const profiles = ofProfiles(aircraft);
	const overridden = new Set(profiles.map(({ key }) => key));
	const obstacles = site?.obstacles ?? [];
	return [
		...ofAircraft(aircraft).filter(({ key }) => !overridden.has(key)),
		...profiles,
		...(pack ? ofBattery(pack) : []),
		...(site
			? plainly({ of: 'site', name: site.name }, site.updatedAt, 'profile', [
					['obstacleCount', obstacles.length],
					['tallestObstacleM', Math.max(0, ...obstacles.map(({ heightM }) => heightM))],
				])
			: []),
		...plainly({ of: 'session', name: '' }, null, 'profile', [['venue', session.venue ?? 'open']]),
		...ofEntries(evidence),
	];
}
