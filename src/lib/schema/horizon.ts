import { z } from 'zod';
import { judgedShape } from './common';

export const horizonAnswerSchema = z.object({
	/** Positive where the right side of the picture is lower. */
	tiltDeg: z.number().nullable(),
	sigmaDeg: z.number().nullable(),
	confidence: z.number().nullable(),
	/** Ends of the line in pixels of the picture as posted, after its EXIF orientation. */
	line: z.tuple([z.number(), z.number(), z.number(), z.number()]).nullable(),
	...judgedShape,
});
export type HorizonAnswer = z.infer<typeof horizonAnswerSchema>;
