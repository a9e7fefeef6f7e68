import { counted } from '../../words/counted';
import { clock } from '../../words/clock';
import { showFigure, showNumber } from '../../words/figures';
import type { Entry, RecordedFigure, TestPayload } from '../../schema/entries';
import { factKeySchema } from '../../schema/facts';
import type { Aircraft, EventExtent } from '../../schema/records';
import { eventWords, SENSOR_RULES } from '../due/rules';
import { FACT_RULES } from '../facts/keys';
import { settledTask } from '../facts/statements';
import { sayIn } from '$lib/messages/message';
import { formatQuantity, QUANTITY_OF_UNIT, toUnit, unitSymbol, type UnitSystem } from '../../words/units';
import { plain } from '../../words/plain';
import { showSigma } from '../../words/sigma';
import { crewWords } from './crew';
import { isOwnTask } from './deferred';
import { everyItem, type Item } from './items';

const OUTCOMES = {
	done: 'right',
	doubtful: 'doubtful',
	failed: 'not as it should be',
	aside: 'set aside',
} as const;
const ODD = {
	opposite: 'the other way',
	'swapped-axis': 'another axis',
	none: 'nothing happened',
	squats: 'pressed to the ground',
	flips: 'flipped',
	spins: 'spun',
} as const;
const SESSION = { begun: 'Begun', changed: 'Changed', ended: 'Ended', reopened: 'Reopened' } as const;
const FLIGHT = {
	'took-off': 'Off the ground',
	landed: 'Landed',
	note: 'Noted in the air',
	'touched-down': 'Came down',
} as const;

/** Smaller than this, in any unit of the record, is the arithmetic's own rounding. */
const ROUNDING = 1e-9;
const figure = (value: number): string => {
	const size = Math.abs(value);
	if (size < ROUNDING) return '0';
	const short = Number(size.toPrecision(3));
	const text = Number.isInteger(value)
		? String(size)
		: short >= 1e6 || short < 1e-4
			? showNumber(short)
			: String(short);
	return value < 0 ? `−${text}` : text;
};
/** A count agrees with its unit: "1 cycle", "2 cycles". */
const unitFor = (value: number, unit: string): string =>
	Math.abs(value) === 1 ? unit.replace(/^([a-z]{3,})s$/, '$1') : unit;
/** A figure with its unit, the pilot's where it is a length or a speed: degrees stand close. */
function withUnit(value: number, unit: string, units: UnitSystem): string {
	const quantity = QUANTITY_OF_UNIT[unit];
	if (unit === 'min' && !Number.isInteger(value)) return `${clock(60 * value)} min`;
	if (!quantity) return `${figure(value)}${unit === '°' ? '' : ' '}${unitFor(value, unit)}`.trim();
	const symbol = unitSymbol(quantity, units);
	return `${figure(symbol === unit ? value : Number(toUnit(value, quantity, units).toPrecision(3)))} ${symbol}`;
}

/** A recorded figure with its name; as many digits as its uncertainty leaves, and none where it cannot be told from zero. */
function recordedFigure({ label, unit, sigma }: RecordedFigure, value: number, units: UnitSystem): string {
	if (sigma === undefined || !(sigma > 0) || QUANTITY_OF_UNIT[unit] || unit === 'min')
		return `${label} ${withUnit(value, unit, units)}`;
	const shown = showFigure(value, sigma);
	return `${label} ${shown.value} ± ${shown.sigma}${unit === '°' ? '' : ' '}${unit}`.trim();
}

/** The limits that a decision was made under: "satellites at least 8, HDOP at most 2". */
export const limitWords = (
	limits: readonly { label: string; value: number | string; unit: string; source?: string | undefined }[] = [],
	units: UnitSystem,
): string =>
	limits
		.map(({ label, value, unit, source }) => {
			const name = /^[A-Z]{2}/.test(label) ? label : label.charAt(0).toLowerCase() + label.slice(1);
			const figures = typeof value === 'number' ? withUnit(value, unit, units) : value;
			return `${name.replace(', ', ' ')} ${figures}${source ? ` (${source})` : ''}`;
		})
		.join(', ');

const because = (reason: string) => (reason ? `: ${reason}` : '');
const unaffectedWords = ({ unaffected = [] }: EventExtent) =>
	unaffected.length > 0 ? ` Not affected by the pilot’s word: ${unaffected.map(({ about }) => about).join('; ')}.` : '';

/** Every item of an aircraft, made once for all entries of a report. */
const ITEMS = new WeakMap<Aircraft, ReadonlyMap<string, Item>>();
function itemsOf(aircraft: Aircraft): ReadonlyMap<string, Item> {
	const found = ITEMS.get(aircraft) ?? everyItem({ aircraft });
	ITEMS.set(aircraft, found);
	return found;
}

/** Tasks that are no item of a checklist: settled values by their name, and the battery measured between flights. */
const OTHER_TASKS: ReadonlyMap<string, string> = new Map([
	['pack-between', 'Battery at rest between flights'],
	...factKeySchema.options.map((key) => [settledTask(key), `${FACT_RULES[key].label} settled`] as const),
]);

