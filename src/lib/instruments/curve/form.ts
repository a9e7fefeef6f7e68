import { form, number } from '../form';

export const fields = form([
	number('expo', 'Curve e, 0 straight to 1', '', 0.3, { min: 0, max: 1 }),
	number('rate', 'Full rate', '°/s', 220, { min: 1, max: 3000 }),
	number('low', 'Comfortable from', '°/s', 90, { min: 1, max: 3000 }),
	number('high', 'Comfortable up to', '°/s', 240, { min: 1, max: 3000 }),
]);
