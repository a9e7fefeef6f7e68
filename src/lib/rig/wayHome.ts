import { returnRequestSchema, type ReturnRequest } from '../schema/return';

/** The way home of a mapping quadcopter over the saltings: a request that passes, for tests, samples and benchmarks. */
export const WAY_HOME = {
	aircraft: {
		airspeedMaxMps: 16,
		returnSpeedMps: 10,
		speedKind: 'ground',
		climbMps: 3,
		descentMps: 1.5,
		hoverW: 180,
		cruiseW: 200,
		climbW: 260,
		descentW: 160,
	},
	pack: { usableWh: 60, reservePct: 25 },
	wind: { fromDeg: 250, speedMps: 4, gustMps: 6 },
	settings: { returnHeightM: 40, minDistanceM: 20, climbFirst: true, action: 'return' },
	position: { bearingDeg: 62, distanceM: 500, heightM: 25 },
	obstacles: [],
	usedWh: 10,
} as const;

export type WayHomeChange = { [K in keyof ReturnRequest]?: Partial<ReturnRequest[K]> };

/** That request with some of its fields changed. */
export const wayHome = (change: WayHomeChange = {}): ReturnRequest =>
	returnRequestSchema.parse(
		Object.fromEntries(
			Object.entries(WAY_HOME).map(([key, value]) => {
				const more = (change as Record<string, unknown>)[key];
				return [
					key,
					typeof value === 'object' && !Array.isArray(value) ? { ...value, ...(more as object) } : (more ?? value),
				];
			}),
		),
	);
