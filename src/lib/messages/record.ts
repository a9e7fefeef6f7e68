import { area } from './message';

interface Difference {
	what: string;
	difference: number;
	unit: string;
}

/** Record: findings by code. */
export const record = area('record', {
	'insufficient-repeats': ({ what }: { what: string }) => ({
		text: `${what}: one value each without uncertainty cannot be compared.`,
		next: 'Repeat the measurement at least twice on each side.',
	}),
	better: ({ what, difference, unit }: Difference) => ({
		text: `${what} is ${difference.toPrecision(2)} ${unit} better than before, above the noise.`,
	}),
	worse: ({ what, difference, unit }: Difference) => ({
		text: `${what} is ${difference.toPrecision(2)} ${unit} worse than before, above the noise.`,
		next: 'Restore the earlier values, or find out what changed.',
	}),
	'no-difference': ({ what, difference, unit }: Difference) => ({
		text: `${what}: difference ${difference.toPrecision(2)} ${unit}, within the noise.`,
	}),
});
