import type { FactKey } from '../../schema/facts';
import { aircraftSchema, type Aircraft } from '../../schema/records';

/** The field of an aircraft's profile that keeps a key, with the value that it then has; null where no field keeps it. */
function fieldOf(aircraft: Aircraft, key: FactKey, value: number | string): [keyof Aircraft, unknown] | null {
	const flies = (part: NonNullable<Aircraft['flies']>): [keyof Aircraft, unknown] => [
		'flies',
		{ ...aircraft.flies, ...part },
	];
	switch (key) {
		case 'returnAltitudeM':
			return ['returnHeightM', value];
		case 'returnSpeedMps':
			return ['returnSpeedMps', value];
		case 'minReturnDistanceM':
			return ['minReturnDistanceM', value];
		case 'failsafeAction':
			return ['lossAction', value];
		case 'compassHeadingLimitDeg':
			return ['compassHeadingLimitDeg', value];
		case 'descentMps':
			return flies({ descentMps: Number(value) });
		case 'climbMps':
			return flies({ climbMps: Number(value) });
		case 'airspeedMaxMps':
			return flies({ airspeedMaxMps: Number(value) });
		case 'minSatellites':
			return ['lock', { ...aircraft.lock, minSatellites: value }];
		case 'maxHdop':
			return ['lock', { ...aircraft.lock, maxHdop: value }];
		case 'lockHoldS':
			return ['lock', { ...aircraft.lock, holdS: value }];
		default:
			return null;
	}
}

/** Whether a field of the profile keeps a value. */
export const profileKeeps = (aircraft: Aircraft, key: FactKey, value: number | string): boolean =>
	Boolean(fieldOf(aircraft, key, value));

/**
 * An aircraft whose profile states a value; unchanged where no field keeps the key. What was entered is no default any more.
 *
 * @throws ZodError where the value is outside what the field admits
 */
export function withFact(aircraft: Aircraft, key: FactKey, value: number | string): Aircraft {
	const found = fieldOf(aircraft, key, value);
	if (!found) return aircraft;
	const [field, next] = found;
	const { defaults } = aircraft;
	return aircraftSchema.parse({
		...aircraft,
		[field]: next,
		...(defaults ? { defaults: defaults.filter((one) => one !== field) } : {}),
	});
}
