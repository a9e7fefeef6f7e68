import { form, number, type FormOf } from '../form';

/** Attitudes wanted: a wing flies nose-up by its own figure. */
export const WANTED = form([
	number('wantedRoll', 'Roll wanted', '°', 0, { min: -20, max: 20, usual: true, note: 'level, for most' }),
	number('wantedPitch', 'Pitch wanted, nose-up', '°', 0, {
		min: -20,
		max: 20,
		usual: true,
		note: 'a wing: its flying attitude',
	}),
]);

/** The attitude wanted, degrees. */
export const wantedOf = (v: FormOf<typeof WANTED>) => ({
	rollDeg: v.wantedRoll,
	pitchDeg: v.wantedPitch,
});
