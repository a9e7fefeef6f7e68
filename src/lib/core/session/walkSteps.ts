import type { Aircraft } from '../../schema/records';
import { motorsOf } from '../propulsion/layouts';
import { motorWords, usualLayout } from '../propulsion/motorWalk';

/** What may be wrong with the thing of a step, and what is done about it. */
export interface Wrong {
	id: string;
	label: string;
	text: string;
	next: string;
}

export interface WalkStep {
	id: string;
	/** The thing, as a reason names it. */
	name: string;
	say: string;
	how: string;
	/** What is pressed when it is as it should be. */
	good: string;
	wrong: readonly Wrong[];
	/** The motor it is about, in the drawing. */
	motor?: string;
}

type Held = NonNullable<Aircraft['propellers']>;
const HELD: Record<Held, string> = {
	nut: 'By the tool until it touches, then an eighth to a quarter of a turn, never more: a locking nut feels tight half-way, and too tight splits the hub. Then wiggle the blade against the bell.',
	'self-locking': 'Turn it tight by hand against the way it turns in flight, the motor held. Then wiggle it.',
	screws: 'Every screw in, by the driver until it touches, then an eighth of a turn. Then wiggle each blade.',
	folding: 'Screws in and tight, blades spread out and each free to swing. Then wiggle each.',
	quick: 'Press and turn until it snaps, then pull at it.',
};
const UNSAID = 'Fixed as the manual says, then wiggled against the motor.';

const BLADE_WRONGS: readonly Wrong[] = [
	{
		id: 'hand',
		label: 'Wrong hand',
		text: 'is of the wrong hand',
		next: 'Exchange it with the neighbour that turns the other way.',
	},
	{
		id: 'side',
		label: 'Upside down',
		text: 'is upside down',
		next: 'Turn it over: marked side up, the higher, rounder edge first.',
	},
	{
		id: 'loose',
		label: 'Loose',
		text: 'is loose',
		next: 'Take it off, look at nut and hub, fit it again.',
	},
	{
		id: 'hurt',
		label: 'Nicked, bent or split',
		text: 'is nicked, bent or split',
		next: 'A new one; the pair if they came balanced.',
	},
];
const WORN: Wrong = {
	id: 'worn',
	label: 'Nut runs on by fingers',
	text: 'has a nut that runs on by fingers alone: its insert is worn',
	next: 'A new nut: a worn insert drops the propeller.',
};

export function propellerSteps(aircraft: Aircraft): WalkStep[] {
	const layout = aircraft.layout ?? usualLayout(aircraft.rotors);
	const held = aircraft.propellers;
	const how = held ? HELD[held] : UNSAID;
	const wrong = held === 'nut' ? [...BLADE_WRONGS, WORN] : BLADE_WRONGS;
	const good = 'Right, tight, whole';
	if (!layout || aircraft.rotors === 0) {
		const count = Math.max(1, aircraft.rotors);
		return Array.from({ length: count }, (_, k) => ({
			id: `propeller ${k + 1}`,
			how,
			good,
			wrong,
			name: count === 1 ? 'propeller' : `propeller ${k + 1}`,
			say: `${count === 1 ? 'The propeller' : `Propeller ${k + 1} of ${count}`}: hand as its motor turns, marked side up`,
		}));
	}
	return motorsOf(layout, aircraft.spin ?? 'front-inward').map(({ name, spin }, k) => ({
		id: name,
		motor: name,
		how,
		good,
		wrong,
		name: `${motorWords(name, layout)} propeller`,
		say: `${k + 1}, ${motorWords(name, layout)}: the ${spin > 0 ? 'clockwise' : 'counter-clockwise'} blade, marked side up`,
	}));
}

const again = 'Put it right, then look again.';
const step = (id: string, name: string, say: string, how: string, ...wrong: Wrong[]): WalkStep => ({
	id,
	name,
	say,
	how,
	wrong,
	good: 'As it should be',
});
const off = (label: string, text: string, next: string = again): Wrong => ({
	id: label.toLowerCase().replaceAll(/\W+/g, '-'),
	label,
	text,
	next,
});

export const STRAPS: readonly WalkStep[] = [
	step(
		'two',
		'pack',
		'Two straps round the pack, no wire or antenna under them',
		'One strap holds less than half of what two hold. Pull each one tight with the thumb on the buckle.',
		off('One strap only', 'is held by one strap only', 'A second strap.'),
		off('A wire is trapped', 'has a wire trapped under a strap', 'Lay the wire free and strap it again.'),
	),
	step(
		'slides',
		'pack',
		'Push the pack forward, back and sideways with a finger: it does not slide',
		'What slides moves the balance, and a lead into a propeller.',
		off('It slides', 'slides under its straps', 'Tighten, or lay something rough under it.'),
	),
	step(
		'lead',
		'battery lead',
		'Battery lead: no loop, no pull, out of every propeller’s reach',
		'Turn each propeller by hand: nothing touches, whichever way the lead falls.',
		off('A blade can reach it', 'can be reached by a propeller', 'Shorten the loop or tie it down.'),
		off('Pulled tight', 'is pulled tight', 'Move the pack or the lead until it hangs loose.'),
	),
	step(
		'balance-plug',
		'balance plug',
		'Balance plug tied down, out of every propeller’s reach',
		'It hangs loose where nobody looks, and is cut first.',
		off('It hangs free', 'hangs free', 'Tuck it under a strap or a band.'),
	),
];

