import { area, type Show } from './message';

const AGAINST_WIND = 'Raise the return speed, stay upwind and near, or shorten the day.';

const plausibility = ({ linkLossOnly }: { linkLossOnly: boolean }) => ({
	text: linkLossOnly
		? 'It checks only on link loss that a return makes sense, not when the switch is thrown.'
		: 'It does not check that a return makes sense, as far as is known.',
	next: 'With present firmware “always” is what most choose: it no longer falls when a check fails. Read its notes.',
});

/** Times of a return in seconds: flown, and the plan's longest and shortest. */
interface Times {
	downS: number;
	mostS: number;
	leastS: number;
}

const aboutTime = ({ downS, mostS, leastS }: Times) => {
	const span = mostS - leastS < 1 ? `${mostS.toFixed(0)} s` : `${leastS.toFixed(0)} to ${mostS.toFixed(0)} s`;
	return `Return took ${downS.toFixed(0)} s; the plan for this distance gives ${span}.`;
};

interface Flown {
	trigger: string;
	distanceM: number;
}

const cameHome = ({ trigger, distanceM }: Flown, show: Show) =>
	`It came home ${trigger === 'switch' ? 'by its switch' : 'with the radio off'} from ${show.length(distanceM, 0)}`;

/** A distance as it is paced: tenths below ten metres. */
const paced = (metres: number, show: Show) => show.length(metres, metres < 10 ? 1 : 0);

