import { z } from 'zod';

/** Every value that more than one place of a session uses. `core/facts/keys` says what each is and how it is compared. */
export const factKeySchema = z.enum([
	'returnAltitudeM',
	'returnSpeedMps',
	'minReturnDistanceM',
	'descentMps',
	'climbMps',
	'airspeedMaxMps',
	'speedReference',
	'climbsFirst',
	'failsafeAction',
	'minSatellites',
	'maxHdop',
	'lockHoldS',
	'compassHeadingLimitDeg',
	'windFromDeg',
	'windMps',
	'gustMps',
	'batteryId',
	'batteryStartPct',
	'tallestObstacleM',
	'obstacleCount',
	'venue',
	'settingsProfile',
	'payload',
	'compassRollDeg',
	'compassPitchDeg',
	'compassYawDeg',
	'boardRollDeg',
	'boardPitchDeg',
	'boardYawDeg',
]);
export type FactKey = z.infer<typeof factKeySchema>;

/** How a value is known, strongest first; `simulated` counts in training sessions only. */
export const factSourceSchema = z.enum([
	'measured',
	'display',
	'byEye',
	'reported',
	'simulated',
	'profile',
	'derived',
	'default',
]);
export type FactSource = z.infer<typeof factSourceSchema>;

const value = z.union([z.number(), z.string().max(120)]);

/** A value that an entry states, in SI units. */
export const statedFactSchema = z.object({ key: factKeySchema, value, sigma: z.number().min(0).optional() });
export type StatedFact = z.infer<typeof statedFactSchema>;

/** A value that a finding was computed with, and the entry it came from, where one states it. */
export const usedFactSchema = z.object({
	key: factKeySchema,
	value,
	source: factSourceSchema,
	entry: z.string().max(80).optional(),
});
export type UsedFact = z.infer<typeof usedFactSchema>;
