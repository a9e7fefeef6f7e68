import { DEG } from '../frames/angles';
import { multiply, type Mat3 } from '../frames/mat3';
import { fromYawPitchRoll, toYawPitchRoll } from '../frames/rotation';

export interface MountingAngles {
	yawDeg: number;
	pitchDeg: number;
	rollDeg: number;
}

export interface MountingChange {
	/** What to enter, R = Rz·Ry·Rx. */
	wanted: MountingAngles;
	rotation: Mat3;
	/** True where what is set now is right already, or as near as whole degrees come. */
	right: boolean;
	/** In a pilot's words: what changes, from what, to what; the other angles stay. */
	words: string;
}

const SAME = 1e-6;
const turned = (rad: number) => ((Math.round(rad / DEG) % 360) + 360) % 360;

/** Angles of a rotation as settings want them: whole degrees, yaw and roll 0 to 359, pitch −90 to 90. */
function anglesOf(rotation: Mat3): MountingAngles {
	const { yawRad, pitchRad, rollRad } = toYawPitchRoll(rotation);
	return { yawDeg: turned(yawRad), pitchDeg: Math.round(pitchRad / DEG) + 0, rollDeg: turned(rollRad) };
}

/**
 * What a mounting setting must be changed to. `found` takes the logged axes into the body frame. Where the log shows raw
 * sensor axes, `found` is the setting itself; where the aircraft had applied its present setting already, the right one is
 * `found` after it. Angles are whole degrees: yaw and roll 0 to 359, pitch −90 to 90.
 */
export function changeMounting(found: Mat3, now: MountingAngles, applied: boolean): MountingChange {
	const present = fromYawPitchRoll(now.yawDeg * DEG, now.pitchDeg * DEG, now.rollDeg * DEG);
	const rotation = applied ? multiply(found, present) : found;
	const wanted = anglesOf(rotation);
	const nearest = fromYawPitchRoll(wanted.yawDeg * DEG, wanted.pitchDeg * DEG, wanted.rollDeg * DEG);
	const isSet = (m: Mat3) => m.every((row, i) => row.every((v, k) => Math.abs(v - present[i][k]) < SAME));
	const right = isSet(rotation) || isSet(nearest);
	const say = ({ yawDeg, pitchDeg, rollDeg }: MountingAngles) =>
		`yaw ${yawDeg}°, pitch ${pitchDeg}°, roll ${rollDeg}°`.replaceAll('-', '−');
	const changed = (['yaw', 'pitch', 'roll'] as const)
		.map((name) => ({ name, from: now[`${name}Deg`], to: wanted[`${name}Deg`] }))
		.filter(({ from, to }) => from !== to)
		.map(({ name, from, to }) => `${name} from ${from}° to ${to}°`)
		.join(', ')
		.replaceAll('-', '−');
	return {
		wanted,
		rotation,
		right,
		words: right ? `The setting is right as it is: ${say(now)}.` : `Change the setting: ${changed}.`,
	};
}

export interface CompassModule {
	/** Where the arrow on its case points, degrees clockwise from the nose, seen from above. */
	arrowDeg: number;
	/** The sensor sits upside down in its case, as it often does. */
	flipped: boolean;
	/** How the case is tilted: its arrow's end up, its right side down. */
	tiltUpDeg: number;
	tiltRightDeg: number;
}

/**
 * Setting of a compass module from how it sits: the case's arrow is its x axis, its underside z; flipped is half a turn
 * about the arrow; tilt first about the arrow, then across it, then the turn about the vertical (R = Rz·Ry·Rx).
 */
export function moduleMounting({ arrowDeg, flipped, tiltUpDeg, tiltRightDeg }: CompassModule): {
	angles: MountingAngles;
	rotation: Mat3;
} {
	const rotation = fromYawPitchRoll(arrowDeg * DEG, tiltUpDeg * DEG, (tiltRightDeg + (flipped ? 180 : 0)) * DEG);
	return { angles: anglesOf(rotation), rotation };
}