/** Return: findings by code. */
export const returnToHome = area('return', {
	'insufficient-landings': {
		text: 'No landing was measured.',
		next: 'Let it come home, and measure from the mark to where it stands.',
	},
	'wide-miss': ({ farthestM }: { farthestM: number }, show) => ({
		text: `It came down ${paced(farthestM, show)} from its mark.`,
		next: 'Do not send it further out; look at lock, stored home and compass before it comes home again.',
	}),
	'misses-bar': ({ barM }: { barM: number }, show) => ({
		text: `More than half of its landings to come miss the ${paced(barM, show)} about the mark.`,
		next: 'Look at the fix, the stored home and the compass, then land again.',
	}),
	'few-landings': ({ n, metres, lowM, highM }: { n: number; metres: number; lowM: number; highM: number }, show) => ({
		text:
			n === 1
				? `It came back within ${paced(metres, show)}. One landing says little about the next: ${paced(lowM, show)} to ${paced(highM, show)} hold nineteen in twenty.`
				: 'Two landings do not tell an offset from chance.',
		next: 'Land again, each after a power-up of its own.',
	}),
	'one-power-up': {
		text: 'All landings were of one power-up: they share one stored home.',
		next: 'Power off, lock again, and land again.',
	},
	'bar-doubtful': ({ barM, within }: { barM: number; within: number }, show) => ({
		text: `The next landing is within ${paced(barM, show)} with ${(100 * within).toFixed(0)} %.`,
		next: 'Keep the landing area wider, and land again.',
	}),
	'offset-systematic': ({ offsetM, towardDeg }: { offsetM: number; towardDeg: number }, show) => ({
		text: `Its landings lie ${paced(offsetM, show)} toward ${towardDeg.toFixed(0)}°, more than chance does.`,
		next: 'Look at the stored home and the wind; an offset alone is no sign of the compass.',
	}),
	'scatter-large': {
		text: 'It scatters more than its receiver’s class does.',
		next: 'Look at the lock, then at how it holds in a hover.',
	},
	'oldest-left-out': ({ leftOut }: { leftOut: number }) => ({ text: `The oldest ${leftOut} landings were left out.` }),
	'lands-within-bar': ({ r50M }: { r50M: number }, show) => ({
		text: `Half of its landings to come lie within ${paced(r50M, show)} of the mark.`,
	}),
	'radius-to-come': ({ r50M }: { r50M: number }, show) => ({
		text: `Half of its landings to come lie within ${paced(r50M, show)} of the mark.`,
	}),
	'many-more': {
		text: 'More landings than one would fly would be needed to settle where it lands.',
		next: 'Look for what scatters it first.',
	},
	'wind-exceeds-airspeed': {
		text: 'The wind at its height is stronger than the aircraft flies: it cannot hold a place.',
		next: AGAINST_WIND,
	},
	'crosswind-too-strong': {
		text: 'The crosswind is stronger than its airspeed: it cannot keep the line home.',
		next: AGAINST_WIND,
	},
	'headwind-too-strong': { text: 'Against this wind it would stand still or drift away.', next: AGAINST_WIND },
	'pack-empty-before-home': { text: 'The pack is empty before it is down.', next: 'Turn back earlier.' },
	'reserve-violated': ({
		usedUp,
		leftWh,
		usableWh,
		landWithWh,
	}: {
		usedUp: boolean;
		leftWh: number;
		usableWh: number;
		landWithWh: number;
	}) => ({
		text: usedUp
			? `The pack is used up: only ${leftWh.toFixed(1)} of ${usableWh.toFixed(1)} Wh are left, less than the reserve, before it turns back.`
			: `It uses its reserve up: ${landWithWh.toFixed(1)} Wh are left at the landing.`,
		next: usedUp ? 'Land now, and fly on with a charged pack.' : 'Turn back earlier.',
	}),
	'obstacle-in-path': ({ distanceM, toward }: { distanceM: number | null; toward: string }, show) => ({
		text: `What stands ${distanceM === null ? 'there' : `${show.length(distanceM, 0)} to the ${toward} of home`} is in the way.`,
		next: 'Raise the return height or move home.',
	}),
	'motors-cut': {
		text: 'On loss of link the motors stop and it falls.',
		next: 'Set another action where the aircraft can come home.',
	},
	'margin-thin': { text: 'Little is left above the reserve.', next: 'Turn back earlier.' },
	'obstacle-close': ({ distanceM, toward }: { distanceM: number | null; toward: string }, show) => ({
		text: `It passes close over what stands ${distanceM === null ? 'there' : `${show.length(distanceM, 0)} to the ${toward} of home`}.`,
		next: 'Raise the return height.',
	}),
	'gust-exceeds-airspeed': {
		text: 'In a gust it cannot hold its place.',
		next: 'Come down, or choose another action.',
	},
	'lands-away-from-home': ({ carriedM }: { carriedM: null | number }, show) => ({
		text:
			carriedM === null
				? 'It lands away from home.'
				: `It cannot hold its place: by the time it is down the wind has carried it to ${show.length(carriedM, 0)} from home.`,
		next: 'Look at what is below it.',
	}),
	'nearer-than-minimum': { text: 'Nearer than the minimum distance: it lands where it is.' },
	'returns-with-reserve': { text: 'It is down with its reserve.' },
	'gust-stops-return': ({ nextWords }: { nextWords: string }) => ({
		text: 'In a gust it would stand still or drift away.',
		next: nextWords,
	}),
	'gust-breaks-reserve': ({ nextWords }: { nextWords: string }) => ({
		text: 'Against gusts all the way it would land on its reserve.',
		next: nextWords,
	}),
	'faster-than-possible': (times: Times) => ({
		text: aboutTime(times),
		next: 'Check the return speed, the return altitude and what set the return off, then repeat the test.',
	}),
	'slower-than-planned': (times: Times) => ({
		text: aboutTime(times),
		next: 'Read the return speed from the aircraft, then plan again with the wind at its height.',
	}),
	'as-planned': (times: Times) => ({ text: aboutTime(times) }),
	'test-too-near': ({ minDistanceM }: { minDistanceM: number }, show) => ({
		text: 'At this distance it lands instead of returning: the test proves nothing.',
		next: `Fly out beyond ${show.length(1.2 * minDistanceM, 0)}, over clear ground.`,
	}),
	'no-reaction': {
		text: 'It did not turn home.',
		next: 'Land, disarm, unplug; look at the settings; nothing else today.',
	},
	'reacts-late': ({ turned }: { turned: number }) => ({
		text: `It turned home after ${turned.toFixed(0)} s.`,
		next: 'Look at the delay that is set.',
	}),
	turned: ({ turned }: { turned: number }) => ({ text: `It turned home after ${turned.toFixed(0)} s.` }),
	'did-not-climb': { text: 'Nobody saw it climb to its return height.', next: 'Read the height off at the next test.' },
	'did-not-come': {
		text: 'It did not come back over home.',
		next: 'Land, disarm, unplug; look at the settings; nothing else today.',
	},
	'taken-over': ({ takenOverS }: { takenOverS: number }) => ({
		text: `Taken over by hand after ${takenOverS.toFixed(0)} s: its landing was not seen.`,
		next: 'Repeat it, hands ready, once the cause is known.',
	}),
	'did-not-land': {
		text: 'It came back and did not land.',
		next: 'Land, disarm, unplug; look at the settings; nothing else today.',
	},
	'did-not-disarm': {
		text: 'It landed and did not switch its motors off.',
		next: 'Disarm by hand, as always; look how it is meant to know the ground.',
	},
	'came-home': (test: Flown, show) => ({ text: `${cameHome(test, show)} and landed by itself.` }),
	'came-home#by-hand': (test: Flown, show) => ({ text: `${cameHome(test, show)}, and was landed by hand.` }),
	'switch-is-not-loss': { text: 'By its switch: that proves the return, not what a lost radio does.' },
	'action-unknown': {
		text: 'Nobody has looked what it does when the link is lost.',
		next: 'Look it up in the settings; a drop is a common factory default.',
	},
	'return-without-position': {
		text: 'It cannot return: it has no position.',
		next: 'Set it to land, or to stop its motors where that is safer.',
	},
	'return-indoors': {
		text: 'Indoors a return climbs into the ceiling.',
		next: 'Set it to hover or to land, and note to put it back before flying outdoors.',
	},
	'hover-outdoors': {
		text: 'Without the link it hovers until the pack is low.',
		next: 'Outdoors most set it to return; know where it will come down.',
	},
	'motors-cut#audit': { text: 'Without the link it falls.', next: 'Set it to return, or to land.' },
	'motors-cut#audit2': {
		text: 'Without the link it falls: right for an aircraft that holds no position, when nobody stands below.',
		next: 'Fly over open ground only.',
	},
	'lands-where-it-is': {
		text: 'Without the link it lands where it is, drifting with the wind.',
		next: 'Look what lies below the whole flight.',
	},
	'action-set': { text: 'What it does without the link fits this place.' },
	'height-below-obstacle': ({ tallestM, clearanceCaution }: { tallestM: number; clearanceCaution: number }, show) => ({
		text: 'It would come home below the tallest thing here.',
		next: `Set at least ${show.length(tallestM + clearanceCaution, 0)}.`,
	}),
	'height-above-law': ({ legalHeightM }: { legalHeightM: number }, show) => ({
		text: 'It would climb above the height allowed here.',
		next: `Set at most ${show.length(legalHeightM, 0)}, or choose a way home without obstacles.`,
	}),
	'height-near-obstacle': ({ tallestM, clearanceCaution }: { tallestM: number; clearanceCaution: number }, show) => ({
		text: 'It would come home just above the tallest thing here.',
		next: `Set ${show.length(tallestM + clearanceCaution, 0)} or more.`,
	}),
	'height-clear': { text: 'It comes home above everything here.' },
	'slower-than-gusts': ({ why }: { why: string }) => ({
		text: why,
		next: 'Raise the return speed, or fly upwind and near.',
	}),
	'little-speed-left': ({ why }: { why: string }) => ({ text: why, next: 'Stay upwind and near.' }),
	'faster-than-gusts': ({ why }: { why: string }) => ({ text: why }),
	'descent-fast': { text: 'It comes down fast: into its own wash, and hard onto the ground.', next: 'Set 1 to 2 m/s.' },
	'descent-gentle': { text: 'It comes down gently.' },
	'satellites-few': ({ minSatellites }: { minSatellites: number }) => ({
		text: `It takes home with ${minSatellites} satellites.`,
		next: 'Wait for eight yourself, whatever is set.',
	}),
	'satellites-enough': { text: 'It wants enough satellites before it takes home.' },
	'arming-unknown': {
		text: 'Nobody has looked whether it arms without a fix.',
		next: 'Try it on the bench, propellers off.',
	},
	'arms-without-fix': {
		text: 'It arms without a fix: home may then be nowhere, and a return goes elsewhere or does nothing.',
		next: 'Watch the lock yourself before every take-off.',
	},
	'arms-with-fix': { text: 'It does not arm without a fix.' },
	'plausibility-unknown': plausibility,
	'plausibility-off': plausibility,
	'plausibility-on': { text: 'It checks that a return makes sense before it begins.' },
	'levels-upside-down': { text: 'It acts before it warns.', next: 'Set the warning above the action.' },
	'acts-late': { text: 'It acts late: little is left to come down with.', next: 'Set 10 % or more.' },
	'warns-late': { text: 'It warns late.', next: 'Set 25 to 30 %.' },
	'levels-set': { text: 'It warns first and acts in time.' },
	'battery-return-indoors': {
		text: 'At the low level it would climb into the ceiling.',
		next: 'Switch the automatic return off indoors, and set a timer in its place.',
	},
	'nothing-watches-battery': {
		text: 'Nothing ends the flight when the pack is low.',
		next: 'Set a timer by the flight time, less its uncertainty.',
	},
	'timer-only': { text: 'Only the timer ends the flight.', next: 'Land when it sounds.' },
	'battery-acts': { text: 'At the low level it acts by itself.' },
	'throttle-range': {
		text: 'The throttle it hovers at lies outside the range it may use: it would sink or climb away.',
		next: 'Hover first, enter the hover throttle, widen the range.',
	},
	'throttle-room': { text: 'Little room is left above or below the hover throttle.', next: 'Widen the range.' },
	'throttle-range-wide': { text: 'The range of throttle leaves room about the hover.' },
	'test-too-near#audit': ({ minDistanceM }: { minDistanceM: number }, show) => ({
		text: 'At this distance it would land instead of returning: the test proves nothing.',
		next: `Fly out beyond ${show.length(minDistanceM * 1.2, 0)}, over clear ground.`,
	}),
	'test-far-enough': { text: 'The test is beyond the minimum distance.' },
	'insufficient-test': {
		text: 'Nothing shows that link loss was tested since the last change of firmware or settings.',
		next: 'Test it on the bench, propellers off, armed: radio off, and watch the time until the motors stop.',
	},
	'tested-disarmed': {
		text: 'Link loss was tested disarmed only: the message was seen, the motors were not.',
		next: 'Repeat it armed, propellers off.',
	},
	'insufficient-test#audit': {
		text: 'Link loss was not tested on the bench.',
		next: 'Propellers off: arm, switch the radio off, watch what happens and how long it takes.',
	},
	'switch-is-not-loss#audit': ({ switchInAir }: { switchInAir: string }) => ({
		text: `In the air ${switchInAir === 'yes' ? 'only the switch was tested' : 'nothing was tested'}: a switch does not prove what a lost radio does.`,
		next: 'Test it low and near, over clear ground, by the maker’s manual.',
	}),
	tested: { text: 'Link loss was tested armed on the bench, and for real in the air, since the last change.' },
	'height-above-ceiling': { text: 'The return height is above the ceiling.', next: 'Indoors: hover or land.' },
});
