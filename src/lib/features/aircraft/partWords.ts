import type { Aircraft, Light, Part } from '$lib/schema/records';

export const PART_WORDS: Record<Part, string> = {
	camera: 'Camera on a mount',
	'camera-cover': 'Cover over the camera',
	folding: 'Arms or legs that fold',
	video: 'Live picture to fly by',
	overlay: 'Values over that picture',
	beeper: 'Beeper to find it by',
	'pressure-foam': 'Foam over the pressure sensor',
	vision: 'Downward camera or flow sensor',
	obstacle: 'Obstacle sensors',
	range: 'Range sensor toward the ground',
	tank: 'Tank and nozzles',
	spreader: 'Seed box and spreader',
	'flow-meter': 'Flow meter',
	'self-righting': 'Rights itself when upside down',
	'pre-arm': 'Extra guard before arming',
};

export const SIDE_WORDS = {
	front: 'front',
	rear: 'rear',
	left: 'left',
	right: 'right',
	up: 'up',
	down: 'down',
} as const;

export const SURFACE_WORDS: Record<NonNullable<Aircraft['surfaces']>, string> = {
	elevons: 'Two elevons',
	separate: 'Ailerons, elevator, rudder',
	'v-tail': 'Ailerons and a V-tail',
};

export const PROPELLER_WORDS: Record<NonNullable<Aircraft['propellers']>, string> = {
	nut: 'by a nut',
	'self-locking': 'by turning themselves tight',
	screws: 'by screws',
	folding: 'folding, by screws',
	quick: 'by a snap lock',
};

export const PATTERN_WORDS: Record<Light['pattern'], string> = {
	'': 'any',
	steady: 'steady',
	slow: 'slow',
	fast: 'fast',
	alternating: 'alternating',
};

/** When a light or tone may mean something: usual moments, and words of one's own are possible. */
export const DURING = [
	'starting',
	'ready',
	'no fix',
	'fix',
	'arming',
	'compass calibration',
	'sensor calibration',
	'link lost',
	'battery low',
	'fault',
] as const;

export const RECEIVER_WORDS: Record<NonNullable<Aircraft['receiver']>, string> = {
	plain: 'plain, to some metres',
	differential: 'with corrections, to a metre',
	rtk: 'with a base of its own, to centimetres',
};

export const LAYOUT_WORDS: Record<NonNullable<Aircraft['layout']>, string> = {
	'quad-x': 'four, X',
	'quad-plus': 'four, +',
	'hex-x': 'six, X',
	'hex-plus': 'six, +',
	'octo-x': 'eight, X',
	y6: 'six on three arms',
};

export const SPIN_WORDS: Record<NonNullable<Aircraft['spin']>, string> = {
	'front-inward': 'inward, toward the nose',
	'front-outward': 'outward, away from it',
};

export const MOUNT_WORDS: Record<NonNullable<Aircraft['compassMounts']>[number], string> = {
	module: 'with the receiver for position, on the body',
	mast: 'on a mast',
	board: 'on the board, beside the power leads',
};
