import type { Aircraft, StationId } from '../../schema/records';
import type { Quantity } from '../words/units';
import { comesHome, showsData } from './capabilities';

/** What makes a measured value acceptable: limits in SI, and where they come from. */
export interface ValueLimit {
	low?: number;
	high?: number;
	unit: string;
	quantity?: Quantity;
	source: string;
	/** What such a thing can be at all; anything else is a slip. */
	possible: { low: number; high: number };
	/** A cell's share of what a meter shows of the whole pack. */
	perCell?: true;
}

export interface Item {
	id: string;
	station: StationId;
	/**
	 * tick: looked at; measure: a value with limits; wait: a timed wait; confirm: done after reading the caution; nudge: answered as
	 * clean, doubtful or wrong, and what was seen instead.
	 */
	type: 'tick' | 'measure' | 'wait' | 'confirm' | 'nudge';
	text: string;
	why: string;
	caution?: string;
	limit?: ValueLimit;
	waitS?: number;
	/** What it means for the flight when it fails. */
	weight: 'hold' | 'caution';
	/** Reasons for leaving it undone that pilots have; words of one's own are always possible. */
	offered?: readonly string[];
}

/** Cells of every lithium chemistry stay within, from a dead one to an overcharged one, volts. */
const CELL_V = { low: 2, high: 4.6 };

const PROPS_OFF = 'Propellers off. Fingers and leads clear of the motors.';

interface Template extends Item {
	fits?: (aircraft: Aircraft) => boolean;
}

const rotary = (a: Aircraft) => a.kind !== 'wing';
/** Built or opened by its pilot: straps, leads and nuts are in reach, and there is a mode that holds nothing. */
const built = (a: Aircraft) => a.kind !== 'camera' && a.kind !== 'toy';
/** Answers a stick on the ground before it lifts. */
const nudged = (a: Aircraft) => rotary(a) && built(a);
const wing = (a: Aircraft) => a.kind === 'wing';
const sprays = (a: Aircraft) => a.kind === 'sprayer';

