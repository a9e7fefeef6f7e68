import { form, number } from '../form';

export const fields = form([
	number('set', 'Feeder set', 'turns/min', 60, { min: 0.1, max: 10_000 }),
	number('turns', 'Turns counted', '', 60, { min: 0.1, max: 1e6 }),
	number('seconds', 'in', 's', 60, { min: 1, max: 36_000 }),
	number('grams', 'Caught', 'g', 900, { min: 0, max: 1e6 }),
	number('speed', 'Flying at', 'km/h', 18, { min: 0.1, max: 200 }),
	number('swath', 'Swath', 'm', 6, { min: 0.1, max: 200 }),
	number('wanted', 'Wanted', 'kg/ha', 5, { min: 0.01, max: 10_000 }),
	number('fanSet', 'Fan set', 'turns/min', 3000, { min: 1, max: 100_000, optional: true }),
	number('fan', 'Fan turns', 'turns/min', 2950, { min: 0, max: 100_000, optional: true }),
]);
