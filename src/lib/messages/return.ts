import { area, type Show } from './message';

const STOP_TODAY = 'Land, disarm and unplug. Check the settings. No more flights today.';
const AGAINST_WIND = 'Raise the return speed, stay upwind and near, or wait for less wind.';

const plausibility = ({ linkLossOnly }: { linkLossOnly: boolean }) => ({
	text: linkLossOnly
		? 'Return plausibility is checked on link loss only, not for the switch.'
		: 'Return plausibility check is off or not known.',
	next: 'Most pilots choose “always”: with current firmware a failed check no longer drops the aircraft. Read its release notes.',
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
	`Returned ${trigger === 'switch' ? 'by switch' : 'with the transmitter off'} from ${show.length(distanceM, 0)}`;

/** A distance as it is paced: tenths below ten metres. */
const paced = (metres: number, show: Show) => show.length(metres, metres < 10 ? 1 : 0);

/** Return: findings by code. */
export const returnToHome = area('return', {
	'insufficient-landings': {
		text: 'No landing measured.',
		next: 'Let the aircraft return, then measure from the mark to where it landed.',
	},
	'wide-miss': ({ farthestM }: { farthestM: number }, show) => ({
		text: `A landing was ${paced(farthestM, show)} from the mark.`,
		next: 'Fly no farther; check GPS lock, home point and compass before the next return.',
	}),
	'misses-bar': ({ barM }: { barM: number }, show) => ({
		text: `More than half of future landings will miss the ${paced(barM, show)} circle.`,
		next: 'Check the fix, the home point and the compass, then land again.',
	}),
	'few-landings': ({ n, metres, lowM, highM }: { n: number; metres: number; lowM: number; highM: number }, show) => ({
		text:
			n === 1
				? `One landing, ${paced(metres, show)} from the mark. A circle of ${paced(lowM, show)} to ${paced(highM, show)} will hold 95 % of landings.`
				: 'Two landings cannot separate an offset from chance.',
		next: 'Land again, each time after a new power-up.',
	}),
	'one-power-up': {
		text: 'All landings were after one power-up and share one home point.',
		next: 'Switch off, wait for a new GPS lock, and land again.',
	},
	'bar-doubtful': ({ barM, within }: { barM: number; within: number }, show) => ({
		text: `The next landing is within ${paced(barM, show)} with ${(100 * within).toFixed(0)} % probability.`,
		next: 'Keep a wider landing area clear, and land again.',
	}),
	'offset-systematic': ({ offsetM, towardDeg }: { offsetM: number; towardDeg: number }, show) => ({
		text: `Landings are offset ${paced(offsetM, show)} toward ${towardDeg.toFixed(0)}°, more than by chance.`,
		next: 'Check the home point and the wind; an offset alone does not point to the compass.',
	}),
	'scatter-large': {
		text: 'Landings scatter more than usual for this class of receiver.',
		next: 'Check the GPS lock, then position hold in a hover.',
	},
	'oldest-left-out': ({ leftOut }: { leftOut: number }) => ({ text: `The oldest ${leftOut} landings are left out.` }),
	'lands-within-bar': ({ r50M }: { r50M: number }, show) => ({
		text: `Half of future landings will be within ${paced(r50M, show)} of the mark.`,
	}),
	'radius-to-come': ({ r50M }: { r50M: number }, show) => ({
		text: `Half of future landings will be within ${paced(r50M, show)} of the mark.`,
	}),
	'many-more': {
		text: 'Too many landings would be needed to determine the landing point.',
		next: 'Find the cause of the scatter first.',
	},
	'wind-exceeds-airspeed': {
		text: 'Wind at its altitude exceeds the airspeed. The aircraft cannot hold position.',
		next: AGAINST_WIND,
	},
	'crosswind-too-strong': {
		text: 'Crosswind exceeds the airspeed. The aircraft cannot keep the line home.',
		next: AGAINST_WIND,
	},
	'headwind-too-strong': {
		text: 'Against this wind the aircraft would stand still or drift away.',
		next: AGAINST_WIND,
	},
	'pack-empty-before-home': { text: 'Battery is empty before landing.', next: 'Turn back earlier.' },
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
			? `Battery is below the reserve before turning back: ${leftWh.toFixed(1)} of ${usableWh.toFixed(1)} Wh left.`
			: `Return uses the reserve. Only ${landWithWh.toFixed(1)} Wh left at landing.`,
		next: usedUp ? 'Land now and continue with a charged battery.' : 'Turn back earlier.',
	}),
	'obstacle-in-path': ({ distanceM, toward }: { distanceM: number | null; toward: string }, show) => ({
		text: `Obstacle ${distanceM === null ? '' : `${show.length(distanceM, 0)} ${toward} of home `}is in the return path.`,
		next: 'Raise the return altitude or move the home point.',
	}),
	'motors-cut': {
		text: 'On link loss the motors stop and the aircraft falls.',
		next: 'Set another failsafe action if the aircraft can return.',
	},
	'margin-thin': { text: 'Little charge left above the reserve.', next: 'Turn back earlier.' },
	'obstacle-close': ({ distanceM, toward }: { distanceM: number | null; toward: string }, show) => ({
		text: `Return passes close over the obstacle${distanceM === null ? '' : ` ${show.length(distanceM, 0)} ${toward} of home`}.`,
		next: 'Raise the return altitude.',
	}),
	'gust-exceeds-airspeed': {
		text: 'Position cannot be held in a gust.',
		next: 'Descend, or choose another failsafe action.',
	},
	'lands-away-from-home': ({ carriedM }: { carriedM: null | number }, show) => ({
		text:
			carriedM === null
				? 'Aircraft lands away from home.'
				: `Position cannot be held. The wind carries the aircraft to ${show.length(carriedM, 0)} from home before it lands.`,
		next: 'Check what is below the aircraft.',
	}),
	'nearer-than-minimum': { text: 'Within the minimum distance the aircraft lands where it is.' },
	'returns-with-reserve': { text: 'Aircraft lands with its reserve.' },
	'gust-stops-return': ({ remedy }: { remedy: string }) => ({
		text: 'In a gust the aircraft would stand still or drift away.',
		next: remedy,
	}),
	'gust-breaks-reserve': ({ remedy }: { remedy: string }) => ({
		text: 'Against gusts all the way the aircraft would land on its reserve.',
		next: remedy,
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
		text: 'Within the minimum distance the aircraft lands instead of returning. The test proves nothing.',
		next: `Fly out beyond ${show.length(1.2 * minDistanceM, 0)}, over clear ground.`,
	}),
	'no-reaction': {
		text: 'Aircraft did not turn toward home.',
		next: STOP_TODAY,
	},
	'reacts-late': ({ turned }: { turned: number }) => ({
		text: `Turned toward home after ${turned.toFixed(0)} s.`,
		next: 'Check the delay setting.',
	}),
	turned: ({ turned }: { turned: number }) => ({ text: `Turned toward home after ${turned.toFixed(0)} s.` }),
	'did-not-climb': { text: 'Climb to return altitude not seen.', next: 'Read the altitude at the next test.' },
	'did-not-come': {
		text: 'Aircraft did not come back over home.',
		next: STOP_TODAY,
	},
	'taken-over': ({ takenOverS }: { takenOverS: number }) => ({
		text: `Pilot took over after ${takenOverS.toFixed(0)} s, so the landing was not tested.`,
		next: 'Repeat the test, hands ready, once the cause is known.',
	}),
	'did-not-land': {
		text: 'Aircraft came back but did not land.',
		next: STOP_TODAY,
	},
	'did-not-disarm': {
		text: 'Aircraft landed but did not stop its motors.',
		next: 'Disarm by hand; check how landing is detected.',
	},
	'came-home': (test: Flown, show) => ({ text: `${cameHome(test, show)} and landed by itself.` }),
	'came-home#by-hand': (test: Flown, show) => ({ text: `${cameHome(test, show)}; landed by hand.` }),
	'switch-is-not-loss': { text: 'Triggered by switch. This proves the return, not the link-loss failsafe.' },
	'action-unknown': {
		text: 'Failsafe action not checked.',
		next: 'Check it in the settings; stopping the motors is a common factory default.',
	},
	'return-without-position': {
		text: 'Return is set but the aircraft has no position.',
		next: 'Set the failsafe action to land, or to stop the motors where that is safer.',
	},
	'return-indoors': {
		text: 'Indoors a return climbs into the ceiling.',
		next: 'Set the failsafe action to hover or to land; restore it before flying outdoors.',
	},
	'hover-outdoors': {
		text: 'On link loss the aircraft hovers until the battery is low.',
		next: 'Outdoors most pilots set return to home. Know where the aircraft will land.',
	},
	'motors-cut#audit': {
		text: 'On link loss the aircraft falls.',
		next: 'Set the failsafe action to return or to land.',
	},
	'motors-cut#audit2': {
		text: 'On link loss the aircraft falls. Acceptable without position hold when nobody is below.',
		next: 'Fly over open ground only.',
	},
	'lands-where-it-is': {
		text: 'On link loss the aircraft lands where it is, drifting with the wind.',
		next: 'Check what lies below the whole flight path.',
	},
	'action-set': { text: 'Failsafe action suits this place.' },
	'height-below-obstacle': ({ tallestM, clearanceCaution }: { tallestM: number; clearanceCaution: number }, show) => ({
		text: 'Return altitude is below the tallest obstacle.',
		next: `Set at least ${show.length(tallestM + clearanceCaution, 0)}.`,
	}),
	'height-above-law': ({ legalHeightM }: { legalHeightM: number }, show) => ({
		text: 'Return altitude is above the legal height.',
		next: `Set at most ${show.length(legalHeightM, 0)}, or choose a return path without obstacles.`,
	}),
	'height-near-obstacle': ({ tallestM, clearanceCaution }: { tallestM: number; clearanceCaution: number }, show) => ({
		text: 'Return altitude is only just above the tallest obstacle.',
		next: `Set ${show.length(tallestM + clearanceCaution, 0)} or more.`,
	}),
	'height-clear': { text: 'Return altitude clears every obstacle.' },
	'slower-than-gusts': ({ why }: { why: string }) => ({
		text: why,
		next: 'Raise the return speed, or fly upwind and near.',
	}),
	'little-speed-left': ({ why }: { why: string }) => ({ text: why, next: 'Stay upwind and near.' }),
	'faster-than-gusts': ({ why }: { why: string }) => ({ text: why }),
	'descent-fast': { text: 'Descent is fast: into its own wash, and a hard landing.', next: 'Set 1 to 2 m/s.' },
	'descent-gentle': { text: 'Descent is gentle.' },
	'satellites-few': ({ minSatellites }: { minSatellites: number }) => ({
		text: `Home point is stored with ${minSatellites} satellites.`,
		next: 'Wait for eight satellites, whatever is set.',
	}),
	'satellites-enough': { text: 'Home point requires enough satellites.' },
	'arming-unknown': {
		text: 'Arming without a fix not checked.',
		next: 'Try it on the bench, propellers off.',
	},
	'arms-without-fix': {
		text: 'Aircraft arms without a fix. The home point may be missing, and a return goes elsewhere or does nothing.',
		next: 'Check the GPS lock before every takeoff.',
	},
	'arms-with-fix': { text: 'Aircraft does not arm without a fix.' },
	'plausibility-unknown': plausibility,
	'plausibility-off': plausibility,
	'plausibility-on': { text: 'Return plausibility is always checked.' },
	'levels-upside-down': {
		text: 'Warning level is not above the critical battery level.',
		next: 'Set the warning level above the critical level.',
	},
	'acts-late': { text: 'Critical battery level is low. Little charge is left to land.', next: 'Set 10 % or more.' },
	'warns-late': { text: 'Battery warning level is low.', next: 'Set 25 to 30 %.' },
	'levels-set': { text: 'Battery levels are in order.' },
	'battery-return-indoors': {
		text: 'Low battery would trigger a return into the ceiling.',
		next: 'Switch the automatic return off indoors and set a timer instead.',
	},
	'nothing-watches-battery': {
		text: 'No action is set for a low battery.',
		next: 'Set a timer to the flight time less its uncertainty.',
	},
	'timer-only': { text: 'Only a timer ends the flight.', next: 'Land when the timer sounds.' },
	'battery-acts': { text: 'Low battery triggers an automatic action.' },
	'throttle-range': {
		text: 'Hover throttle is outside the allowed range. The aircraft would sink or climb away.',
		next: 'Hover first, enter the hover throttle, then widen the range.',
	},
	'throttle-room': { text: 'Little throttle range above or below hover.', next: 'Widen the range.' },
	'throttle-range-wide': { text: 'Throttle range leaves room around hover.' },
	'test-too-near#audit': ({ minDistanceM }: { minDistanceM: number }, show) => ({
		text: 'Within the minimum distance the aircraft would land instead of returning. The test would prove nothing.',
		next: `Fly out beyond ${show.length(minDistanceM * 1.2, 0)}, over clear ground.`,
	}),
	'test-far-enough': { text: 'Test distance is beyond the minimum distance.' },
	'insufficient-test': {
		text: 'Failsafe not tested since the last change of firmware or settings.',
		next: 'Test on the bench, propellers off, armed: transmitter off, and measure the time until the motors stop.',
	},
	'tested-disarmed': {
		text: 'Failsafe tested disarmed only. Motor behaviour not seen.',
		next: 'Repeat armed, with propellers off.',
	},
	'insufficient-test#audit': {
		text: 'Failsafe not tested on the bench.',
		next: 'With propellers off, arm, switch the transmitter off, and measure what happens and when.',
	},
	'switch-is-not-loss#audit': ({ switchInAir }: { switchInAir: string }) => ({
		text: `In the air ${switchInAir === 'yes' ? 'only the switch was tested' : 'nothing was tested'}. A switch does not prove the link-loss failsafe.`,
		next: 'Test low and near, over clear ground, by the maker’s manual.',
	}),
	tested: { text: 'Failsafe tested armed on the bench and in the air since the last change.' },
	'height-above-ceiling': {
		text: 'Return altitude is above the ceiling.',
		next: 'Set the failsafe action to hover or land indoors.',
	},
});
