import { z } from 'zod';
import { judgedShape } from './common';

const numberFromText = (schema: z.ZodNumber) =>
	z
		.string()
		.refine((text) => text.trim() !== '' && Number.isFinite(Number(text)), 'must be a number')
		.transform(Number)
		.pipe(schema);

/** Query of POST /api/gnss/review; the body is NMEA 0183 text. */
export const gnssQuerySchema = z.object({
	minSatellites: numberFromText(z.int().min(1).max(100)).default(8),
	maxHdop: numberFromText(z.number().positive().max(50)).default(2),
	holdS: numberFromText(z.number().min(0).max(3600)).default(30),
});

const nullableNumber = z.number().nullable();

export const satelliteSchema = z.object({
	system: z.string(),
	id: z.int(),
	elevationDeg: nullableNumber,
	azimuthDeg: nullableNumber,
	snrDb: nullableNumber,
	used: z.boolean(),
});
export type Satellite = z.infer<typeof satelliteSchema>;

export const fixTypeSchema = z.enum(['none', '2D', '3D', 'differential', 'rtk-float', 'rtk-fixed']);
export type FixType = z.infer<typeof fixTypeSchema>;

export const gnssAnswerSchema = z.object({
	sentences: z.int(),
	checksumErrors: z.int(),
	withoutChecksum: z.int(),
	unknownSentences: z.int(),
	epochs: z.int(),
	fixes: z.int(),
	firstFixS: nullableNumber,
	lockS: nullableNumber,
	satellitesUsed: z.object({ min: nullableNumber, median: nullableNumber, last: nullableNumber }),
	satellitesInView: nullableNumber,
	hdop: z.object({ best: nullableNumber, median: nullableNumber, last: nullableNumber }),
	fixType: fixTypeSchema,
	home: z.object({ latDeg: z.number(), lonDeg: z.number(), altM: nullableNumber, sigmaM: z.number() }).optional(),
	scatter: z.object({ cep50M: z.number(), cep95M: z.number(), driftMPerMin: z.number() }).optional(),
	rateHz: nullableNumber,
	sky: z.array(satelliteSchema),
	problems: z.array(z.object({ line: z.int(), what: z.string(), text: z.string() })),
	...judgedShape,
});
export type GnssAnswer = z.infer<typeof gnssAnswerSchema>;
