import { area } from './message';

const LOOK = 'Disarm, unplug, and look at frame, arms, propellers and motors; then at the gains.';

interface Throw {
	surface: string;
	way: string;
	mm: number;
	sheetMm: number;
}

/** Propulsion: findings by code. */
export const propulsion = area('propulsion', {
	'insufficient-pack': {
		text: 'What is printed on the pack is not known, so what was used says nothing.',
		next: 'Enter the capacity of the pack in mAh or Wh.',
	},
	'insufficient-flights': {
		text: 'No flight can be used, and the hover power is not known.',
		next: 'Enter minutes and used charge of a flight, or power in the hover with the pack’s Wh.',
	},
	'required-dropped': ({ required }: { required: readonly string[] }) => ({
		text: `This pack does not hold ${required.join(', ')}.`,
		next: 'Take a fuller or larger pack, or split the flight.',
	}),
	'timer-too-short': { text: 'Hardly any flight is left before the alarm.', next: 'Charge the pack, or take another.' },
	'insufficient-pack#flightTime': {
		text: 'Flights whose charge was counted were left out: the pack’s capacity is not known.',
		next: 'Enter what is printed on the pack.',
	},
	'from-hover-power': {
		text: 'No flight is on record: this rests on the hover power alone.',
		next: 'Note minutes and used charge after the flight.',
	},
	'few-flights': {
		text: 'Few flights are on record: how much they differ is assumed.',
		next: 'Note minutes and used charge after each flight.',
	},
	'other-packs-only': {
		text: 'No flight was on this pack: it is taken to be like the others.',
		next: 'Watch its voltage on the first flight.',
	},
	'cold-assumed': {
		text: 'It is cold, and what this pack loses by it is assumed.',
		next: 'Warm the pack before the flight; land by its voltage.',
	},
	'start-not-full': { text: 'The pack is not full.', next: 'Charge it for a test flight.' },
	'rungs-dropped': ({ dropped }: { dropped: string[] }) => ({
		text: `Left for another pack: ${dropped.join(', ')}.`,
		next: 'Plan them for the next pack.',
	}),
	'timer-set': ({ timerMin, power }: { timerMin: number; power: string }) => ({
		text: `Nine flights in ten last longer than ${timerMin.toFixed(1)} minutes to the alarm.${power}`,
	}),
	'tail-heavy': ({ shiftPackMm, name }: { shiftPackMm: null | number; name: string }) => ({
		text: 'It is tail-heavy: it would pitch up and stall.',
		next:
			shiftPackMm === null
				? 'The pack has no mass here: weigh it.'
				: `Move ${name} ${Math.abs(shiftPackMm).toFixed(0)} mm ${shiftPackMm < 0 ? 'forward' : 'back'}.`,
	}),
	'near-mark': ({
		forwardMm,
		shiftPackMm,
		name,
	}: {
		forwardMm: null | number;
		shiftPackMm: null | number;
		name: string;
	}) => ({
		text: 'It balances at the mark, within what was measured; the tail may be a little heavy.',
		next:
			forwardMm === null
				? shiftPackMm === null
					? 'The pack has no mass here: weigh it.'
					: `Move ${name} ${Math.abs(shiftPackMm).toFixed(0)} mm ${shiftPackMm < 0 ? 'forward' : 'back'}.`
				: `Move ${name} ${forwardMm} mm forward: a little nose-heavy is the safer side.`,
	}),
	'nose-heavy': ({ shiftPackMm, name }: { shiftPackMm: null | number; name: string }) => ({
		text: 'It is more nose-heavy than you allow.',
		next:
			shiftPackMm === null
				? 'The pack has no mass here: weigh it.'
				: `Move ${name} ${Math.abs(shiftPackMm).toFixed(0)} mm ${shiftPackMm < 0 ? 'forward' : 'back'}.`,
	}),
	balanced: { text: 'It balances at the mark or a little before it.' },
	'check-wrong': ({ mapOf, why, nextWordsOf }: { mapOf: string[]; why: string; nextWordsOf: string }) => ({
		text: `Not as it should be: ${mapOf.join(', ')}. Most likely: ${why}.`,
		next: `Put it right with the power off, then do every check and nudge again from the first. If it is not that: ${nextWordsOf}.`,
	}),
	'response-wrong': ({ mapOf, why, nextWordsOf }: { mapOf: string[]; why: string; nextWordsOf: string }) => ({
		text: `It did not answer as commanded: ${mapOf.join(', ')}. Most likely: ${why}.`,
		next: `Disarm, unplug, propellers off; then ${nextWordsOf}.`,
	}),
	'insufficient-observations': ({
		mapOf,
		nextWordsOf,
	}: {
		mapOf: ('stick right' | 'stick forward' | 'yaw right' | 'a little throttle')[];
		nextWordsOf: string;
	}) => ({ text: `Not tried yet: ${mapOf.join(', ')}.`, next: `Next: ${nextWordsOf}.` }),
	'all-as-commanded': {
		text: 'All four answered as commanded. That is evidence of the right signs, not of balance or sound propellers.',
	},
	'motor-silent': ({ wordsOf }: { wordsOf: string }) => ({
		text: `Nothing turned when the ${wordsOf} was asked.`,
		next: 'Stop: unplug, trace its leads, speed controller and output; swap it with a neighbour to see what follows.',
	}),
	'outputs-exchanged': ({ mapOf }: { mapOf: string[] }) => ({
		text: `Outputs of ${mapOf.join(' and ')} are exchanged.`,
		next: 'Exchange them in the settings or at the plugs; then walk again.',
	}),
	'all-reversed': {
		text: 'Every motor turns the other way than is set.',
		next: 'Built for the other scheme: set the expected direction to the other one and fit the propellers by the drawing, or reverse them all. A setting only tells the controller; it turns no motor.',
	},
	'motor-reversed': ({ wordsOf }: { wordsOf: string }) => ({
		text: `The ${wordsOf} turns the wrong way.`,
		next: 'Exchange two of its three leads, or reverse it in its speed controller.',
	}),
	'insufficient-walk': ({ length, length2 }: { length: number; length2: number }) => ({
		text: `${length} of ${length2} motors were seen turning, and which way.`,
		next: 'Ask the others too: a strip of paper at the shaft or a film shows the way, never a finger.',
	}),
	'motors-as-planned': ({ length }: { length: number }) => ({
		text: `All ${length} motors answer for themselves and turn as planned.`,
	}),
	overcharged: ({ cell, volts }: { cell: number; volts: number }) => ({
		text: `Cell ${cell} shows ${volts.toFixed(2)} V: more than full.`,
		next: 'Wrong chemistry chosen, or set the pack aside in a safe place.',
	}),
	'cell-dead': ({ cell, volts }: { cell: number; volts: number }) => ({
		text: `Cell ${cell} shows ${volts.toFixed(2)} V: dead or not connected.`,
		next: 'Do not charge or fly it; follow the maker.',
	}),
	'cells-apart': {
		text: 'One cell lags far behind the others.',
		next: 'Do not fly it; balance it by the maker’s manual and measure again.',
	},
	'cells-uneven': { text: 'The cells differ.', next: 'Balance it; watch the weakest cell under load.' },
	'cells-even': { text: 'The cells are even.' },
	'not-full': { text: 'It is not full.', next: 'Fly tests on a full pack.' },
	full: { text: 'It is full.' },
	'nothing-left': { text: 'Nothing is left above the reserve.', next: 'Charge it.' },
	'resistance-negative': {
		text: 'The voltage rose under load: the two readings are mixed up.',
		next: 'Measure the load step again.',
	},
	'resistance-high': {
		text: 'It sags under load.',
		next: 'Warm it and measure again; if it stays, keep it for the bench.',
	},
	'resistance-low': { text: 'It holds its voltage under load.' },
	'capacity-told': {
		text: 'The capacity is what is printed on it; nobody has measured it.',
		next: 'Note what the charger puts back after a flight.',
	},
	worn: { text: 'It holds much less than is printed on it.', next: 'Shorten its flights, or retire it.' },
	healthy: { text: 'It holds what is printed on it, nearly.' },
	cold: {
		text: 'It is cold: less comes out and the voltage sags.',
		next: 'Keep packs warm until the flight; hover for a minute first.',
	},
	'reserve-small': { text: 'The reserve is small.', next: 'Keep a fifth.' },
	'act-late': ({ actPct, warnPct }: { actPct: number; warnPct: number }) => ({
		text: `The second level acts at ${actPct} %, the first warns at ${warnPct} %.`,
		next: 'Act at a tenth or more.',
	}),
	surging: ({ hz }: { hz: null | number }) => ({
		text: `The motors surge${hz === null ? '' : `, ${hz.toFixed(hz < 3 ? 1 : 0)} times a second`}.`,
		next: LOOK,
	}),
	unsteady: ({ hz }: { hz: null | number }) => ({
		text: `The motors rise and fall together${hz === null ? '' : `, ${hz.toFixed(hz < 3 ? 1 : 0)} times a second`}.`,
		next: 'Listen again in calmer air; if it stays, look at propellers, frame and gains.',
	}),
	even: { text: 'The motors run evenly.' },
	'more-than-usual': {
		text: 'They are more unsteady than in the earlier good hover.',
		next: 'Ask what changed since: propellers, a knock, gains, the mounting of the board.',
	},
	'as-usual': { text: 'They are as steady as in the earlier good hover.' },
	'tone-off': ({ off }: { off: number }) => ({
		text: `The hover hums ${Math.abs(off).toFixed(0)} % ${off > 0 ? 'higher' : 'lower'} than usual.`,
		next:
			off > 0
				? 'More turns for the same lift: weight, thin air, or propellers that are worn, bent or not its own.'
				: 'Fewer turns: less weight, other propellers, or another tone that is loudest here.',
	}),
	'tone-as-usual': { text: 'The hover hums as it usually does.' },
	'too-loud': { text: 'The microphone was driven to its end.', next: 'Record from farther off.' },
	'insufficient-grid': ({ length, length2 }: { length: number; length2: number }) => ({
		text: `${length - length2} of ${length} movements were seen.`,
		next: 'See the others too, before every flight.',
	}),
	'surfaces-right': { text: 'Every surface moves as it should, by stick and by its stabiliser.' },
	'throw-as-sheet': ({ surface, way, mm, sheetMm }: Throw) => ({
		text: `${surface} ${way}: ${mm} mm of ${sheetMm} mm.`,
	}),
	'throw-off': ({ surface, way, mm, sheetMm }: Throw) => ({
		text: `${surface} ${way}: ${mm} mm of ${sheetMm} mm.`,
		next: 'Move the linkage at horn or servo arm; then see every movement again.',
	}),
	'throws-differ': ({ named, named2 }: { named: undefined | string; named2: undefined | string }) => ({
		text: `The ${named} and the ${named2} go differently far.`,
		next: 'Centre both servo arms, then the linkages: what goes further on one side turns it.',
	}),
	'hotter-than-others': ({ name }: { name: string }) => ({
		text: `${name} is hotter than the others of its kind.`,
		next: 'Turn it by hand against the others: a bearing, a bent shaft, a propeller, a screw into its winding.',
	}),
	'hotter-than-usual': ({ name }: { name: string }) => ({
		text: `${name} is hotter above the air than it usually is.`,
		next: 'What changed: gains, propellers, load, wind? Stock gains and a short hover tell.',
	}),
	'too-hot': ({ name }: { name: string }) => ({
		text: `${name} is too hot.`,
		next: 'Nothing more today: too much gain, load or propeller, or no air. Let it cool by itself.',
	}),
	alike: {
		text: 'Every part is as warm as the others and as on its earlier flights, within what this can tell.',
	},
	'alike-others': {
		text: 'Every part is as warm as the others, within what this can tell. No earlier flight to compare with.',
	},
	'alike-itself': { text: 'Every part is as warm as on its earlier flights, within what this can tell.' },
	'nothing-to-compare': { text: 'No part is too hot. Nothing to compare with yet.' },
	'too-cool-to-tell': { text: 'Nothing is warm enough to say anything of its load.' },
	'insufficient-duration': ({ durationS }: { durationS: number }) => ({
		text: `${durationS.toFixed(1)} s of sound are too few.`,
		next: 'Record twenty seconds of a hover, the phone still, some metres off.',
	}),
	'insufficient-level': {
		text: 'The recording is all but silent.',
		next: 'Go nearer, look whether the microphone is covered, and record again.',
	},
	'insufficient-tone': {
		text: 'The motors are not heard clearly: wind, voices or distance stand above them.',
		next: 'Record from the lee, some metres off, nobody speaking.',
	},
	'surface-still': ({ named }: { named: undefined | string }) => ({
		text: `The ${named} does not move.`,
		next: 'Look at its plug, servo, horn and linkage.',
	}),
	'servo-reversed': ({ named }: { named: undefined | string }) => ({
		text: `The ${named} moves the other way in everything.`,
		next: 'Reverse its output, not a stick: then repeat every movement.',
	}),
	'surfaces-exchanged': {
		text: 'Roll is the other way by stick and by stabiliser: the two elevons are exchanged.',
		next: 'Exchange their plugs; then repeat every movement.',
	},
	'outputs-reversed': ({ named }: { named: string }) => ({
		text: `In ${named} stick and stabiliser both move the other way.`,
		next: 'Reverse the outputs of these surfaces; then both are right.',
	}),
	'channel-reversed': ({ named }: { named: string }) => ({
		text: `The stick moves the other way in ${named}.`,
		next: 'Reverse the channel in the radio, not the output: the stabiliser is right as it is.',
	}),
	'stabiliser-reversed': ({ named }: { named: string }) => ({
		text: `The stabiliser moves the other way in ${named}: in self-level it would turn over.`,
		next: 'Look at how the board sits and is told to sit; reverse the stabiliser, not the stick.',
	}),
	'surface-wrong': ({ spoken, named, seen }: { spoken: string; named: string; seen: string }) => ({
		text: `${spoken}: the ${named} ${seen === 'still' ? 'stays still' : 'moves the other way'}.`,
		next: 'Look at its output and the mix; then repeat every movement.',
	}),
});
