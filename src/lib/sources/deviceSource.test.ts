import { describe, expect, it } from 'vitest';
import { ACCEL_LOG } from '$lib/core/record/logRoles';
import { lineReader } from './deviceSource';

const roles = ACCEL_LOG;

describe('a serial line read as it comes', () => {
	it('gives rows under their header, in SI units, with times from the first row, however the text is cut', () => {
		const text = 't [ms],ax [g],ay [g],az [g]\n5000,0,0,-1\n5020,0.5,0,-1\n5040,0,0.25,-1\n';
		for (const cut of [1, 7, 29, 400]) {
			const reader = lineReader(roles);
			const got = { t: [] as number[], x: [] as number[], y: [] as number[] };
			for (let k = 0; k < text.length; k += cut) {
				const batch = reader.take(text.slice(k, k + cut));
				got.t.push(...(batch?.accel?.t ?? []));
				got.x.push(...(batch?.accel?.x ?? []));
				got.y.push(...(batch?.accel?.y ?? []));
			}
			expect(got.t, `cut at ${cut}`).toEqual([0, 0.02, 0.04].map((v) => expect.closeTo(v, 9)));
			expect(got.x[1]).toBeCloseTo(0.5 * 9.80665, 9);
			expect(got.y[2]).toBeCloseTo(0.25 * 9.80665, 9);
			expect(reader.lost).toBe(0);
		}
	});

	it('leaves out rows that do not fit, counts them, and goes on', () => {
		const reader = lineReader(roles);
		reader.take('t [s],ax [m/s2],ay [m/s2],az [m/s2]\n0,0,0,-9.8\n');
		const batch = reader.take('0.1,0,0\n0.2,0,x,-9.8\n0.3,1,2,-9.8\n0.25,1,2,-9.8\n');
		expect(batch?.accel?.t).toEqual([0.3, 0.25]);
		expect(reader.lost).toBe(2);
	});

	it('hands on sentences of a receiver beside rows, and begins at a whole line', () => {
		const reader = lineReader(roles);
		const batch = reader.take(
			'3.2,1\n$GPGGA,1*00\nt [s],ax [m/s2],ay [m/s2],az [m/s2]\n0,0,0,-9.8\n# note\n!AIVDM*00\n',
		);
		expect(batch?.lines).toEqual(['$GPGGA,1*00', '!AIVDM*00']);
		expect(batch?.accel?.z).toEqual([-9.8]);
	});

	it('of sentences alone keeps the listener’s clock; one with rows has its own', () => {
		const reader = lineReader(roles);
		expect(reader.take('$GPGGA,1*00\n', 3.5)?.atS).toBe(3.5);
		expect(reader.take('$GPGGA,1*00\n', 4.5)?.atS).toBe(4.5);
		reader.take('t [s],ax [m/s2],ay [m/s2],az [m/s2]\n100,0,0,-9.8\n100.2,0,0,-9.8\n', 5.5);
		expect(reader.take('$GPGGA,1*00\n', 6.5)?.atS).toBeCloseTo(0.2, 9);
	});

	it('without a header says how one looks', () => {
		const reader = lineReader(roles);
		expect(() => reader.take('hello\n1,2,3,4\n')).toThrow(/must begin with a header/);
	});
});
