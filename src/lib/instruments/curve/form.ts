import { form } from '../form';

export const fields = form([
	{ kind: 'number', id: 'expo', label: 'Curve e, 0 straight to 1', unit: '', min: 0, max: 1, start: 0.3 },
	{ kind: 'number', id: 'rate', label: 'Full rate', unit: '°/s', min: 1, max: 3000, start: 220 },
	{ kind: 'number', id: 'low', label: 'Comfortable from', unit: '°/s', min: 1, max: 3000, start: 90 },
	{ kind: 'number', id: 'high', label: 'Comfortable up to', unit: '°/s', min: 1, max: 3000, start: 240 },
]);
