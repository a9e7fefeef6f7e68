import { choice, form } from '../form';
import { angle } from '../shared/heading';

export const fields = form([
	angle('arrow', 'The arrow points, from the nose', 'clockwise from above: right 90, tail 180'),
	choice('flipped', 'The sensor in its case is', { no: 'Upright', yes: 'Upside down (flipped)' }, 'no'),
	{ ...angle('up', 'The arrow’s end is up by', 'zero where it lies flat'), usual: true },
	{ ...angle('right', 'Its right side is down by', 'zero where it lies flat'), usual: true },
	{ ...angle('nowYaw', 'Setting now: yaw', 'zero unless it was set'), usual: true },
	{ ...angle('nowPitch', 'Setting now: pitch', 'zero unless it was set'), usual: true },
	{ ...angle('nowRoll', 'Setting now: roll', 'zero unless it was set'), usual: true },
]);
