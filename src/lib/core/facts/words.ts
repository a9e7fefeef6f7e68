import type { FactKey, FactSource } from '../../schema/facts';
import { LOSS_WORDS } from '../radio/linkLossTest';
import { formatQuantity, type UnitSystem } from '../../words/units';
import type { Moved } from './facts';
import type { Ledger } from './ledger';
import { FACT_RULES } from './keys';
import type { Statement } from './statements';

/** How a value is known, as it stands beside it. */
export const SOURCE_WORDS: Record<FactSource, string> = {
	measured: 'measured',
	display: 'read from the aircraft’s display',
	byEye: 'by eye',
	reported: 'by your word',
	simulated: 'simulated',
	profile: 'from the profile',
	derived: 'calculated',
	default: 'default',
};

const WORDS: Partial<Record<FactKey, Record<string, string>>> = {
	failsafeAction: LOSS_WORDS,
	speedReference: { ground: 'ground speed', air: 'airspeed' },
	settingsProfile: { indoor: 'indoor', outdoor: 'outdoor' },
	payload: { tank: 'tank, spraying', spreader: 'spreader' },
	venue: { open: 'open ground', people: 'people near', roof: 'under a roof', water: 'over water' },
};

/** A value of a key in the pilot's units. */
export function factWords(key: FactKey, value: number | string, units: UnitSystem): string {
	if (typeof value === 'string') return WORDS[key]?.[value] ?? value;
	const { quantity, unit } = FACT_RULES[key];
	if (quantity) return formatQuantity(value, quantity, units);
	const text = String(Number(value.toPrecision(3)));
	return unit === '°' ? `${text}°` : `${text} ${unit}`.trim();
}

/** How a statement is known: "read from the aircraft's display", "profile of Dunlin". */
export function originWords({ source, origin }: Statement): string {
	if (source !== 'profile' || origin.name === '') return SOURCE_WORDS[source];
	return origin.of === 'settings-profile' ? `${origin.name} settings profile` : `profile of ${origin.name}`;
}

/** A statement with how it is known: "40 m, read from the aircraft's display". */
export const statementWords = (statement: Statement, units: UnitSystem): string =>
	`${factWords(statement.key, statement.value, units)}, ${originWords(statement)}`;

/** What moved since a finding was computed: "Wind: 3 m/s then, 5 m/s now". */
export function movedWords({ key, was, now }: Moved, units: UnitSystem): string {
	const { label } = FACT_RULES[key];
	if (key === 'batteryId') return now ? 'Another battery is fitted' : 'No battery is chosen';
	return `${label}: ${factWords(key, was, units)} then, ${now ? `${factWords(key, now.value, units)} now` : 'not known now'}`;
}

const CHARGE_WORDS: Record<Ledger['basis'], string> = {
	measured: ', measured',
	record: ', from its record',
	default: ', taken as full, not measured',
	none: ', not known',
};

/** The charge of a battery with how it is known: "62 %, measured; lower bound after 4.0 min flown since". */
export const chargeWords = ({
	planPct,
	basis,
	flownSinceMin,
}: Pick<Ledger, 'planPct' | 'basis' | 'flownSinceMin'>): string =>
	`${planPct?.toFixed(0) ?? '–'} %${CHARGE_WORDS[basis]}${flownSinceMin > 0 ? `; lower bound after ${flownSinceMin.toFixed(1)} min flown since` : ''}`;
