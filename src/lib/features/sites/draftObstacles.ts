import { z } from 'zod';
import { obstacleSchema, type Obstacle } from '$lib/schema/records';

/** An obstacle while it is entered: what was not said yet is missing, never zero. */
const draftObstacleSchema = obstacleSchema
	.omit({ name: true })
	.partial()
	.required({ id: true })
	.extend({ name: z.string().max(120).optional() });
export type DraftObstacle = z.infer<typeof draftObstacleSchema>;
export const draftObstaclesSchema = z.array(draftObstacleSchema).max(200);

const NEEDED = { name: 'a name', bearingDeg: 'a direction', distanceM: 'a distance', heightM: 'a height' } as const;

/** What an obstacle still needs, in words. */
export const missingOf = (o: DraftObstacle): string =>
	(Object.keys(NEEDED) as (keyof typeof NEEDED)[])
		.filter((key) => o[key] === undefined || o[key] === '')
		.map((key) => NEEDED[key])
		.join(' and ');

export const isWhole = (o: DraftObstacle): o is Obstacle => obstacleSchema.safeParse(o).success;
