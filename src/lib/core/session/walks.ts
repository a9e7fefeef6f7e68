import type { Reason, Verdict } from '../../schema/common';
import type { Entry } from '../../schema/entries';
import type { Aircraft, StationId } from '../../schema/records';
import { judge, reason } from '../finding/reasons';
import { motorsOf } from '../propulsion/layouts';
import { motorWords, usualLayout } from '../propulsion/motorWalk';
import { hasPart, isFactory } from './capabilities';

/** Walks from thing to thing, each looked at and answered by itself. */
const WALKS = ['propellers', 'straps', 'obstacle-sides', 'spray-lines', 'spreader-steps'] as const;
export type WalkId = (typeof WALKS)[number];
export const isWalk = (id: string | undefined): id is WalkId => WALKS.some((walk) => walk === id);

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

export interface Walk {
	id: WalkId;
	/** The item of the checklist that it answers. */
	item: string;
	station: StationId;
	title: string;
	caution: string;
	passed: string;
	/** What the margin says of it. */
	why: string;
	/** Whether pictures belong to it. */
	photos?: true;
	steps: readonly WalkStep[];
}

/** What was seen of a step: as it should be, or which of its wrongs. A step nobody answered is not there. */
export type WalkAnswers = Readonly<Record<string, string>>;
export const GOOD = 'good';

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

function propellerSteps(aircraft: Aircraft): WalkStep[] {
	const layout = aircraft.layout ?? usualLayout(aircraft.rotors);
	const held = aircraft.propellers;
	const how = held ? HELD[held] : UNSAID;
	const wrong = held === 'nut' ? [...BLADE_WRONGS, WORN] : BLADE_WRONGS;
	const good = 'Right, tight, whole';
	if (!layout || aircraft.rotors === 0) {
		const count = Math.max(1, aircraft.rotors);
		return Array.from({ length: count }, (_, k) => ({
			...{ id: `propeller ${k + 1}`, how, good, wrong },
			name: count === 1 ? 'propeller' : `propeller ${k + 1}`,
			say: `${count === 1 ? 'The propeller' : `Propeller ${k + 1} of ${count}`}: hand as its motor turns, marked side up`,
		}));
	}
	return motorsOf(layout, aircraft.spin ?? 'front-inward').map(({ name, spin }, k) => ({
		...{ id: name, motor: name, how, good, wrong },
		name: `${motorWords(name, layout)} propeller`,
		say: `${k + 1}, ${motorWords(name, layout)}: the ${spin > 0 ? 'clockwise' : 'counter-clockwise'} blade, marked side up`,
	}));
}

const again = 'Put it right, then look again.';
const step = (id: string, name: string, say: string, how: string, ...wrong: Wrong[]): WalkStep => ({
	...{ id, name, say, how, wrong },
	good: 'As it should be',
});
const off = (label: string, text: string, next: string = again): Wrong => ({
	id: label.toLowerCase().replaceAll(/\W+/g, '-'),
	...{ label, text, next },
});

