import type { DecisionPayload } from '../../schema/entries';
import type { Aircraft } from '../../schema/records';

/** The aircraft's own limits as they stood when a gate was decided: kept with the decision, so that a later change shows. */
export const limitsInForce = (aircraft: Aircraft): NonNullable<DecisionPayload['limits']> => [
	{ label: 'Satellites, at least', value: aircraft.lock.minSatellites, unit: '' },
	{ label: 'HDOP, at most', value: aircraft.lock.maxHdop, unit: '' },
	{ label: 'Lock held, at least', value: aircraft.lock.holdS, unit: 's' },
	{ label: 'Heading known to, at most', value: aircraft.compassHeadingLimitDeg, unit: '°' },
	{ label: 'Return speed', value: aircraft.returnSpeedMps, unit: 'm/s' },
	{ label: 'Return height', value: aircraft.returnHeightM, unit: 'm' },
];
