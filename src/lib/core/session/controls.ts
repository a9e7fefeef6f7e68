import { begunLarge } from '../../words/begun';
import type { Aircraft, Control, ControlUse } from '../../schema/records';
import type { Item } from './checklist/item';

type Radio = Pick<Aircraft, 'controls'>;

/** What a use of a control is called, in the middle of a sentence. */
export const USE_WORDS: Record<ControlUse, string> = {
	arm: 'arm',
	guard: 'guard before arming',
	direct: 'direct control',
	'self-level': 'self-level',
	'height-hold': 'height hold',
	'position-hold': 'position hold',
	return: 'return home',
	'self-righting': 'self-righting',
	beeper: 'beeper',
	payload: 'payload',
	other: 'something else',
};

/** Where the hand goes: "left shoulder switch up". */
export const controlPlace = ({ control, position }: Pick<Control, 'control' | 'position'>): string =>
	[control, position].filter(Boolean).join(' ');

/** A position with what it does and what the aircraft calls it. */
export const controlWords = ({ does, shown, ...place }: Control): string =>
	`${controlPlace(place)}: ${USE_WORDS[does]}${shown ? `, shown as ${shown}` : ''}`;

/** Positions that do a thing, in the table's order. */
export const controlsFor = ({ controls = [] }: Radio, ...uses: readonly ControlUse[]): Control[] =>
	controls.filter(({ does }) => uses.includes(does));

/** The mode that needs the fewest sensors, of those an aircraft's pilot flies by: a beginner's self-level before direct control. */
const abortControl = (aircraft: Radio): Control | undefined =>
	controlsFor(aircraft, 'self-level')[0] ?? controlsFor(aircraft, 'direct')[0];

/** "Self-level, left switch up" as the mode to fall back to; null where the radio was not entered. */
export function abortMode(aircraft: Radio): string | null {
	const control = abortControl(aircraft);
	if (!control) return null;
	const words = USE_WORDS[control.does];
	return `${begunLarge(words)}, ${controlPlace(control)},`;
}

/** Lines of the radio's table that an item is about; every one where the switches themselves are looked at. */
export const controlsAt = (aircraft: Radio, { controls = [] }: Pick<Item, 'controls'>): Control[] =>
	controls === 'all' ? [...(aircraft.controls ?? [])] : controlsFor(aircraft, ...controls);

/** What to do when a test goes wrong, line by line, with this aircraft's own mode, switch and stick place. */
export function abortCard(aircraft: Radio & Pick<Aircraft, 'kind'>): string[] {
	const wing = aircraft.kind === 'wing';
	const mode = abortControl(aircraft);
	const disarm = controlsFor(aircraft, 'arm')[0];
	return [
		wing
			? 'Throttle stick to half before you switch: in the simpler mode it is power itself.'
			: 'Throttle stick to the middle before you switch: where it held the height, it is power itself in the simpler mode.',
		mode
			? `Switch to ${USE_WORDS[mode.does]}: ${controlPlace(mode)}.`
			: 'Switch to the mode with the fewest sensors, or take the sticks where there is none.',
		wing ? 'Level it, turn it away from everybody, land.' : 'Hold it level, bring it down where it is, land.',
		disarm
			? `On the ground: throttle down, disarm (${disarm.control}, away from ${disarm.position || 'its armed place'}), unplug.`
			: 'On the ground: throttle down, disarm, unplug.',
		'Nothing else is tried today. Never reach for a spinning aircraft.',
	];
}
