import type { Aircraft, Component, Sensor } from '../../schema/records';
import { hasPart, isFactory } from '../aircraft/capabilities';

/** What replacing or refitting a component of the aircraft can affect. */
interface ComponentRule {
	label: string;
	/** Words in a pilot's note that name it. */
	named: RegExp;
	/** Sensors whose calibration or test becomes due. */
	sensors: readonly Sensor[];
	/** Tasks of a session that are to do again. */
	tasks: readonly string[];
	/** Those of them that cleaning it can affect. */
	cleaned: readonly string[];
}

/** What is flown or tried under power: of each aircraft those that its list has. */
const THRUST = [
	...['spin-up', 'nudge-roll', 'nudge-pitch', 'nudge-yaw', 'take-off', 'first-rung', 'height-rung', 'hover', 'follows'],
	...['sounds-even', 'launch', 'by-hand', 'laps-rung', 'circle-rung'],
] as const;
const POWERED = ['first-power', 'motors-bare', 'motor-walk', 'bench-arm', 'wires'] as const;
const PROPELLERS = ['props-whole', 'props-on', 'propellers'] as const;
const LINK = ['antennas', 'radio-first', 'craft-first', 'receiver-link', 'link', 'link-loss'] as const;
const SPRAY = ['lines-vented', 'spray-lines', 'flow'] as const;

/** The one table of components; an event that names none affects everything of its kind. */
export const COMPONENTS: Record<Component, ComponentRule> = {
	propeller: {
		label: 'Propeller',
		named: /\bprop(eller)?s?\b/i,
		sensors: [],
		tasks: [...PROPELLERS, ...THRUST],
		cleaned: ['props-whole'],
	},
	motor: {
		label: 'Motor',
		named: /\bmotors?\b/i,
		sensors: ['compass', 'speed-controllers'],
		tasks: [...POWERED, ...PROPELLERS, ...THRUST, 'righting-tried', 'self-righting'],
		cleaned: ['motors-bare', 'sounds-even'],
	},
	esc: {
		label: 'ESC',
		named: /\b(escs?|speed controllers?)\b/i,
		sensors: ['compass', 'speed-controllers'],
		tasks: [...POWERED, ...PROPELLERS, ...THRUST, 'righting-tried', 'self-righting', 'interference'],
		cleaned: ['motors-bare'],
	},
	compass: {
		label: 'Compass or GNSS module',
		named: /\b(compass|gnss|gps|mast)\b/i,
		sensors: ['compass'],
		tasks: [
			'mast',
			'wires',
			'board-compass',
			'compass-pair',
			'interference',
			'position',
			'still',
			'hover',
			'return-switch',
		],
		cleaned: [],
	},
	receiver: {
		label: 'Receiver',
		named: /\breceivers?\b/i,
		sensors: ['radio', 'link-loss'],
		tasks: [...LINK, 'wires', 'bench-arm', 'switches', 'loss-action', 'return-radio-off'],
		cleaned: [],
	},
	antenna: {
		label: 'Antenna',
		named: /\b(antennas?|aerials?)\b/i,
		sensors: ['link-loss'],
		tasks: [...LINK, 'picture', 'return-radio-off'],
		cleaned: [],
	},
	frame: {
		label: 'Frame, arm or landing gear',
		named: /\b(frames?|arms?|legs?|skids?|landing gear|fuselage)\b/i,
		sensors: ['compass', 'accelerometer', 'level', 'mounting'],
		tasks: ['frame', 'leads', 'wires', 'orientation', 'balance', 'motor-walk', 'straps', ...PROPELLERS, ...THRUST],
		cleaned: ['frame'],
	},
	wiring: {
		label: 'Battery lead, connector or strap',
		named: /\b(leads?|plugs?|connectors?|straps?|wires?|wiring|solder)\b/i,
		sensors: ['compass'],
		tasks: ['leads', 'wires', 'straps', 'first-power', 'balance', 'interference', 'motors-bare', 'spin-up'],
		cleaned: ['leads'],
	},
	surface: {
		label: 'Servo or control surface',
		named: /\b(servos?|surfaces?|elevons?|ailerons?|elevators?|rudders?|horns?|linkages?|pushrods?)\b/i,
		sensors: ['level'],
		tasks: ['frame', 'surfaces', 'surfaces-level', 'surface-grid', 'balance', 'trim', 'launch', 'by-hand', 'take-off'],
		cleaned: ['surfaces'],
	},
	camera: {
		label: 'Camera or gimbal',
		named: /\b(cameras?|gimbals?|lens)\b/i,
		sensors: ['camera'],
		tasks: ['camera-still', 'picture', 'balance'],
		cleaned: ['picture'],
	},
	vision: {
		label: 'Vision or obstacle sensor',
		named: /\b(vision|obstacle|range) ?sensors?\b/i,
		sensors: ['vision'],
		tasks: ['obstacle-sides', 'range-sensor', 'vision-climbs', 'hover'],
		cleaned: ['obstacle-sides', 'range-sensor'],
	},
	tank: {
		label: 'Tank, pump or hose',
		named: /\b(tanks?|pumps?|hoses?|valves?)\b/i,
		sensors: [],
		tasks: [...SPRAY, 'tank-power', 'flow-meter', 'balance'],
		cleaned: [...SPRAY],
	},
	nozzle: {
		label: 'Nozzle',
		named: /\bnozzles?\b/i,
		sensors: [],
		tasks: SPRAY,
		cleaned: SPRAY,
	},
	spreader: {
		label: 'Spreader',
		named: /\b(spreaders?|hoppers?|feeders?)\b/i,
		sensors: [],
		tasks: ['spreader-ready', 'spreader-steps', 'feed', 'balance'],
		cleaned: ['spreader-ready', 'feed'],
	},
};

const IDS = Object.keys(COMPONENTS) as Component[];

/** Components that an aircraft has and whose replacement its pilot can log. */
export function componentsOf(aircraft: Aircraft): Component[] {
	const has: Partial<Record<Component, boolean>> = {
		propeller: aircraft.rotors > 0,
		esc: !isFactory(aircraft),
		receiver: !isFactory(aircraft),
		wiring: !isFactory(aircraft),
		compass: aircraft.compasses > 0 || aircraft.hasPosition,
		surface: aircraft.kind === 'wing',
		camera: hasPart(aircraft, 'camera') || hasPart(aircraft, 'video'),
		vision: hasPart(aircraft, 'vision') || hasPart(aircraft, 'obstacle') || hasPart(aircraft, 'range'),
		tank: hasPart(aircraft, 'tank'),
		nozzle: hasPart(aircraft, 'tank'),
		spreader: hasPart(aircraft, 'spreader'),
	};
	return IDS.filter((id) => has[id] ?? true);
}

/** The component that a pilot's note names first, of those offered; null where it names none. */
export function componentNamed(note: string, offered: readonly Component[]): Component | null {
	const found = offered.flatMap((id) => {
		const at = note.search(COMPONENTS[id].named);
		return at < 0 ? [] : [{ id, at }];
	});
	return found.sort((a, b) => a.at - b.at)[0]?.id ?? null;
}
