/** Tasks of a session that each check of the troubleshooting table stands for. */
const TASKS_OF: Readonly<Record<string, readonly string[]>> = {
	link: ['link', 'bench-arm', 'switches', 'pre-arm'],
	radio: ['due-radio', 'switches'],
	'link-loss': ['link-loss'],
	mounting: ['orientation', 'due-mounting'],
	level: ['due-level'],
	accelerometer: ['due-accelerometer'],
	gyro: ['due-gyro', 'still'],
	compass: ['compass'],
	camera: ['due-camera', 'camera-still'],
	vision: ['due-vision'],
	'speed-controllers': ['due-speed-controllers'],
	spin: ['motors-bare', 'motor-walk'],
	response: ['spin-up', 'nudge-roll', 'nudge-pitch', 'nudge-yaw'],
	surfaces: ['surfaces', 'surfaces-level', 'surface-grid'],
	vibration: ['vibration'],
	balance: ['balance'],
	pressure: ['pressure-foam', 'pressure'],
	position: ['position'],
	return: ['return-switch', 'return-radio-off'],
	pack: ['pack-voltage'],
	flow: ['flow'],
	feed: ['feed'],
	hover: ['take-off', 'first-rung', 'height-rung', 'launch', 'laps-rung', 'circle-rung', 'follows', 'by-hand', 'hover'],
};

/** Tasks of a session that a recorded cause asks again, by the checks that its remedy names. */
export const reopenedBy = (checks: readonly { id: string }[]): string[] => [
	...new Set(checks.flatMap(({ id }) => TASKS_OF[id] ?? [])),
];

/** Checks of the table that stand for tasks; for the tests. */
export const REOPENING: readonly string[] = Object.keys(TASKS_OF);
