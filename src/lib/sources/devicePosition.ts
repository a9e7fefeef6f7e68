/** Where this device is, by its own receiver or network. */
export interface DevicePosition {
	latDeg: number;
	lonDeg: number;
	/** One sigma or so of the place, m, as the device says it. */
	accuracyM: number;
	/** Above the ellipsoid, m; null where the device does not know it. */
	altM: number | null;
}

const LONGEST_MS = 30_000;

const WHY: Record<number, string> = {
	1: 'The position was not allowed. Allow it in the browser’s settings for this page, or paste it.',
	2: 'This device does not know where it is. Paste the position instead.',
	3: 'No position came within half a minute. Go outdoors and try again, or paste it.',
};

/**
 * Asks the device where it is.
 * @throws Error with words for the pilot where it is absent, not allowed, or does not answer.
 */
export function hereNow(): Promise<DevicePosition> {
	if (!('geolocation' in navigator)) return Promise.reject(new Error(WHY[2]));
	return new Promise((resolve, reject) =>
		navigator.geolocation.getCurrentPosition(
			({ coords: { latitude, longitude, accuracy, altitude } }) =>
				resolve({ latDeg: latitude, lonDeg: longitude, accuracyM: accuracy, altM: altitude }),
			({ code }) => reject(new Error(WHY[code] ?? WHY[2])),
			{ enableHighAccuracy: true, timeout: LONGEST_MS, maximumAge: 0 },
		),
	);
}
