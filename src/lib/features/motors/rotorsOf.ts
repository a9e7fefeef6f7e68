import { motorsOf } from '$lib/core/propulsion/layouts';
import { motorWords, usualLayout } from '$lib/core/propulsion/motorWalk';
import type { Aircraft } from '$lib/schema/records';

export type RotorState = 'plain' | 'asked' | 'done' | 'wrong';

/** Motors of an aircraft as they are drawn; none where its layout is not known. */
export function rotorsOf(
	{ layout, spin, rotors }: Pick<Aircraft, 'layout' | 'spin' | 'rotors'>,
	state: (name: string) => RotorState = () => 'plain',
) {
	const known = layout ?? usualLayout(rotors);
	if (!known) return [];
	return motorsOf(known, spin ?? 'front-inward').map(({ name, x, y, spin: way }) => ({
		name,
		x,
		y,
		spin: way,
		words: motorWords(name, known),
		state: state(name),
		lower: /^(FLL|FRL|BL)$/.test(name) && known === 'y6',
	}));
}
