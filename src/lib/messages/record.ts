import { area } from './message';

interface Difference {
	what: string;
	difference: number;
	unit: string;
}

/** Record: findings by code. */
export const record = area('record', {
	'insufficient-repeats': ({ what }: { what: string }) => ({
		text: `${what}: one value each, without its uncertainty, compares nothing.`,
		next: 'Repeat the measurement at least twice on each side.',
	}),
	better: ({ what, difference, unit }: Difference) => ({
		text: `${what} is ${difference.toPrecision(2)} ${unit} better than before, more than the noise.`,
	}),
	worse: ({ what, difference, unit }: Difference) => ({
		text: `${what} is ${difference.toPrecision(2)} ${unit} worse than before, more than the noise.`,
		next: 'Go back to the earlier values, or find out what changed.',
	}),
	'no-difference': ({ what, difference, unit }: Difference) => ({
		text: `${what}: the difference of ${difference.toPrecision(2)} ${unit} is no larger than the noise.`,
	}),
});
