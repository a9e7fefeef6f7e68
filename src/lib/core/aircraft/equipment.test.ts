import { describe, expect, it } from 'vitest';
import { newAircraft } from '../../schema/newAircraft';
import { sensorsOf } from '../due/rules';

const AT = '2026-05-14T09:00:00.000Z';

describe('sensors that can fall due', () => {
	it('camera horizon: only on an aircraft with a camera', () => {
		const bare = newAircraft('a', 'multirotor', AT);
		expect(sensorsOf(bare)).not.toContain('camera');
		expect(sensorsOf({ ...bare, parts: { camera: true } })).toContain('camera');
		expect(sensorsOf({ ...newAircraft('a', 'camera', AT), parts: { camera: false } })).not.toContain('camera');
	});
	it('vision: by the sensors fitted, not by the kind', () => {
		const quad = newAircraft('a', 'multirotor', AT);
		expect(sensorsOf(quad)).not.toContain('vision');
		expect(sensorsOf({ ...quad, parts: { obstacle: true } })).toContain('vision');
	});
});
