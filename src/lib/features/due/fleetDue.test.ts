import { describe, expect, it } from 'vitest';
import type { SensorDue } from '$lib/core/due/due';
import { findInstrument, LIVE } from '$lib/instruments/catalogue';
import { sensorSchema } from '$lib/schema/records';
import { dueTitle, INSTRUMENT_OF } from './fleetDue';

const due = (...names: string[]) => names.map((name) => ({ name, due: true }) as SensorDue);

describe('what is due, as a headline', () => {
	it.each([
		[[], 'Nothing is due on Dunlin'],
		[['Compass'], 'Due on Dunlin: compass'],
		[['Compass', 'Gyro', 'Level'], 'Due on Dunlin: compass, gyro, level'],
		[['Compass', 'Gyro', 'Level', 'Camera', 'Vision'], 'Due on Dunlin: compass, gyro, level and 2 more'],
	])('%o', (names, words) => {
		expect(dueTitle(due(...names), 'Dunlin')).toBe(words);
	});
	it('what is not due is not told', () => {
		expect(dueTitle([...due('Gyro'), { name: 'Level', due: false } as SensorDue], 'Dunlin')).toBe(
			'Due on Dunlin: gyro',
		);
	});
	it('every sensor leads to an instrument that there is, or says that there is none', () => {
		for (const sensor of sensorSchema.options) {
			const id = INSTRUMENT_OF[sensor];
			if (id !== null) expect(findInstrument(id) ?? LIVE.find((one) => one.id === id), sensor).toBeDefined();
		}
	});
});
