import { z } from 'zod';
import { ownListSchema, type OwnItem, type OwnList } from '../../../schema/records';
import { InputError } from '../../finding/inputError';
import { isBefore } from '../stations';
import type { Item } from './item';

export const EMPTY_LIST: Omit<OwnList, 'changedAt'> = { items: [], off: [], limits: {}, order: [] };

/** What a meter can show at all: a pilot's own unit may be any. */
const ANY = { low: -1e6, high: 1e6 } as const;

/** A question of the pilot's own as an item of the list. */
export const itemOfOwn = ({ id, station, type, text, why, weight, unit, low, high, source, waitS }: OwnItem): Item => ({
	id,
	station,
	type,
	text,
	why: why || 'Asked by the pilot of this aircraft.',
	weight,
	because: '',
	...(type === 'wait' ? { waitS: waitS ?? 10 } : {}),
	...(type === 'measure'
		? {
				limit: {
					unit: unit ?? '',
					source: source || 'The pilot of this aircraft',
					possible: ANY,
					...(low === undefined ? {} : { low }),
					...(high === undefined ? {} : { high }),
				},
			}
		: {}),
});

/** Whether an item may be left off a list: what holds a flight is set aside in a session, with its reason, never left off. */
export const mayBeOff = ({ weight }: Pick<Item, 'weight'>): boolean => weight === 'caution';

/** A made list as its pilot changed it: left off, added, with limits of their own, in their order within each station. */
export function withOwnList(made: readonly Item[], list: OwnList | undefined): Item[] {
	if (!list) return [...made];
	const off = new Set(list.off);
	const place = new Map(list.order.map((id, k) => [id, k]));
	return [...made.filter((item) => !(off.has(item.id) && mayBeOff(item))), ...list.items.map(itemOfOwn)]
		.map((item): Item => {
			const own = list.limits[item.id];
			if (!own || !item.limit) return item;
			return { ...item, limit: { ...item.limit, ...own, low: own.low, high: own.high } };
		})
		.toSorted((a, b) => {
			if (a.station !== b.station) return isBefore(a.station, b.station) ? -1 : 1;
			const [first, second] = [a, b].map(({ id }) => place.get(id) ?? place.size);
			return first - second;
		});
}

const fileSchema = z.object({ format: z.literal('winglogos-checklist-1'), list: ownListSchema });

/** A list as a file, to be read by another device. */
export const listFile = (list: OwnList): string =>
	`${JSON.stringify({ format: 'winglogos-checklist-1', list }, null, '\t')}\n`;

/** @throws InputError naming the field that does not fit. */
export function readListFile(text: string): OwnList {
	let raw: unknown;
	try {
		raw = JSON.parse(text);
	} catch {
		throw new InputError('unreadable-json', 'list', 'The file is no JSON.');
	}
	const found = fileSchema.safeParse(raw);
	if (found.success) return found.data.list;
	const [issue] = found.error.issues;
	throw new InputError('not-a-list', issue.path.join('.'), `${issue.path.join('.') || 'The file'}: ${issue.message}`);
}
