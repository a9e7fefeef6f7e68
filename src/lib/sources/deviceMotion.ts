import type { Vec3 } from '$lib/core/frames/vec3';

export interface MotionSample {
	tS: number;
	/** Specific force, m/s², and rates, rad/s: x forward, y right, z down. */
	accelMps2: Vec3;
	gyroRadps: Vec3;
}

interface AsksPermission {
	requestPermission?: () => Promise<'granted' | 'denied'>;
}

const NO_ANSWER_MS = 4000;
const RAD_PER_DEG = Math.PI / 180;

/**
 * Opens the motion sensors of the device in hand as an aircraft's: its top is the nose, its screen faces up. Gives what
 * closes them.
 * @throws Error with words for the pilot where they are absent or not allowed.
 */
export async function openMotion(
	take: (sample: MotionSample) => void,
	silent: (why: string) => void,
): Promise<() => void> {
	if (!('DeviceMotionEvent' in window)) throw new Error('This device has no motion sensors that a browser may read.');
	const asks = DeviceMotionEvent as unknown as AsksPermission;
	if (asks.requestPermission && (await asks.requestPermission()) !== 'granted')
		throw new Error('The motion sensors were not allowed. Allow them in the browser’s settings for this page.');
	let first: number | null = null;
	let before = -1;
	const listen = ({ accelerationIncludingGravity: a, rotationRate: r, timeStamp }: DeviceMotionEvent) => {
		if (!a || a.x === null || a.y === null || a.z === null) return;
		first ??= timeStamp;
		// Two events may carry one time: the second says nothing more.
		if (timeStamp <= before) return;
		before = timeStamp;
		take({
			tS: (timeStamp - first) / 1000,
			accelMps2: [a.y, a.x, -a.z],
			gyroRadps: [(r?.gamma ?? 0) * RAD_PER_DEG, (r?.beta ?? 0) * RAD_PER_DEG, -(r?.alpha ?? 0) * RAD_PER_DEG],
		});
	};
	window.addEventListener('devicemotion', listen);
	const timer = setTimeout(() => {
		if (first === null)
			silent('No motion sensor answers: this device has none, or the page is not opened over a secure address.');
	}, NO_ANSWER_MS);
	return () => {
		clearTimeout(timer);
		window.removeEventListener('devicemotion', listen);
	};
}