const SIDE_SAY = {
	front: 'from the front',
	rear: 'from the rear',
	left: 'from the left',
	right: 'from the right',
	up: 'from above',
	down: 'from below',
} as const;

export const sideSteps = ({ obstacleSides }: Aircraft): WalkStep[] =>
	(obstacleSides ?? []).map((side) => ({
		id: side,
		name: `side ${side}`,
		say: `Propellers standing still: bring a board slowly nearer ${SIDE_SAY[side]}`,
		how: 'A board as large as a door leaf, from four metres to one. It counts when the screen shows that side and a distance that shrinks.',
		good: 'Shown, and nearer as it came',
		wrong: [
			off(
				'Not shown',
				'does not see the board',
				'Clean it, light on the board, try again; until then fly as if it were blind there.',
			),
			off(
				'Shown on another side',
				'shows the board on another side',
				'Trust no side; restart it and try all again, then ask the maker.',
			),
			off(
				'Shown late or jumping',
				'sees the board late, or its distance jumps',
				'Keep further off on this side; clean it and try in better light.',
			),
		],
	}));

export const LINES: readonly WalkStep[] = [
	step(
		'water',
		'tank',
		'Clean water in the tank, propellers off, nobody before the nozzles',
		'Never the product for a test.',
		off('Something else is in it', 'holds something else than clean water', 'Empty, rinse, fill with water.'),
	),
	step(
		'front',
		'front line',
		'Spray, and loosen the front relief valve until water without bubbles comes',
		'Air lies in the highest place of a line. Close it again while it runs.',
		off('Bubbles do not end', 'goes on giving bubbles', 'Look for a loose joint on the suction side; then vent again.'),
		off('Nothing comes', 'gives nothing', 'Look at filter, tap and pump before the nozzles.'),
	),
	step(
		'rear',
		'rear line',
		'The same at the rear relief valve',
		'Close it again while it runs.',
		off('Bubbles do not end', 'goes on giving bubbles', 'Look for a loose joint on the suction side; then vent again.'),
		off('Nothing comes', 'gives nothing', 'Look at filter, tap and pump before the nozzles.'),
	),
	step(
		'even',
		'nozzles',
		'Both valves closed: every nozzle sprays evenly, none drips when it stops',
		'The nozzle before the pump: one that differs is cleaned or changed; only where all differ is it pump or air.',
		off('One differs', 'spray unevenly: one differs', 'Clean or change that nozzle and its filter.'),
		off(
			'All are weak',
			'are all weak',
			'Air still in the lines, or the pump: vent again, then look at filter and pump.',
		),
		off('One drips', 'drip after the stop', 'Clean the check valve of that nozzle.'),
	),
];

export const SPREADER: readonly WalkStep[] = [
	step(
		'power-off',
		'aircraft',
		'Power off and pack out before the spreader is fitted',
		'Its feeder and fan start with the power.',
		off(
			'It was on',
			'was powered while the load was exchanged',
			'Switch off, take the pack out, look at the plugs, begin again.',
		),
	),
	step(
		'fitted',
		'spreader',
		'Fitted and fixed by its own guide, plugs home, its cover closed',
		'Its calibration is not the tank’s: follow its own guide before the first use.',
		off('Not fixed or not closed', 'is not fixed or not closed', 'Fit it again.'),
	),
	step(
		'mode',
		'operating mode',
		'Pack in, operating mode set to spreader, confirmed, and read back',
		'Set for the tank it turns nothing, or at the wrong rate.',
		off('It stays on the tank', 'stays on the tank', 'Choose it again, restart, read it back.'),
	),
	step(
		'turns',
		'feeder',
		'Hands away: feeder turned on for a moment, it rolls freely',
		'Empty first, then with seed.',
		off('It does not turn', 'does not turn', 'Mode first, then plug and fitting, then its own calibration.'),
		off('It jams', 'jams', 'Power off, pack out, then clear it; never by a finger.'),
	),
	step(
		'fan',
		'fan',
		'Fan set to a third, two thirds, full: the air follows each time',
		'Felt with a strip of paper, not the hand.',
		off('It does not follow', 'does not follow its setting', 'Mode and plug first, then the maker.'),
	),
	step(
		'stop',
		'spreader',
		'Stopped from the remote: feeder stops first, then the fan',
		'Then the count of turns and the weighing follow.',
		off('It runs on', 'runs on after the stop', 'Power off; do not fly it over a field.'),
	),
];
