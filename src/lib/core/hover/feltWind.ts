/**
 * Wind by what it does, as mean and deviation at 10 m, m/s: v = 0.836·B^1.5 with a step of the scale off by 0.7. Only how an
 * error of the step spreads is worked out; the scale itself is untested. Gusts with turbulence of 0.18 ± 0.04.
 */
export const FEEL: readonly { mps: number; sigma: number; seen: string }[] = [
	{ mps: 0.2, sigma: 0.4, seen: 'Smoke rises straight' },
	{ mps: 1.0, sigma: 0.8, seen: 'Smoke drifts' },
	{ mps: 2.5, sigma: 1.2, seen: 'Felt on the face; leaves rustle' },
	{ mps: 4.4, sigma: 1.5, seen: 'Twigs keep moving' },
	{ mps: 6.8, sigma: 1.7, seen: 'Dust rises; small branches move' },
	{ mps: 9.4, sigma: 2.0, seen: 'Small trees sway' },
	{ mps: 12.4, sigma: 2.1, seen: 'Large branches move' },
	{ mps: 15.5, sigma: 2.3, seen: 'Whole trees move' },
	{ mps: 19.0, sigma: 2.5, seen: 'Twigs break off' },
];

const SHEAR = 0.143;
/** The step that nineteen in twenty stay below, and what a gust is above the mean. */
const [STEP_95, GUST] = [1.2, 1 + 3 * 0.18];

/** Where people stand and feel the wind, metres. */
export const FELT_AT_M = 3;

/** Wind at a height by what it does, m/s: its mean, the gusts that go with it, and the gust that nineteen in twenty stay below. */
export interface FeltWind {
	speedMps: number;
	typicalGustMps: number;
	gustMps: number;
}

/** Wind of a step of 0 to 8 at a height in metres. */
export function feltWind(step: number, heightM: number): FeltWind {
	const shear = (Math.max(1, heightM) / 10) ** SHEAR;
	const speedMps = FEEL[step].mps * shear;
	return { speedMps, typicalGustMps: speedMps * GUST, gustMps: 0.836 * (step + STEP_95) ** 1.5 * GUST * shear };
}
