import type { DecisionPayload } from '../../schema/entries';
import type { FactKey } from '../../schema/facts';
import type { Aircraft, Venue } from '../../schema/records';
import type { Facts } from '../facts/facts';
import { FACT_RULES } from '../facts/keys';
import { factWords, originWords } from '../facts/words';
import { comesHome } from '../aircraft/capabilities';

/** Which limits and settings a decision rests on: only those that the aircraft has and the place asks for. */
function keysFor(aircraft: Pick<Aircraft, 'hasPosition' | 'kind' | 'compasses'>, venue: Venue | undefined): FactKey[] {
	const outdoors = venue !== 'roof';
	return [
		...(aircraft.hasPosition && outdoors ? (['minSatellites', 'maxHdop', 'lockHoldS'] as const) : []),
		...(aircraft.compasses > 0 && outdoors ? (['compassHeadingLimitDeg'] as const) : []),
		...(comesHome(aircraft) && outdoors ? (['returnSpeedMps', 'returnAltitudeM'] as const) : []),
		'failsafeAction',
		'settingsProfile',
		'payload',
	];
}

/** The limits and settings in force when a gate is decided, each with how it is known: kept with the decision. */
export const limitsInForce = (
	facts: Facts,
	aircraft: Pick<Aircraft, 'hasPosition' | 'kind' | 'compasses'>,
	venue: Venue | undefined,
): NonNullable<DecisionPayload['limits']> =>
	keysFor(aircraft, venue).flatMap((key) => {
		const statement = facts.of(key);
		// The outdoor settings are the ordinary ones: only others are worth a line.
		if (!statement || (key === 'settingsProfile' && statement.value === 'outdoor')) return [];
		const { label, unit } = FACT_RULES[key];
		const value = typeof statement.value === 'string' ? factWords(key, statement.value, 'metric') : statement.value;
		return [{ label, value, unit, source: originWords(statement) }];
	});