/** What a task is called: an item by its question, a measurement by its name. */
export const taskWords = (task: string, aircraft: Aircraft): string =>
	itemsOf(aircraft).get(task)?.text ?? OTHER_TASKS.get(task) ?? task.replaceAll('-', ' ');

const OUTCOME_OF_REMEDY = {
	open: 'not tried yet',
	gone: 'the sign is gone',
	persists: 'the sign persists',
	'ask-maker': 'ask the maker',
} as const;

/** Troubleshooting as the report shows it: sign, cause, remedy and what came of it. */
const troubleshootingWords = (
	{ sign, cause, remedy, outcome, locked }: NonNullable<TestPayload['troubleshooting']>,
	headline: string,
): string =>
	[
		`Troubleshooting: ${sign || headline}`,
		cause && `likely cause ${cause}`,
		remedy && `remedy ${remedy}`,
		`outcome ${OUTCOME_OF_REMEDY[outcome]}`,
		locked && 'propellers stay off until a change is logged',
	]
		.filter(Boolean)
		.map((part) => String(part).replace(/[.\s]+$/, ''))
		.join('; ');

/** What an entry says, in a sentence for whoever reads the record. */
export function entryWords({ payload }: Entry, aircraft: Aircraft, units: UnitSystem): string {
	const items = itemsOf(aircraft);
	const named = (task: string) => taskWords(task, aircraft);
	switch (payload.kind) {
		case 'session': {
			const place = payload.site ? ` at ${payload.site.name}` : '';
			return `${SESSION[payload.what]}: ${payload.title}, ${payload.aircraft.name}${place}, pilot in command ${payload.pilot}${payload.crew ? `, with ${crewWords(payload.crew)}` : ''}${because(payload.reason)}`;
		}
		case 'check': {
			if (payload.confirms)
				return `${counted(payload.confirms.length, 'answer')} confirmed by ${payload.confirmedBy ?? 'the second person'}${because(payload.reason)}`;
			const quantity = items.get(payload.task)?.limit?.quantity;
			const value =
				payload.value === null
					? ''
					: ` ${quantity ? formatQuantity(payload.value, quantity, units) : `${payload.value} ${payload.unit}`}`;
			const odd = payload.odd ? `, ${ODD[payload.odd]}` : '';
			return `${named(payload.task)}:${value} ${OUTCOMES[payload.outcome]}${odd}${payload.reason ? ` (${payload.reason})` : ''}${payload.confirmedBy ? `, confirmed by ${payload.confirmedBy}` : ''}`;
		}
		case 'calibration':
			return `Compass ${payload.accepted === 'accepted' ? 'accepted' : 'kept beside'}: heading ±${showSigma(payload.headingSigmaDeg)}°, offsets ${payload.hardIronUt.map((v) => v.toFixed(1)).join(', ')} µT, from ${payload.sourceName}`;
		case 'test': {
			const figures = payload.figures
				.flatMap((one) => (one.value === null ? [] : [recordedFigure(one, one.value, units)]))
				.join('; ');
			if (payload.troubleshooting) return troubleshootingWords(payload.troubleshooting, payload.headline);
			const of = payload.grade === 'guided' && payload.sensor ? `${SENSOR_RULES[payload.sensor].name}: ` : '';
			return `${of}${plain(sayIn(payload.headline, payload.reasons, units))}${figures ? ` (${figures})` : ''}, from ${payload.sourceName}`;
		}
		case 'wind':
			return `Wind from ${payload.fromDeg.toFixed(0)}°, ${formatQuantity(payload.speedMps, 'speed', units)}, gusts ${formatQuantity(payload.gustMps, 'speed', units)}`;
		case 'aside':
			return `${isOwnTask(payload.task) ? 'Left for next time' : 'Set aside'}: ${payload.about ?? named(payload.task)}, signed ${payload.signedBy}: ${payload.reason}${payload.dueAt ? ' (comes back)' : ''}`;
		case 'photo':
			return `Photo of ${named(payload.task)}${because(payload.caption)}`;
		case 'event':
			return `${eventWords(payload.what, payload)}${because(payload.note)}${unaffectedWords(payload)}`;
		case 'decision': {
			if (payload.task === 'measurement-aside')
				return `Set aside: ${named(payload.about)}, signed ${payload.signedBy}: ${payload.reason}`;
			const to =
				payload.task === 'arm'
					? payload.decision === 'fly'
						? 'to arm'
						: 'to hold before arming'
					: payload.decision === 'fly'
						? 'to fly'
						: 'to hold the flight';
			const limits = limitWords(payload.limits, units);
			return `Decision ${to}, signed ${payload.signedBy}${because(plain(payload.reason))}${limits ? `. Limits in force: ${limits}` : ''}`;
		}
		case 'flight': {
			const flown = payload.airborneS === undefined ? '' : `, ${(payload.airborneS / 60).toFixed(1)} min in the air`;
			const step = payload.clockStepS
				? `; the clock of the device was moved by ${(payload.clockStepS / 60).toFixed(0)} min meanwhile`
				: '';
			return `${FLIGHT[payload.what]}${flown}${step}${payload.landAfterMin === null ? '' : `, to be down after ${figure(payload.landAfterMin)} min`}${because(payload.note)}`;
		}
	}
}
