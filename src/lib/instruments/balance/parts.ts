export const PARTS = [
	{ name: 'airframe', massG: 640, armMm: 34 },
	{ name: 'camera', massG: 210, armMm: -12 },
	{ name: 'pack', massG: 390, armMm: 4 },
];
