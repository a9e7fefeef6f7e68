import { area } from './message';

const LOOK = 'Disarm, unplug, and check frame, arms, propellers and motors, then the gains.';

interface Throw {
	surface: string;
	way: string;
	mm: number;
	sheetMm: number;
}

/** Propulsion: findings by code. */
export const propulsion = area('propulsion', {
	'insufficient-pack': {
		text: 'Battery capacity not entered, so the charge used cannot be judged.',
		next: 'Enter the battery capacity in mAh or Wh.',
	},
	'insufficient-flights': {
		text: 'No usable flight, and hover power not known.',
		next: 'Enter minutes and charge used of a flight, or hover power and the battery’s Wh.',
	},
	'required-dropped': ({ required }: { required: readonly string[] }) => ({
		text: `This battery is not enough for ${required.join(', ')}.`,
		next: 'Use a fuller or larger battery, or split the flight.',
	}),
	'timer-too-short': {
		text: 'Hardly any flight time left before the alarm.',
		next: 'Charge the battery, or use another.',
	},
	'insufficient-pack#flightTime': {
		text: 'Flights with counted charge are left out: battery capacity not known.',
		next: 'Enter the capacity printed on the battery.',
	},
	'from-hover-power': {
		text: 'No flight on record. Calculated from hover power alone.',
		next: 'Record minutes and charge used after the flight.',
	},
	'few-flights': {
		text: 'Few flights on record. Their spread is assumed.',
		next: 'Record minutes and charge used after each flight.',
	},
	'other-packs-only': {
		text: 'No flight on this battery. It is assumed to be like the others.',
		next: 'Watch its voltage on the first flight.',
	},
	'cold-assumed': {
		text: 'Cold. The capacity lost by this battery is assumed.',
		next: 'Warm the battery before the flight; land by its voltage.',
	},
	'start-not-full': { text: 'Battery not full.', next: 'Charge the battery for a test flight.' },
	'rungs-dropped': ({ dropped }: { dropped: string[] }) => ({
		text: `Moved to another battery: ${dropped.join(', ')}.`,
		next: 'Plan these steps for the next battery.',
	}),
	'timer-set': ({ timerMin, power }: { timerMin: number; power: string }) => ({
		text: `Nine flights in ten last longer than ${timerMin.toFixed(1)} minutes to the alarm.${power}`,
	}),
	'tail-heavy': ({ shiftPackMm, name }: { shiftPackMm: null | number; name: string }) => ({
		text: 'Tail-heavy. The aircraft would pitch up and stall.',
		next:
			shiftPackMm === null
				? 'Battery mass not entered. Weigh the battery.'
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
		text: 'Balances at the mark within the measurement uncertainty; the tail may be slightly heavy.',
		next:
			forwardMm === null
				? shiftPackMm === null
					? 'Battery mass not entered. Weigh the battery.'
					: `Move ${name} ${Math.abs(shiftPackMm).toFixed(0)} mm ${shiftPackMm < 0 ? 'forward' : 'back'}.`
				: `Move ${name} ${forwardMm} mm forward; slightly nose-heavy is the safer side.`,
	}),
	'nose-heavy': ({ shiftPackMm, name }: { shiftPackMm: null | number; name: string }) => ({
		text: 'More nose-heavy than your tolerance.',
		next:
			shiftPackMm === null
				? 'Battery mass not entered. Weigh the battery.'
				: `Move ${name} ${Math.abs(shiftPackMm).toFixed(0)} mm ${shiftPackMm < 0 ? 'forward' : 'back'}.`,
	}),
	balanced: { text: 'Balances at the mark or slightly ahead of it.' },
	'check-wrong': ({ checks, why, then }: { checks: string[]; why: string; then: string }) => ({
		text: `Problem found: ${checks.join(', ')}. Most likely ${why}.`,
		next: `Correct it with the power off, then repeat every check and nudge. If the cause is another, ${then}.`,
	}),
	'response-wrong': ({ tests, why, then }: { tests: string[]; why: string; then: string }) => ({
		text: `Wrong response: ${tests.join(', ')}. Most likely ${why}.`,
		next: `Disarm, unplug, take the propellers off, then ${then}.`,
	}),
	'insufficient-observations': ({ tests, then }: { tests: string[]; then: string }) => ({
		text: `Not tried yet: ${tests.join(', ')}.`,
		next: `Next: ${then}.`,
	}),
	'all-as-commanded': {
		text: 'All four responses as commanded. This proves the signs, not balance or sound propellers.',
	},
	'motor-silent': ({ motor }: { motor: string }) => ({
		text: `No motor turned when the ${motor} was commanded.`,
		next: 'Stop and unplug. Check its leads, ESC and output; swap it with a neighbour to see what follows.',
	}),
	'outputs-exchanged': ({ motors }: { motors: string[] }) => ({
		text: `Outputs of ${motors.join(' and ')} are swapped.`,
		next: 'Swap them in the settings or at the plugs, then check all motors again.',
	}),
	'all-reversed': {
		text: 'Every motor turns opposite to the setting.',
		next: 'Set the expected direction to the other scheme and fit the propellers by the drawing, or reverse all motors. The setting only informs the flight controller; it reverses no motor.',
	},
	'motor-reversed': ({ motor }: { motor: string }) => ({
		text: `The ${motor} turns the wrong way.`,
		next: 'Swap two of its three leads, or reverse it in its ESC.',
	}),
	'insufficient-walk': ({ seen, motors }: { seen: number; motors: number }) => ({
		text: `Turning direction seen for ${seen} of ${motors} motors.`,
		next: 'Check the others too. Use a strip of paper at the shaft or a film to see the direction, never a finger.',
	}),
	'motors-as-planned': ({ motors }: { motors: number }) => ({
		text: `All ${motors} motors respond at their own place and turn as planned.`,
	}),
	overcharged: ({ cell, volts }: { cell: number; volts: number }) => ({
		text: `Cell ${cell} reads ${volts.toFixed(2)} V, above full charge.`,
		next: 'Check the chemistry chosen; otherwise put the battery in a safe place.',
	}),
	'cell-dead': ({ cell, volts }: { cell: number; volts: number }) => ({
		text: `Cell ${cell} reads ${volts.toFixed(2)} V: dead or not connected.`,
		next: "Do not charge or fly this battery; follow the maker's instructions.",
	}),
	'cells-apart': {
		text: 'One cell is far below the others.',
		next: 'Do not fly this battery; balance it by the maker’s manual and measure again.',
	},
	'cells-uneven': { text: 'Cells differ.', next: 'Balance the battery; watch the weakest cell under load.' },
	'cells-even': { text: 'Cells are even.' },
	'not-full': { text: 'Battery not full.', next: 'Fly tests on a full battery.' },
	full: { text: 'Battery full.' },
	'nothing-left': { text: 'No charge left above the reserve.', next: 'Charge the battery.' },
	'resistance-negative': {
		text: 'Voltage rose under load. The two readings are swapped.',
		next: 'Measure the load step again.',
	},
	'resistance-high': {
		text: 'Voltage sags under load.',
		next: 'Warm the battery and measure again; if the sag remains, use it on the bench only.',
	},
	'resistance-low': { text: 'Voltage holds under load.' },
	'capacity-told': {
		text: 'Capacity is the printed value, not measured.',
		next: 'Record what the charger puts back after a flight.',
	},
	worn: { text: 'Capacity is far below the printed value.', next: 'Shorten flights on this battery, or retire it.' },
	healthy: { text: 'Capacity is close to the printed value.' },
	cold: {
		text: 'Battery is cold. Capacity and voltage are lower.',
		next: 'Keep batteries warm until the flight; hover for one minute first.',
	},
	'reserve-small': { text: 'Reserve is small.', next: 'Keep 20 %.' },
	'act-late': ({ actPct, warnPct }: { actPct: number; warnPct: number }) => ({
		text: `Critical battery level ${actPct} % leaves little charge to land; the warning comes at ${warnPct} %.`,
		next: 'Set the critical level to 10 % or more.',
	}),
	surging: ({ hz }: { hz: null | number }) => ({
		text: `Motors surge${hz === null ? '' : `, ${hz.toFixed(hz < 3 ? 1 : 0)} times per second`}.`,
		next: LOOK,
	}),
	unsteady: ({ hz }: { hz: null | number }) => ({
		text: `Motor sound rises and falls${hz === null ? '' : `, ${hz.toFixed(hz < 3 ? 1 : 0)} times per second`}.`,
		next: 'Record again in calmer air; if it remains, check propellers, frame and gains.',
	}),
	even: { text: 'Motors run evenly.' },
	'more-than-usual': {
		text: 'Motors are less steady than in the earlier good hover.',
		next: 'Check what changed since then: propellers, an impact, gains, the mounting of the board.',
	},
	'as-usual': { text: 'Motors are as steady as in the earlier good hover.' },
	'tone-off': ({ off }: { off: number }) => ({
		text: `Motor tone is ${Math.abs(off).toFixed(0)} % ${off > 0 ? 'higher' : 'lower'} than usual.`,
		next:
			off > 0
				? 'Check weight, air density and propellers: worn, bent or of another type.'
				: 'Check weight and propellers; another sound may be loudest here.',
	}),
	'tone-as-usual': { text: 'Motor tone is as usual.' },
	'too-loud': { text: 'Recording is overloaded.', next: 'Record from farther away.' },
	'insufficient-grid': ({ movements, open }: { movements: number; open: number }) => ({
		text: `${movements - open} of ${movements} movements seen.`,
		next: 'Check the others too, before every flight.',
	}),
	'surfaces-right': { text: 'Every surface moves correctly by stick and by stabiliser.' },
	'throw-as-sheet': ({ surface, way, mm, sheetMm }: Throw) => ({
		text: `${surface} ${way}: ${mm} mm of ${sheetMm} mm.`,
	}),
	'throw-off': ({ surface, way, mm, sheetMm }: Throw) => ({
		text: `${surface} ${way}: ${mm} mm of ${sheetMm} mm.`,
		next: 'Move the linkage at horn or servo arm; then see every movement again.',
	}),
	'throws-differ': ({ one, other }: { one: string; other: string }) => ({
		text: `Throws of ${one} and ${other} differ.`,
		next: 'Centre both servo arms, then adjust the linkages. Unequal throws turn the aircraft.',
	}),
	'hotter-than-others': ({ name }: { name: string }) => ({
		text: `${name} is hotter than the others of its kind.`,
		next: 'Turn it by hand and compare: check bearing, shaft, propeller and screw length.',
	}),
	'hotter-than-usual': ({ name }: { name: string }) => ({
		text: `${name} is hotter above air temperature than on earlier flights.`,
		next: 'Check what changed: gains, propellers, load or wind. Compare with stock gains in a short hover.',
	}),
	'too-hot': ({ name }: { name: string }) => ({
		text: `${name} is too hot.`,
		next: 'Stop flying today and let it cool. Check gains, load, propeller size and airflow.',
	}),
	alike: {
		text: 'Every part is as warm as the others and as on earlier flights, within the uncertainty.',
	},
	'alike-others': {
		text: 'Every part is as warm as the others, within the uncertainty. No earlier flight to compare with.',
	},
	'alike-itself': { text: 'Every part is as warm as on earlier flights, within the uncertainty.' },
	'nothing-to-compare': { text: 'No part is too hot. Nothing to compare with yet.' },
	'too-cool-to-tell': { text: 'No part is warm enough to judge its load.' },
	'insufficient-duration': ({ durationS }: { durationS: number }) => ({
		text: `${durationS.toFixed(1)} s of sound is too short.`,
		next: 'Record twenty seconds of a hover with the phone still, a few paces away.',
	}),
	'insufficient-level': {
		text: 'Recording is almost silent.',
		next: 'Move nearer, check that the microphone is not covered, and record again.',
	},
	'insufficient-tone': {
		text: 'Motors are not clearly audible over wind, voices or distance.',
		next: 'Record out of the wind, a few paces away, with nobody speaking.',
	},
	'surface-still': ({ surface }: { surface: string }) => ({
		text: `The ${surface} does not move.`,
		next: 'Check its plug, servo, horn and linkage.',
	}),
	'servo-reversed': ({ surface }: { surface: string }) => ({
		text: `The ${surface} moves in reverse in every test.`,
		next: 'Reverse its output, not a stick, then repeat every movement.',
	}),
	'surfaces-exchanged': {
		text: 'Roll is reversed by stick and by stabiliser. The two elevons are swapped.',
		next: 'Swap their plugs, then repeat every movement.',
	},
	'outputs-reversed': ({ axis }: { axis: string }) => ({
		text: `In ${axis}, stick and stabiliser both move in reverse.`,
		next: 'Reverse the outputs of these surfaces to correct both.',
	}),
	'channel-reversed': ({ axis }: { axis: string }) => ({
		text: `Stick is reversed in ${axis}.`,
		next: 'Reverse the channel in the transmitter, not the output; the stabiliser is OK.',
	}),
	'stabiliser-reversed': ({ axis }: { axis: string }) => ({
		text: `Stabiliser is reversed in ${axis}. In self-level the aircraft would turn over.`,
		next: "Check the board's mounting and its setting; reverse the stabiliser, not the stick.",
	}),
	'surface-wrong': ({ spoken, surface, seen }: { spoken: string; surface: string; seen: string }) => ({
		text: `${spoken}: the ${surface} ${seen === 'still' ? 'stays still' : 'moves in reverse'}.`,
		next: 'Check its output and the mix, then repeat every movement.',
	}),
});
