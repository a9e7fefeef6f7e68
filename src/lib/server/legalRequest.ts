import { z } from 'zod';
import type { Rng } from '../core/math/random';

/** The part of JSON Schema that the routes' schemas become. */
interface Shape {
	type?: string;
	const?: unknown;
	enum?: readonly unknown[];
	anyOf?: readonly Shape[];
	oneOf?: readonly Shape[];
	allOf?: readonly Shape[];
	minimum?: number;
	maximum?: number;
	exclusiveMinimum?: number;
	multipleOf?: number;
	minLength?: number;
	maxLength?: number;
	format?: string;
	minItems?: number;
	maxItems?: number;
	items?: Shape;
	prefixItems?: readonly Shape[];
	properties?: Record<string, Shape>;
	required?: readonly string[];
}

/** Most samples of a column, and most items of another list. */
const MOST_SAMPLES = 240;
const MOST_ITEMS = 5;
/** Texts where any will do. */
const WORDS: readonly string[] = ['a', 'pack 1', 'Ines', 'hover 2', ''];
const START_MS = Date.UTC(2026, 4, 14, 9);
const DAY_MS = 86_400_000;

const pick = <T>(rng: Rng, from: readonly T[]): T => from[Math.floor(rng.uniform() * from.length) % from.length];

/** A number of the range: near the middle of what is usual as a rule, at its ends now and then. */
function numberOf({ type, minimum, maximum, exclusiveMinimum, multipleOf }: Shape, rng: Rng): number {
	const low = Math.max(minimum ?? -Infinity, exclusiveMinimum ?? -Infinity);
	const high = maximum ?? Infinity;
	const part = multipleOf ?? (type === 'integer' ? 1 : 0);
	const whole = (value: number) => (part > 0 ? part * Math.round(value / part) : value);
	const lowest = exclusiveMinimum !== undefined && exclusiveMinimum >= low ? low + 1e-3 : low;
	const how = rng.uniform();
	if (how < 0.05 && Number.isFinite(lowest)) return whole(lowest);
	if (how < 0.1 && Number.isFinite(high)) return whole(high);
	const usual = 10 ** (3 * rng.uniform() - 1) * (low < 0 && rng.uniform() < 0.5 ? -1 : 1);
	return Math.max(
		part > 0 && Number.isFinite(lowest) ? part * Math.ceil(lowest / part) : lowest,
		Math.min(high, whole(usual)),
	);
}

function textOf({ format, minLength = 0, maxLength = 80 }: Shape, rng: Rng, words: readonly string[]): string {
	const at = new Date(START_MS - rng.uniform() * 300 * DAY_MS).toISOString();
	if (format === 'date-time') return at;
	const text = pick(rng, words);
	return text.length < minLength ? 'x'.repeat(minLength) : text.slice(0, maxLength);
}

const isColumn = (shape: Shape) => shape.type === 'array' && shape.items?.type === 'number' && !shape.prefixItems;

/** Columns of one length: times that increase, and readings that wander within their range, with steps, noise, or none. */
function columnsOf(properties: Record<string, Shape>, names: readonly string[], rng: Rng): Record<string, number[]> {
	const n = 1 + Math.floor(rng.uniform() ** 2 * MOST_SAMPLES);
	const stepS = pick(rng, [0.005, 0.02, 0.1, 1]);
	let t = rng.uniform() < 0.5 ? 0 : 1e5 * rng.uniform();
	return Object.fromEntries(
		names.map((name) => {
			if (name === 't') return [name, Array.from({ length: n }, () => (t += stepS * (0.8 + 0.4 * rng.uniform())))];
			const { minimum = -1e9, maximum = 1e9 } = properties[name].items ?? {};
			const [noise, sway] = [pick(rng, [0, 0.01, 0.3]), pick(rng, [0, 1, 20])];
			let value = Math.max(minimum, Math.min(maximum, pick(rng, [0, 5, -9.8, 45, 54])));
			const column = Array.from({ length: n }, (_, k) => {
				value += noise * rng.normal();
				return Math.max(minimum, Math.min(maximum, value + sway * Math.sin(k / 7)));
			});
			return [name, column];
		}),
	);
}

function objectOf(
	{ properties = {}, required = [] }: Shape,
	rng: Rng,
	words: readonly string[],
): Record<string, unknown> {
	const asked = Object.keys(properties).filter((name) => required.includes(name) || rng.uniform() < 0.6);
	const columns = asked.filter((name) => isColumn(properties[name]));
	const together = columns.includes('t') ? columnsOf(properties, columns, rng) : {};
	return Object.fromEntries(asked.map((name) => [name, together[name] ?? valueOf(properties[name], rng, words)]));
}

function valueOf(shape: Shape, rng: Rng, words: readonly string[]): unknown {
	if (shape.const !== undefined) return shape.const;
	if (shape.enum) return pick(rng, shape.enum);
	const branches = shape.anyOf ?? shape.oneOf;
	if (branches) return valueOf(pick(rng, branches), rng, words);
	if (shape.allOf) return Object.assign({}, ...shape.allOf.map((part) => valueOf(part, rng, words))) as unknown;
	if (shape.type === 'number' || shape.type === 'integer') return numberOf(shape, rng);
	if (shape.type === 'boolean') return rng.uniform() < 0.5;
	if (shape.type === 'null') return null;
	if (shape.type === 'object') return objectOf(shape, rng, words);
	if (shape.prefixItems) return shape.prefixItems.map((item) => valueOf(item, rng, words));
	if (shape.type === 'array') {
		const { minItems = 0, maxItems = MOST_ITEMS, items = {} } = shape;
		const most = Math.min(maxItems, Math.max(minItems, MOST_ITEMS));
		return Array.from({ length: minItems + Math.floor(rng.uniform() * (most - minItems + 1)) }, () =>
			valueOf(items, rng, words),
		);
	}
	return textOf(shape, rng, words);
}

/**
 * A request that a route's schema allows, as far as JSON Schema tells: every optional field on or off, figures that are realistic as a
 * rule and at the ends of their range now and then. What further rules forbid may be refused. `words` are the texts to choose from.
 */
export const legalRequest = (schema: z.ZodType, rng: Rng, words = WORDS): unknown =>
	valueOf(z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any' }) as Shape, rng, words);

/** The same value with the fields of its objects in another order. */
export function otherOrder(value: unknown, rng: Rng): unknown {
	if (Array.isArray(value)) return value.map((each) => otherOrder(each, rng));
	if (value === null || typeof value !== 'object') return value;
	const fields = Object.entries(value)
		.map((field) => ({ field, place: rng.uniform() }))
		.sort((a, b) => a.place - b.place);
	return Object.fromEntries(fields.map(({ field: [name, each] }) => [name, otherOrder(each, rng)]));
}
