import { describe, expect, it } from 'vitest';
import { armingReasons } from './arming';

describe('a message of an aircraft that does not arm', () => {
	it.each([
		['THR not down', 'throttle'],
		['Compass inconsistent', 'compass'],
		['waiting for sats', 'no-fix'],
		['batt voltage too low', 'pack'],
		['accelerometer needs calibration', 'accelerometer'],
		['RX lost', 'link'],
		['leaning 31 degrees', 'tilted'],
		['USB connected', 'cable'],
		['gyro still initialising', 'gyro'],
		['RC not calibrated', 'sticks'],
		['Gyro not calibrated', 'gyro'],
		['Compass calibration required', 'compass'],
	])('"%s" leads to %s first', (said, id) => {
		expect(armingReasons(said).usual[0].id).toBe(id);
	});

	it('"not calibrated" alone names every calibration', () => {
		const ids = armingReasons('not calibrated').usual.map(({ id }) => id);
		expect(ids.toSorted()).toEqual(['accelerometer', 'compass', 'gyro', 'sticks']);
	});

	it('that nobody knows leads to nothing rather than to anything', () => {
		expect(armingReasons('qqq zzz')).toEqual({ own: [], usual: [] });
	});

	it('that was noted before comes with what it meant', () => {
		const own = [{ id: 'm', text: 'PRG 7', means: 'the guard was left on', next: 'guard off' }];
		expect(armingReasons('prg', own).own).toEqual(own);
		expect(armingReasons('compass', own).own).toEqual([]);
		expect(armingReasons('', own).own).toEqual(own);
	});
});
