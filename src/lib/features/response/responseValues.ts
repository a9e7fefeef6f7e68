import { usualLayout } from '$lib/core/propulsion/motorWalk';
import type { Observed } from '$lib/core/session/tasks/responseStop';
import type { Values } from '$lib/instruments/instrument';
import type { Entry } from '$lib/schema/entries';
import type { Aircraft } from '$lib/schema/records';

/** What a walk from motor to motor showed, as the checks of the ranking have it: right where it passed, else by what it found. */
function walked(entry: Entry | null): Values {
	if (entry?.payload.kind !== 'test') return {};
	const { verdict, reasons } = entry.payload;
	if (verdict === 'pass') return { 'spin-check': 'right', 'motor-order-check': 'right' };
	const count = (code: string) => reasons.filter((r) => r.code === code).length;
	if (count('motor-silent') + count('insufficient-walk') > 0) return {};
	const spins = count('all-reversed') > 0 ? 'wrong' : ['right', 'one-wrong'][count('motor-reversed')];
	return {
		'spin-check': spins ?? 'some-wrong',
		'motor-order-check': count('outputs-exchanged') > 0 ? 'some-wrong' : 'right',
	};
}

/** What is known of the aircraft and was seen of its motors and nudges, as the ranking's form takes it; what is not known stays empty. */
export const responseValues = (
	{ layout, spin, rotors }: Aircraft,
	observed: Observed,
	motorWalk: Entry | null = null,
): Values => ({
	layout: layout ?? usualLayout(rotors) ?? '',
	spin: spin ?? '',
	...observed,
	throttle: 'not-tried',
	...walked(motorWalk),
});
