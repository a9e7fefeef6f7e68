import { form, number } from '../form';

export const fields = form([
	number('baud', 'Line', 'baud', 57_600, { min: 1, max: 1e7 }),
	number('rateHz', 'Rate wanted, where it shall be raised', 'Hz', null, { min: 0.1, max: 100, optional: true }),
]);
