import { area } from './message';

const CHECK_SETTING = 'Check the failsafe setting, correct it, and test again.';
interface Stick {
	at: string;
}

/** Radio: findings by code. */
export const radio = area('radio', {
	'reacts-late': ({ time }: { time: string }) => ({
		text: `Failsafe started after ${time}, above the limit.`,
		next: 'Check the delay setting, shorten it, and test again.',
	}),
	'too-close-to-tell': ({ time }: { time: string }) => ({
		text: `Failsafe started after ${time}, too close to the limit to decide.`,
		next: 'Repeat twice more, or measure the time from a sound or film recording.',
	}),
	reacted: ({ time }: { time: string }) => ({ text: `Failsafe started after ${time}.` }),
	'no-reaction': {
		text: 'No failsafe reaction with the transmitter off.',
		next: CHECK_SETTING,
	},
	'motors-ran-on': {
		text: 'Motors kept running although the failsafe action is to stop them.',
		next: CHECK_SETTING,
	},
	'motors-stopped': ({ action }: { action: string }) => ({
		text: `Motors stopped although the failsafe action is to ${action}. In the air the aircraft would fall.`,
		next: CHECK_SETTING,
	}),
	disarmed: {
		text: 'Tested disarmed. This shows that link loss is detected, not what the motors do.',
		next: 'Where the propellers come off, test armed.',
	},
	'bench-only': ({ action }: { action: string }) => ({
		text: `The bench test cannot show that it will ${action}. Test that in the air, near and low.`,
	}),
	'not-told': {
		text: 'No message, light or tone showed the link loss.',
		next: 'Check the manual for the link-loss signal.',
	},
	'not-linked-again': {
		text: 'Link not restored when the transmitter came back on.',
		next: 'Switch the aircraft off and on with the transmitter on, then test again.',
	},
	'faster-than-comfort': ({ calmTravel }: { calmTravel: number }) => ({
		text: `The last ${(100 * (1 - calmTravel)).toFixed(0)} % of stick travel turns faster than your comfort limit.`,
		next: 'Lower the full rate first; the curve only softens the middle. Raise it again when it feels slow.',
	}),
	'slower-than-comfort': {
		text: 'Full stick turns slower than your comfort range.',
		next: 'Enough for a first flight; raise the rate later.',
	},
	'within-comfort': { text: 'Full stick stays within your comfort range.' },
	'insufficient-movement': ({ gesture }: { gesture: string }) => ({
		text: `No channel moved for ${gesture}.`,
		next: `Move ${gesture} again, alone, to its end.`,
	}),
	'two-moved': ({ gesture }: { gesture: string }) => ({
		text: `More than one channel moved for ${gesture}.`,
		next: `Move ${gesture} again, alone, to its end.`,
	}),
	'same-channel': ({ channel, other, name }: { channel: number; other: string; name: string }) => ({
		text: `Channel ${channel} moved for ${other} and for ${name}.`,
		next: 'Repeat both gestures; check for a mix in the transmitter.',
	}),
	reversed: ({ gestures, channels }: { gestures: string[]; channels: string[] }) => ({
		text: `Reversed: ${gestures.join(', ')}. Channels: ${channels.join(', ')}.`,
		next: 'Reverse these channels in the transmitter, unless the aircraft needs them so, then check again.',
	}),
	'order-known': { text: 'Each gesture moved one channel in the correct direction.' },
	'insufficient-travel': ({ at }: { at: string }) => ({
		text: `${at} was never moved.`,
		next: `Move ${at} to both ends and let it return.`,
	}),
	'travel-short': ({ at, low, high }: { at: string; low: string; high: string }) => ({
		text: `${at} reaches only ${low} to ${high}.`,
		next: "Calibrate the transmitter's sticks, or set its end points.",
	}),
	'travel-full': ({ at }: { at: string }) => ({ text: `${at} reaches both ends.` }),
	'insufficient-rest': ({ at }: { at: string }) => ({
		text: `${at} was never left at its centre.`,
		next: 'Let it spring back and wait one second.',
	}),
	'centre-off': ({ at }: Stick) => ({ text: `${at} rests off centre.`, next: 'Calibrate the sticks, or trim.' }),
	'centre-off#ok': ({ at }: Stick) => ({ text: `${at} rests at centre.` }),
	hysteresis: ({ at }: Stick) => ({
		text: `${at} returns to a different place from each side.`,
		next: 'Set a dead band of at least this value, or clean the stick.',
	}),
	'hysteresis#ok': ({ at }: Stick) => ({ text: `${at} returns to one place from both sides.` }),
	jitter: ({ at }: Stick) => ({
		text: `${at} is noisy at rest.`,
		next: 'Set a dead band, or have the stick repaired.',
	}),
	'jitter#ok': ({ at }: Stick) => ({ text: `${at} is quiet at rest.` }),
	asymmetry: ({ at }: Stick) => ({ text: `${at} reaches farther one way.`, next: 'Calibrate the sticks.' }),
	'asymmetry#ok': ({ at }: Stick) => ({ text: `${at} reaches equally far both ways.` }),
	bend: ({ at }: Stick) => ({
		text: `${at} is not linear along its travel.`,
		next: 'Sweep again slowly; if it remains, the potentiometer is worn.',
	}),
	'bend#ok': ({ at }: Stick) => ({ text: `${at} is linear along its travel.` }),
	'insufficient-samples': {
		text: 'Recording too short to judge a stick.',
		next: 'Move every stick slowly to all its ends and let it return.',
	},
	overlap: ({ name, position, actions }: { name: string; position: number; actions: string[] }) => ({
		text: `${name}, position ${position + 1}: ${actions.join(' and ')} at once.`,
		next: 'Move the ranges apart.',
	}),
	'edge-near': ({ name, position }: { name: string; position: number }) => ({
		text: `${name}, position ${position + 1}, is near the edge of a range.`,
		next: 'Set the edge halfway between two positions.',
	}),
	unreachable: ({ does }: { does: string }) => ({
		text: `No switch position gives ${does}.`,
		next: 'Change its channel or its range, or remove it.',
	}),
	'armed-at-rest': ({ does }: { does: string }) => ({
		text: `${does} is on in the switch's rest position.`,
		next: 'Reverse the switch; in its rest position it must be off.',
	}),
	'armed-by-loss': ({ does }: { does: string }) => ({
		text: `On link loss the receiver holds ${does} on.`,
		next: "Set the receiver to send nothing on link loss, or set this channel off, by the maker's manual.",
	}),
	'arm-shared': ({ does, arms }: { does: string; arms: string }) => ({
		text: `${does} shares a range with ${arms}.`,
		next: 'Give the arm switch a channel of its own.',
	}),
	'self-righting-at-rest': ({ does }: { does: string }) => ({
		text: `${does} is on in the switch's rest position. The aircraft would not lift off.`,
		next: 'Reverse the switch.',
	}),
	'no-arm': {
		text: 'No range arms the aircraft.',
		next: 'Enter how the aircraft is armed, also if by a stick gesture.',
	},
	'throttle-cut': {
		text: 'A throttle cut in the transmitter next to an arm switch stops the motors in the air while still armed.',
		next: 'Use only the arm switch to stop the motors.',
	},
	'insufficient-switches': {
		text: 'No switch or no action to check.',
		next: 'Enter each switch with its positions, and each action with its range.',
	},
	'switches-clear': { text: 'Every switch position gives its action, with margin.' },
});