const STRAPS: readonly WalkStep[] = [
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

const sideSteps = ({ obstacleSides }: Aircraft): WalkStep[] =>
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

const LINES: readonly WalkStep[] = [
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

const SPREADER: readonly WalkStep[] = [
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

/** A walk as it is for this aircraft. */
export function walkOf(id: WalkId, aircraft: Aircraft): Walk {
	switch (id) {
		case 'propellers':
			return {
				...{
					id,
					item: 'props-on',
					station: 'power-up',
					title: 'Propeller by propeller',
					steps: propellerSteps(aircraft),
				},
				caution: isFactory(aircraft)
					? 'Switched off while propellers are touched; by the maker’s manual.'
					: 'Pack unplugged while propellers are fitted. Use the tool, not pliers.',
				passed: 'Every propeller is of the right hand, the right way up, whole and tight',
				why: 'A propeller of the wrong hand or upside down looks right until the throttle comes up: then it stays on the ground or turns over.',
			};
		case 'straps':
			return {
				...{ id, item: 'leads', station: 'bench', title: 'Straps, lead and plug', steps: STRAPS, photos: true },
				caution: 'Propellers off, or the pack unplugged, while hands are between the arms.',
				passed: 'The pack is held by two straps; lead and plug cannot reach a propeller',
				why: 'A cut lead ends the flight and the pack. Several tries are usual; a photo of how it lay when it was good saves the next ones.',
			};
		case 'obstacle-sides':
			return {
				...{ id, item: 'obstacle-sides', station: 'power-up', title: 'Obstacle sensors, side by side' },
				steps: sideSteps(aircraft),
				caution:
					'Propellers standing still, disarmed, by two persons for a large aircraft. Never tried by flying at a person.',
				passed: 'Every side that it should see was shown',
				why: 'Its display is a hint: thin branches, wires, glass and water are seen from no side, and in low sun a side may be blind.',
			};
		case 'spray-lines':
			return {
				...{
					id,
					item: 'lines-vented',
					station: 'bench',
					title: 'Lines vented, front and rear',
					steps: LINES,
					photos: true,
				},
				caution: 'Water, not the product. Propellers off. Stand beside the nozzles, never before them.',
				passed: 'Lines are vented front and rear, and every nozzle sprays evenly',
				why: 'Air in a line gives less than is set, and looks like a weak pump.',
			};
		case 'spreader-steps':
			return {
				...{ id, item: 'spreader-ready', station: 'bench', title: 'Spreader, step by step', steps: SPREADER },
				caution:
					'Power off and pack out while tank and spreader are exchanged. Propellers off. No finger in the feeder.',
				passed: 'The spreader is fitted, its mode is read back, feeder and fan follow',
				why: 'The same aircraft with the other load gives the wrong amount, or nothing, all day.',
			};
	}
}

/** The walk that answers an item on this aircraft; null where there is nothing to walk along. */
export function walkFor(item: string, aircraft: Aircraft): WalkId | null {
	if (item === 'obstacle-sides')
		return hasPart(aircraft, 'obstacle') && (aircraft.obstacleSides?.length ?? 0) > 0 ? 'obstacle-sides' : null;
	return WALKS.find((id) => walkOf(id, aircraft).item === item) ?? null;
}

/** What earlier walks say: how often since a part was changed, and when each thing was last as it should be. */
export interface Before {
	times: number;
	/** The change of a part that the count begins with. */
	since: string | null;
	last: readonly { name: string; at: string | null }[];
}

/** The name under which a step's answer is kept among the figures of a walk. */
export const figureOf = ({ id, name }: WalkStep): string => (name === id ? name : `${name}: ${id}`);

export function walkedBefore(walk: Walk, entries: readonly Entry[], events: Aircraft['events']): Before {
	const since =
		events
			.filter(({ kind }) => kind === 'part')
			.map(({ at }) => at)
			.toSorted()
			.at(-1) ?? null;
	const newest = entries.toSorted((a, b) => (a.at < b.at ? 1 : -1));
	const good = (entry: Entry, label: string) =>
		entry.payload.kind === 'test' && entry.payload.figures.some((f) => f.label === label && f.value === 1);
	return {
		since,
		times: newest.filter(({ at }) => since === null || at > since).length,
		last: walk.steps.map((one) => ({
			name: one.name,
			at: newest.find((entry) => good(entry, figureOf(one)))?.at ?? null,
		})),
	};
}

/**
 * What a walk shows: each wrong thing with its remedy, and whether all were looked at. A walk that is not whole passes nothing. A side
 * that does not see is a caution, since it can be flown by knowing it; anything else that is wrong holds.
 */
export function judgeWalk(walk: Walk, answers: WalkAnswers): { headline: string; verdict: Verdict; reasons: Reason[] } {
	const level: Verdict = walk.id === 'obstacle-sides' ? 'caution' : 'fail';
	const out: Reason[] = [];
	for (const { id, name, wrong } of walk.steps) {
		const found = wrong.find((one) => one.id === answers[id]);
		if (found) out.push(reason(level, `${walk.id}-${found.id}`, `The ${name} ${found.text}.`, { next: found.next }));
	}
	const open = walk.steps.filter(({ id }) => answers[id] === undefined);
	if (open.length > 0)
		out.push(
			reason(level, 'insufficient-walk', `Not looked at: ${[...new Set(open.map(({ name }) => name))].join(', ')}.`, {
				value: walk.steps.length - open.length,
				limit: { value: walk.steps.length, unit: 'looked at', source: 'every one of them' },
				next: 'Look at the others too.',
			}),
		);
	if (out.length === 0) out.push(reason('pass', 'walk-whole', `${walk.passed}.`, { value: walk.steps.length }));
	const judged = judge(out);
	const [{ text }] = judged.reasons;
	return { ...judged, headline: out.length === 1 ? text : `${text} And ${out.length - 1} more.` };
}
