import { describe, expect, it } from 'vitest';
import { TABLE } from '../../symptoms/table';
import { faultsOf } from './faults';
import { factsOf } from './templates';
import { SIGNED_FAULTS, signOf } from './signs';

describe('sign of a fault', () => {
	const signs = new Set(TABLE.observations.map(({ id }) => id));

	it.each(SIGNED_FAULTS.map(([item, fault, sign]) => ({ item, fault, sign })))(
		'$item, “$fault”: offered, and known to troubleshooting',
		({ item, fault, sign }) => {
			expect(faultsOf({ id: item, type: 'confirm', ...factsOf(item) })).toContain(fault);
			expect(signs).toContain(sign);
		},
	);

	it('wrong nudge: by what the aircraft did', () => {
		expect(signOf('nudge-roll', '', 'opposite')).toBe('tilts-wrong');
		expect(signOf('nudge-yaw', '', 'opposite')).toBe('yaw-wrong');
		expect(signOf('nudge-pitch', '', 'flips')).toBe('flips');
	});

	it('hover test step: by its fault', () => {
		expect(signOf('height-rung', 'It circled')).toBe('circles');
	});

	it('words of the pilot’s own: none', () => {
		expect(signOf('frame', 'a bee in the motor')).toBeUndefined();
	});
});
