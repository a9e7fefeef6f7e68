import { expect, it } from 'vitest';
import { FEEL, FELT_AT_M, feltWind } from './feltWind';

it.each([
	[3, 3.7, 5.8, 9.3],
	[4, 5.7, 8.8, 12.9],
])('wind by step %i at 3 m: mean %f, gusts %f, 95 %% below %f m/s', (step, mean, typical, most) => {
	const wind = feltWind(step, FELT_AT_M);
	expect(wind.speedMps).toBeCloseTo(mean, 1);
	expect(Math.abs(wind.typicalGustMps - typical)).toBeLessThan(0.1);
	expect(Math.abs(wind.gustMps - most)).toBeLessThan(0.1);
});

it('wind by step: mean, typical gust and 95 % gust grow with the step and with height', () => {
	for (let step = 1; step < FEEL.length; step++) {
		const [below, here, higher] = [feltWind(step - 1, 3), feltWind(step, 3), feltWind(step, 30)];
		expect(here.speedMps).toBeGreaterThan(below.speedMps);
		expect(here.gustMps).toBeGreaterThan(here.typicalGustMps);
		expect(here.typicalGustMps).toBeGreaterThan(here.speedMps);
		expect(higher.gustMps).toBeGreaterThan(here.gustMps);
	}
});
