import { fieldAt } from '$lib/core/earth/field';
import { InputError } from '$lib/core/finding/inputError';
import type { Vec3 } from '$lib/core/frames/vec3';
import type { Input } from '../instrument';

/** The field that the samples are made in: that of Hollin Saltings. */
export const FIELD: Vec3 = [17.53, -0.42, 46.55];

/** The field of the place entered, on the day. @throws InputError where no place was entered. */
export function modelOf({ site, date }: Input) {
	if (!site) throw new InputError('missing', 'site', 'Site: enter one, the field is compared with that of the place.');
	return fieldAt(site.latDeg, site.lonDeg, site.altM, date);
}
