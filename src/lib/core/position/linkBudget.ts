import { position as say } from '$lib/messages/position';
import type { Reason, Verdict } from '../../schema/common';
import { InputError } from '../finding/inputError';
import { atMost } from '../finding/grade';
import { judge, reason } from '../finding/reasons';
import { positionLimits as limits } from './limits';
import { readNmea, type Sentence } from './nmea';

export interface LinkBudget {
	bytesPerEpoch: number | null;
	rateHz: number | null;
	baud: number;
	loadPct: number | null;
	/** Bytes of each sentence type per epoch, largest first: what could be switched off. */
	types: { type: string; bytesPerEpoch: number }[];
	verdict: Verdict;
	reasons: Reason[];
}

/** Start bit, eight data bits, stop bit. */
const BITS_PER_BYTE = 10;
const FEWEST_EPOCHS = 5;
const LINE_END = 2;

/**
 * How full a receiver's serial line is: bytes per epoch × 10 bits × rate against the baud rate. The epochs are those of the
 * sentence that carries the time most often; `rateHz` overrides the rate that the log shows.
 * @throws InputError for a baud rate that is none.
 */
export function reviewLink(text: string, baud: number, rateHz: number | null = null): LinkBudget {
	if (!(baud > 0)) throw new InputError('baud', 'baud', 'The baud rate must be above zero.');
	const bytes = new Map<string, number>();
	const times = new Set<string>();
	let total = 0;
	readNmea(text, (sentence) => {
		const { talker, type } = sentence;
		// The address, the fields with their commas, $ and *HH, and the line's end.
		const size = 1 + talker.length + type.length + fieldsSize(sentence) + 3 + LINE_END;
		bytes.set(type, (bytes.get(type) ?? 0) + size);
		total += size;
		const clock =
			type === 'GGA' || type === 'RMC' || type === 'GNS' ? sentence.text(0) : type === 'GLL' ? sentence.text(4) : '';
		if (clock) times.add(String(Number(clock)));
	});
	const nothing = { bytesPerEpoch: null, rateHz: null, baud, loadPct: null, types: [] };
	if (times.size < FEWEST_EPOCHS)
		return {
			...nothing,
			...judge([
				reason('fail', say('insufficient-epochs'), {
					value: times.size,
					limit: { value: FEWEST_EPOCHS, unit: 'epochs', source: 'Winglogos rule' },
				}),
			]),
		};
	const clocks = [...times].map((clock) => secondsOf(Number(clock))).sort((a, b) => a - b);
	const steps = clocks.slice(1).map((v, k) => v - clocks[k]);
	const usual = steps.toSorted((a, b) => a - b)[steps.length >> 1];
	const rate = rateHz ?? (usual > 0 ? 1 / usual : 1);
	const bytesPerEpoch = total / times.size;
	const loadPct = (100 * bytesPerEpoch * BITS_PER_BYTE * rate) / baud;
	const needed = Math.ceil((bytesPerEpoch * BITS_PER_BYTE * rate) / (limits.linkLoadPct.value / 100));
	const next = `Raise the line to at least ${needed} baud, switch off sentences that nobody reads, or use the receiver's binary protocol.`;
	return {
		bytesPerEpoch,
		rateHz: rate,
		baud,
		loadPct,
		types: [...bytes]
			.map(([type, size]) => ({ type, bytesPerEpoch: size / times.size }))
			.sort((a, b) => b.bytesPerEpoch - a.bytesPerEpoch),
		...judge([
			loadPct > 100
				? reason('fail', say('line-too-slow', { nextWords: next }), { value: loadPct, limit: limits.linkLoadPct })
				: atMost(loadPct, {
						caution: { limit: limits.linkLoadPct, says: say('line-full', { needed }) },
						pass: say('line-roomy'),
					}),
		]),
	};
}

const secondsOf = (hhmmss: number) =>
	Math.floor(hhmmss / 10_000) * 3600 + (Math.floor(hhmmss / 100) % 100) * 60 + (hhmmss % 100);

/** Bytes of a sentence's fields, each with its comma. */
const fieldsSize = (sentence: Sentence) => (sentence.count === 0 ? 0 : sentence.body.length + 1);