const TEMPLATES: readonly Template[] = [
	// Plan
	{
		id: 'legal',
		station: 'plan',
		type: 'tick',
		weight: 'hold',
		text: 'Flight is allowed here today',
		why: 'Local rules, district and club rules, video power and channel.',
	},
	{
		id: 'daylight',
		station: 'plan',
		type: 'tick',
		weight: 'caution',
		text: 'Enough daylight for the whole session',
		why: 'A lost aircraft cannot be found in the dark; no first flight near dusk.',
	},
	{
		id: 'people',
		station: 'plan',
		type: 'tick',
		weight: 'hold',
		text: 'No people, dogs, wires or trees where it will fly and return',
		why: 'Most returns fail on something that stood in the way.',
	},
	{
		id: 'spotter',
		station: 'plan',
		type: 'tick',
		weight: 'caution',
		text: 'Spotter named, landing place and direction agreed',
		why: 'Agreed before take-off, not talked over in the air.',
	},
	{
		id: 'pack-voltage',
		station: 'plan',
		type: 'measure',
		weight: 'hold',
		text: 'Pack at rest, volts per cell',
		why: 'Tests want a full pack: the first alert should not come at touch-down.',
		limit: {
			low: 4.1,
			high: 4.25,
			unit: 'V per cell',
			source: 'Lithium-polymer, full at 4.20 V',
			possible: CELL_V,
			perCell: true,
		},
	},
	// Bench
	{
		id: 'frame',
		station: 'bench',
		type: 'tick',
		weight: 'hold',
		text: 'Nothing loose or cracked when wiggled: arms, screws, connectors, antennas',
		why: 'A cracked frame sounds like a surge and ends in a runaway climb.',
	},
	{
		id: 'leads',
		station: 'bench',
		type: 'tick',
		weight: 'hold',
		text: 'Pack held by two straps, leads and balance plug out of the propellers’ reach',
		why: 'A cut lead ends the flight and the pack.',
		fits: built,
	},
	{
		id: 'orientation',
		station: 'bench',
		type: 'confirm',
		weight: 'hold',
		text: 'Tilted by hand, the attitude shown follows: nose down, right, left, turn',
		why: 'A firmware change can lose the board’s orientation without a word.',
		caution: PROPS_OFF,
		fits: built,
	},
	{
		id: 'balance',
		station: 'bench',
		type: 'tick',
		weight: 'hold',
		text: 'Balanced on its marks, a little nose-heavy at most',
		why: 'Tail-heavy does not fly; the pack’s place decides.',
		fits: wing,
	},
	{
		id: 'tank-power',
		station: 'bench',
		type: 'confirm',
		weight: 'hold',
		text: 'Tank or seed box fitted with the power off, its mode chosen',
		why: 'Set for the other load, it gives the wrong amount or nothing.',
		caution: 'Power off while tank and spreader are exchanged.',
		fits: sprays,
	},
	// Site
	{
		id: 'home-mark',
		station: 'site',
		type: 'tick',
		weight: 'caution',
		text: 'Home marked; pilot three metres behind it, tail toward the pilot',
		why: 'A mark makes the landing measurable; nose-in turns the sticks round.',
	},
	// Compass
	{
		id: 'worn-metal',
		station: 'compass',
		type: 'tick',
		weight: 'caution',
		text: 'Watch, phone, keys and tools put away; no vehicle, fence or concrete near',
		why: 'What you wear turns with the aircraft and looks like its own iron.',
		fits: (a) => a.compasses > 0,
	},
	{
		id: 'site-clean',
		station: 'compass',
		type: 'tick',
		weight: 'caution',
		text: 'No steel, vehicle, wall or power line within twenty paces',
		why: 'Without data from the aircraft the place is judged by eye: step back until nothing is near.',
		fits: (a) => a.compasses > 0 && !showsData(a),
	},
	// Power-up
	{
		id: 'props-on',
		station: 'power-up',
		type: 'confirm',
		weight: 'hold',
		text: 'Pack out, propellers on: hand, side up, nuts, each wiggled',
		why: 'A propeller of the wrong hand looks right until the throttle comes up.',
		caution: 'Pack unplugged while propellers are fitted.',
	},
	{
		id: 'cover-off',
		station: 'power-up',
		type: 'tick',
		weight: 'caution',
		text: 'Gimbal cover off, arms open, propellers spread',
		why: 'Before power: a blocked gimbal strains its motors.',
		fits: (a) => a.kind === 'camera',
	},
	{
		id: 'radio-first',
		station: 'power-up',
		type: 'confirm',
		weight: 'caution',
		text: 'Radio on first, then the aircraft',
		why: 'A receiver that waits half a minute without its radio may change state and need a new start.',
		caution: 'Stand clear of the propellers from here on.',
		fits: (a) => a.kind !== 'toy',
	},
	{
		id: 'craft-first',
		station: 'power-up',
		type: 'confirm',
		weight: 'caution',
		text: 'Aircraft on first, then the remote',
		why: 'This kind links in that order.',
		caution: 'Stand clear of the propellers from here on.',
		fits: (a) => a.kind === 'toy',
	},
	{
		id: 'still',
		station: 'power-up',
		type: 'wait',
		weight: 'hold',
		waitS: 10,
		text: 'Set down level and left alone while the gyro settles',
		why: 'A gyro zeroed while moving drifts for the whole flight.',
	},
	{
		id: 'link',
		station: 'power-up',
		type: 'tick',
		weight: 'hold',
		text: 'Link steady, mode shown is the one you expect, no message left',
		why: 'Read back link, fix and mode before every take-off.',
	},
	// Return
	{
		id: 'loss-action',
		station: 'return',
		type: 'tick',
		weight: 'hold',
		text: 'Loss of link is set to what you want here, read from the aircraft',
		why: 'The factory setting may be to cut the motors.',
	},
	{
		id: 'return-height',
		station: 'return',
		type: 'measure',
		weight: 'hold',
		text: 'Return height read from the aircraft',
		why: 'It must clear the tallest thing on the way by more than the pressure height drifts.',
		limit: {
			low: 15,
			high: 120,
			unit: 'm',
			quantity: 'height',
			source: 'Winglogos default; set it from your obstacles and local rules',
			possible: { low: 0, high: 1000 },
		},
		fits: comesHome,
	},
	{
		id: 'battery-levels',
		station: 'return',
		type: 'tick',
		weight: 'caution',
		text: 'Two battery levels set, and what each of them does is known',
		why: 'Alarm first, land second; 30 % and 10 % are usual.',
	},
	{
		id: 'abort',
		station: 'return',
		type: 'confirm',
		weight: 'hold',
		text: 'Mode with the fewest sensors is under a finger, and where the throttle stick must be is said aloud',
		why: 'The stick means power in one mode and climb rate in another.',
		caution: 'Stop means land, disarm and disconnect. Never reach for a spinning aircraft.',
	},
	// Ground response
	{
		id: 'nudge-roll',
		station: 'response',
		type: 'nudge',
		weight: 'hold',
		text: 'Light throttle, nudge right, then left: it leans as commanded',
		why: 'A wrong mix shows on the ground, before it can fly away.',
		caution: 'Three metres back, tail toward you. At the first strange sign disarm; never raise the throttle.',
		fits: nudged,
	},
	{
		id: 'nudge-pitch',
		station: 'response',
		type: 'nudge',
		weight: 'hold',
		text: 'Nudge forward, then back: it leans as commanded',
		why: 'The same for the other tilt.',
		caution: 'Three metres back. At the first strange sign disarm.',
		fits: nudged,
	},
	{
		id: 'nudge-yaw',
		station: 'response',
		type: 'nudge',
		weight: 'hold',
		text: 'Nudge turn right: the nose goes right',
		why: 'A turn that is wrong hides behind tilts that are right.',
		caution: 'Three metres back. At the first strange sign disarm.',
		fits: nudged,
	},
	{
		id: 'surfaces',
		station: 'response',
		type: 'confirm',
		weight: 'hold',
		text: 'Each stick moves its surface the right way, by hand and against tilt',
		why: 'Repeat before every flight, not only the first.',
		caution: 'Disarmed, and nobody before or beside the propeller.',
		fits: wing,
	},
	// Hover
	{
		id: 'first-rung',
		station: 'hover',
		type: 'confirm',
		weight: 'hold',
		text: 'A minute in self-level at head height: steady, answers on every axis',
		why: 'The fewest sensors first; each rung adds one.',
		caution: 'Outdoors, stand clear, nose away, way out planned. Stop means land and disconnect.',
		fits: nudged,
	},
	// Close
	{
		id: 'disarmed',
		station: 'close',
		type: 'confirm',
		weight: 'hold',
		text: 'Disarmed on the radio, pack unplugged, radio off last',
		why: 'Even if it disarmed itself.',
		caution: 'Wait until every propeller stands still.',
	},
	{
		id: 'warm-parts',
		station: 'close',
		type: 'tick',
		weight: 'caution',
		text: 'Motors, speed controllers and pack felt: warm, not hot',
		why: 'Hot motors point at too much gain or a bearing.',
	},
	{
		id: 'pack-after',
		station: 'close',
		type: 'measure',
		weight: 'caution',
		text: 'Pack after the flight, volts per cell',
		why: 'It tells how much was left, and the flight time of this pack.',
		limit: {
			low: 3.5,
			high: 4.25,
			unit: 'V per cell',
			source: 'Winglogos default: land with a reserve',
			possible: CELL_V,
			perCell: true,
		},
	},
	{
		id: 'bumps',
		station: 'close',
		type: 'tick',
		weight: 'caution',
		text: 'No bump, or the bump is noted in the aircraft’s events',
		why: 'A knock makes calibrations due.',
	},
	{
		id: 'indoor-restored',
		station: 'close',
		type: 'tick',
		weight: 'caution',
		text: 'Settings changed for today are put back or noted',
		why: 'What was switched off for a test is missed at the next flight.',
	},
];

/** The checklist of an aircraft, in the order of the stations. */
export function checklistFor(aircraft: Aircraft): Item[] {
	return TEMPLATES.filter(({ fits }) => !fits || fits(aircraft)).map(({ fits: _, ...item }) => item);
}
