import { area } from './message';

interface Stick {
	at: string;
}

/** Radio: findings by code. */
export const radio = area('radio', {
	'reacts-late': ({ words }: { words: string }) => ({
		text: `It reacted after ${words}: later than it may.`,
		next: 'Look at the delay that is set, shorten it, and test again.',
	}),
	'too-close-to-tell': ({ words }: { words: string }) => ({
		text: `It reacted after ${words}: too close to the limit to tell.`,
		next: 'Repeat it twice more, or time it by a recording of sound or film.',
	}),
	reacted: ({ words }: { words: string }) => ({ text: `It reacted after ${words}.` }),
	'no-reaction': {
		text: 'It did not react to the radio being off.',
		next: 'Look at the setting, put it right, and test again.',
	},
	'motors-ran-on': {
		text: 'The motors ran on, though stopping them is set.',
		next: 'Look at the setting, put it right, and test again.',
	},
	'motors-stopped': ({ named }: { named: string }) => ({
		text: `The motors stopped, though it is set to ${named}: in the air it would fall.`,
		next: 'Look at the setting, put it right, and test again.',
	}),
	disarmed: {
		text: 'Tested disarmed: it shows that the loss is noticed, not what the motors do then.',
		next: 'Where the propellers come off, test it armed.',
	},
	'bench-only': ({ named }: { named: string }) => ({
		text: `On the bench it cannot be seen that it will ${named}: that is tried in the air, near and low.`,
	}),
	'not-told': {
		text: 'Nothing on screen, no light and no tone said that the link was lost.',
		next: 'Look up in the manual how it says so.',
	},
	'not-linked-again': {
		text: 'It did not link again when the radio came back.',
		next: 'Switch the aircraft off and on with the radio on; then test again.',
	},
	'faster-than-comfort': ({ calmTravel }: { calmTravel: number }) => ({
		text: `The last ${(100 * (1 - calmTravel)).toFixed(0)} % of the stick turns faster than you find comfortable.`,
		next: 'Lower the full rate first; curve only softens the middle. Raise it again when it feels slow.',
	}),
	'slower-than-comfort': {
		text: 'At full stick it turns slower than you like to have in hand.',
		next: 'Enough for a first flight; raise it later.',
	},
	'within-comfort': { text: 'Full stick stays within your comfort band.' },
	'insufficient-movement': ({ replaceOf }: { replaceOf: string }) => ({
		text: `At ${replaceOf} no channel moved.`,
		next: `Move ${replaceOf} again, alone, to its end.`,
	}),
	'two-moved': ({ replaceOf }: { replaceOf: string }) => ({
		text: `At ${replaceOf} more than one channel moved.`,
		next: `Move ${replaceOf} again, alone, to its end.`,
	}),
	'same-channel': ({ channel, other, name }: { channel: number; other: string; name: string }) => ({
		text: `Channel ${channel} moved for ${other} and for ${name}.`,
		next: 'Repeat both gestures; look for a mix in the radio.',
	}),
	reversed: ({ mapOf, mapOf2 }: { mapOf: ('throttle' | 'roll' | 'pitch' | 'yaw')[]; mapOf2: string[] }) => ({
		text: `Reversed: ${mapOf.join(', ')}. Channels: ${mapOf2.join(', ')}.`,
		next: 'Turn these channels round in the radio, unless the aircraft wants them so, and look again.',
	}),
	'order-known': { text: 'Each gesture moved one channel, the right way round.' },
	'insufficient-travel': ({ at }: { at: string }) => ({
		text: `${at} was never moved.`,
		next: `Move ${at} to both ends and let it come back.`,
	}),
	'travel-short': ({ at, pctOf, pctOf2 }: { at: string; pctOf: string; pctOf2: string }) => ({
		text: `${at} reaches only ${pctOf} to ${pctOf2}.`,
		next: 'Calibrate the sticks of the radio, or set its end points.',
	}),
	'travel-full': ({ at }: { at: string }) => ({ text: `${at} reaches both ends.` }),
	'insufficient-rest': ({ at }: { at: string }) => ({
		text: `${at} was never left at its centre.`,
		next: 'Let it spring back and wait a second.',
	}),
	'centre-off': ({ at }: Stick) => ({ text: `${at}: rests off its centre.`, next: 'Calibrate the sticks, or trim.' }),
	'centre-off#ok': ({ at }: Stick) => ({ text: `${at}: rests at its centre.` }),
	hysteresis: ({ at }: Stick) => ({
		text: `${at}: comes back to another place from each side.`,
		next: 'Set a dead band of at least the figure shown, or clean the stick.',
	}),
	'hysteresis#ok': ({ at }: Stick) => ({ text: `${at}: comes back to one place from both sides.` }),
	jitter: ({ at }: Stick) => ({
		text: `${at}: is noisy at rest.`,
		next: 'Set a dead band, or have the stick repaired.',
	}),
	'jitter#ok': ({ at }: Stick) => ({ text: `${at}: is quiet at rest.` }),
	asymmetry: ({ at }: Stick) => ({ text: `${at}: reaches further one way.`, next: 'Calibrate the sticks.' }),
	'asymmetry#ok': ({ at }: Stick) => ({ text: `${at}: reaches as far both ways.` }),
	bend: ({ at }: Stick) => ({
		text: `${at}: is bent along its sweep.`,
		next: 'Sweep again, slowly; if it stays, the track is worn.',
	}),
	'bend#ok': ({ at }: Stick) => ({ text: `${at}: moves evenly along its sweep.` }),
	'insufficient-samples': {
		text: 'The recording is too short to judge a stick.',
		next: 'Move every stick to all its ends, slowly, and let it come back.',
	},
	overlap: ({ name, position, mapOf }: { name: string; position: number; mapOf: string[] }) => ({
		text: `${`${name}, position ${position + 1}`}: ${mapOf.join(' and ')} at once.`,
		next: 'Move the ranges apart.',
	}),
	'edge-near': ({ name, position }: { name: string; position: number }) => ({
		text: `${`${name}, position ${position + 1}`} lies near the edge of a range.`,
		next: 'Put the edge half way between two positions.',
	}),
	unreachable: ({ does }: { does: string }) => ({
		text: `No switch position gives ${does}.`,
		next: 'Change its channel or its range, or take it out.',
	}),
	'armed-at-rest': ({ does }: { does: string }) => ({
		text: `${does} is on where its switch rests.`,
		next: 'Turn the switch round: at rest it must be off.',
	}),
	'armed-by-loss': ({ does }: { does: string }) => ({
		text: `Without the radio the receiver holds ${does} on.`,
		next: 'Let the receiver send nothing on link loss, or set this channel off, as the maker says.',
	}),
	'arm-shared': ({ does, does2 }: { does: string; does2: string }) => ({
		text: `${does} shares a range with ${does2}.`,
		next: 'Give the arm switch a channel of its own.',
	}),
	'self-righting-at-rest': ({ does }: { does: string }) => ({
		text: `${does} is on where its switch rests: the aircraft would sit glued to the ground.`,
		next: 'Turn the switch round.',
	}),
	'no-arm': { text: 'No range arms the aircraft.', next: 'Enter how it is armed, also where it is a stick gesture.' },
	'throttle-cut': {
		text: 'A throttle cut in the radio beside an arm switch stops the motors in the air, armed still.',
		next: 'Leave the stopping to the arm switch.',
	},
	'insufficient-switches': {
		text: 'There is no switch or no action to audit.',
		next: 'Enter each switch with its positions, and each action with its range.',
	},
	'switches-clear': { text: 'Every position gives what its range says, with room to spare.' },
});
