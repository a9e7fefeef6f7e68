import { plain } from '$lib/words/plain';
import { toUnit, unitSymbol, type Quantity, type UnitSystem } from '$lib/words/units';

/** What a message is worded from: numbers in SI units, degrees or per cent, and names. */
export type Arg = string | number | boolean | null | readonly string[];
export type Args = Readonly<Record<string, Arg>>;

/** A sentence and the next action, in one system of units. */
export interface Wording {
	text: string;
	next?: string | undefined;
}

/** Writes quantities in one system of units. */
export interface Show {
	/** A length in metres, e.g. "12 m", with so many decimals as metres. */
	length(metres: number, decimals: number): string;
	/** A speed in metres a second, e.g. "4.5 m/s", with so many decimals as metres a second. */
	speed(metresPerSecond: number, decimals: number): string;
}

/** A code with its arguments, worded in SI units. */
export interface Message extends Wording {
	code: string;
	/** Where the wording stands, as "hover/circling"; what words the message again in other units. */
	key: string;
	args?: Args | undefined;
}

type Entry = Wording | ((args: never, show: Show) => Wording);
/** Arguments that a record can hold: one that may be undefined is refused by the compiler. */
type ArgsOf<E> = E extends (args: infer A, show: Show) => Wording
	? A extends { [K in keyof A]: Arg }
		? [args: A]
		: [never]
	: [];

/** Digits of a quantity in the pilot's unit: as many as it has in SI units, and two at least, for a foot is no round metre. */
const LEAST_DIGITS = 2;

function written(value: number, decimals: number, quantity: Quantity, units: UnitSystem): string {
	const symbol = unitSymbol(quantity, units);
	const si = value.toFixed(decimals);
	if (symbol === unitSymbol(quantity, 'metric')) return `${si} ${symbol}`;
	const digits = si.replace(/[-.]/g, '').replace(/^0+/, '').length;
	return `${Number(toUnit(Number(si), quantity, units).toPrecision(Math.max(LEAST_DIGITS, digits)))} ${symbol}`;
}

/** The writer of quantities in a system of units. */
export const showIn = (units: UnitSystem): Show => ({
	length: (metres, decimals) => written(metres, decimals, 'height', units),
	speed: (metresPerSecond, decimals) => written(metresPerSecond, decimals, 'speed', units),
});

const SI = showIn('metric');

/** What follows the mark tells wordings of one code apart; the code that leaves the core is what stands before it. */
const VARIANT = '#';

/** Makes a message of an area from a code and its arguments. */
export type Area<T extends Record<string, Entry>> = <C extends keyof T & string>(
	code: C,
	...args: ArgsOf<T[C]>
) => Message;

/** The areas that are loaded. What computes has loaded its own; a screen that shows the findings of others loads the catalogue. */
const loaded = new Map<string, Record<string, Entry>>();

/** The messages of an area: called with a code and its arguments, it words them in SI units. */
export function area<const T extends Record<string, Entry>>(name: string, entries: T): Area<T> {
	loaded.set(name, entries);
	return (code, ...given) => {
		const [args] = given as [Args?];
		return {
			code: code.split(VARIANT)[0],
			key: `${name}/${code}`,
			...(args && { args }),
			...wordingOf(entries[code], args, SI),
		};
	};
}

/** An entry worded with its arguments. */
function wordingOf(entry: Entry, args: Args | undefined, show: Show): Wording {
	if (typeof entry !== 'function') return entry;
	return (entry as (args: Args, show: Show) => Wording)(args ?? {}, show);
}

/** A reason of a finding or of the record, as far as it is worded: what was shown, and what words it again. */
export interface Worded extends Wording {
	wording?: { key: string; args: Args } | undefined;
}

/** A reason in the pilot's units; as it was shown where it has no lengths or speeds, or its area is not loaded or has lost its code. */
export function wordedIn({ text, next, wording }: Worded, units: UnitSystem): Wording {
	const [name, ...code] = wording?.key.split('/') ?? [];
	const entry = units === 'metric' ? undefined : loaded.get(name)?.[code.join('/')];
	return entry ? wordingOf(entry, wording?.args, showIn(units)) : { text, next };
}

/** A headline, detail or next action in the pilot's units, where it is one of the reasons'; else as it was written. */
export function sayIn(words: string, reasons: readonly Worded[], units: UnitSystem): string {
	const same = reasons.find(({ text, next }) => plain(text) === plain(words) || next === words);
	if (!same) return words;
	const { text, next = words } = wordedIn(same, units);
	return same.next === words ? next : words.endsWith('.') ? text : plain(text);
}
