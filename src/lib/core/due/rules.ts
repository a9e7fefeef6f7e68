import { sensorSchema, type Aircraft, type EventExtent, type Sensor } from '../../schema/records';
import { hasPart } from '../aircraft/capabilities';
import type { EventKind } from '../../schema/entries';
import { begunSmall } from '../../words/begun';
import { COMPONENTS } from './components';

/** What can happen to an aircraft, as a pilot says it. */
export const EVENT_WORDS: Record<EventKind, string> = {
	new: 'New aircraft',
	firmware: 'Firmware changed',
	settings: 'Settings changed',
	knock: 'Knock or hard landing',
	part: 'Part replaced or refitted',
	cleaned: 'Part cleaned',
	prompt: 'The aircraft asked for it',
	'odd-flight': 'It flew oddly',
	journey: 'Carried in a vehicle or plane',
	unplugged: 'Pack unplugged',
};

interface SensorRule {
	name: string;
	/** Its name is of several. */
	several?: true;
	/** Events that undo it. */
	after: readonly EventKind[];
	/** Whether a journey matters: by the change of field, or by distance alone. */
	place: 'field' | 'distance' | null;
	temperature: boolean;
	/** Done only where something is wrong: never having done it makes nothing due. */
	onlyOnTrouble?: true;
}

/** Which change undoes what, and why only that: a new place does not bend a gyro, a firmware flash may forget a mounting. */
export const SENSOR_RULES: Record<Sensor, SensorRule> = {
	compass: {
		name: 'Compass',
		after: ['new', 'firmware', 'knock', 'part', 'prompt', 'odd-flight', 'journey'],
		place: 'field',
		temperature: false,
	},
	accelerometer: {
		name: 'Accelerometer',
		after: ['new', 'firmware', 'knock', 'part', 'prompt', 'odd-flight', 'journey'],
		place: 'distance',
		temperature: true,
	},
	gyro: { name: 'Gyro', after: ['new', 'firmware', 'knock', 'prompt', 'odd-flight'], place: null, temperature: true },
	level: { name: 'Level', after: ['new', 'firmware', 'knock', 'part', 'odd-flight'], place: null, temperature: false },
	mounting: {
		name: 'Board mounting',
		after: ['new', 'firmware', 'knock', 'part', 'odd-flight'],
		place: null,
		temperature: false,
	},
	radio: {
		name: 'Sticks and switches',
		several: true,
		after: ['new', 'firmware', 'part', 'prompt'],
		place: null,
		temperature: false,
	},
	camera: {
		name: 'Camera horizon',
		after: ['new', 'knock', 'part', 'prompt', 'journey'],
		place: null,
		temperature: false,
	},
	vision: {
		name: 'Vision sensors',
		several: true,
		after: ['firmware', 'knock', 'part', 'prompt', 'odd-flight'],
		place: null,
		temperature: false,
		onlyOnTrouble: true,
	},
	'speed-controllers': {
		name: 'Speed controllers',
		several: true,
		after: ['new', 'firmware', 'part'],
		place: null,
		temperature: false,
	},
	'link-loss': {
		name: 'Link-loss test',
		after: ['new', 'firmware', 'settings', 'part'],
		place: null,
		temperature: false,
	},
};

const SENSORS: readonly Sensor[] = sensorSchema.options;

/** Sensors that have a task of their own in a session; the others are calibrated at the bench, a task each. */
const OWN_TASK: Partial<Record<Sensor, string>> = { compass: 'compass', 'link-loss': 'link-loss' };

/** The task of a session in which a sensor's calibration or test is done. */
export const taskOfSensor = (sensor: Sensor): string => OWN_TASK[sensor] ?? `due-${sensor}`;

/** Whether an event can affect a sensor: by its kind, or by its component where it names one, unless its pilot excludes it. */
export function affectsSensor(what: EventKind, { component, unaffected }: EventExtent, sensor: Sensor): boolean {
	if (unaffected?.some(({ task }) => task === taskOfSensor(sensor))) return false;
	if (component && what === 'part') return COMPONENTS[component].sensors.includes(sensor);
	return SENSOR_RULES[sensor].after.includes(what);
}

/** An event in words: "Part replaced or refitted, nozzle". */
export const eventWords = (what: EventKind, { component }: EventExtent): string =>
	component ? `${EVENT_WORDS[what]}, ${begunSmall(COMPONENTS[component].label)}` : EVENT_WORDS[what];

/** Which of them an aircraft has. */
export function sensorsOf(aircraft: Aircraft): Sensor[] {
	const { kind, compasses } = aircraft;
	const factory = kind === 'camera' || kind === 'large-camera' || kind === 'toy';
	const field = kind === 'sprayer' || kind === 'spreader';
	return SENSORS.filter((sensor) => {
		if (sensor === 'compass') return compasses > 0;
		if (sensor === 'camera') return hasPart(aircraft, 'camera');
		if (sensor === 'vision') return hasPart(aircraft, 'vision') || hasPart(aircraft, 'obstacle');
		if (sensor === 'speed-controllers') return !factory;
		if (sensor === 'mounting') return !factory && !field;
		return true;
	});
}

/** That a sensor's calibration is due, in words. */
export const isDueWords = (sensor: Sensor): string => {
	const { name, several } = SENSOR_RULES[sensor];
	return `${name} ${several ? 'are' : 'is'} due`;
};
