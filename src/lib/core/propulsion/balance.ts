import { propulsion as say } from '$lib/messages/propulsion';
import type { BalanceAnswer, BalanceRequest } from '../../schema/power';
import { InputError } from '../finding/inputError';
import { judge, reason } from '../finding/reasons';

/**
 * Balance along the length: Σmᵢxᵢ/Σmᵢ against the mark, mm behind the datum, and how far to move the pack:
 * total mass × error / pack mass. A little nose-heavy is good, tail-heavy is not.
 * @throws InputError where nothing has mass or the pack's index is not a part.
 */
export function solveBalance({ parts, packIndex, markMm, noseHeavyMm, armSigmaMm }: BalanceRequest): BalanceAnswer {
	const massG = parts.reduce((sum, { massG: m }) => sum + m, 0);
	if (!(massG > 0)) throw new InputError('no-mass', 'parts', 'Nothing here has mass.');
	if (packIndex >= parts.length) throw new InputError('pack', 'packIndex', 'Say which part is the pack.');
	const centreMm = parts.reduce((sum, { massG: m, armMm }) => sum + m * armMm, 0) / massG;
	const centreSigmaMm = (armSigmaMm * Math.hypot(...parts.map((part) => part.massG))) / massG;
	const errorMm = centreMm - markMm;
	const pack = parts[packIndex];
	const shiftPackMm = pack.massG > 0 ? (-massG * errorMm) / pack.massG : null;
	const limit = { value: 0, unit: 'mm', source: 'The mark of the maker’s sheet' };
	const nose = { value: noseHeavyMm, unit: 'mm', source: 'Your tolerance' };
	const unsure = errorMm <= 0 && errorMm + centreSigmaMm > 0;
	/** Forward until the tail is not heavy even at one sigma. */
	const forwardMm = pack.massG > 0 ? Math.ceil((massG * (errorMm + centreSigmaMm)) / pack.massG) : null;
	return {
		massG,
		centreMm,
		centreSigmaMm,
		errorMm,
		shiftPackMm,
		...judge([
			errorMm > centreSigmaMm
				? reason('fail', say('tail-heavy', { shiftPackMm, name: pack.name }), { value: errorMm, limit })
				: errorMm > 0 || unsure
					? reason('caution', say('near-mark', { forwardMm, shiftPackMm, name: pack.name }), { value: errorMm, limit })
					: -errorMm > noseHeavyMm
						? reason('caution', say('nose-heavy', { shiftPackMm, name: pack.name }), { value: -errorMm, limit: nose })
						: reason('pass', say('balanced'), { value: -errorMm, limit: nose }),
		]),
	};
}
