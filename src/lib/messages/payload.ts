import { area } from './message';

/** Payload: findings by code. */
export const payload = area('payload', {
	'into-ceiling': (
		{
			name,
			reachM,
			marginM,
			ceilingM,
			highestHoldM,
		}: { name: string; reachM: number; marginM: number; ceilingM: number; highestHoldM: number },
		show,
	) => ({
		text: `Over ${name} it would stand ${show.length(reachM + marginM - ceilingM, 1)} too high.`,
		next: `Hold at most ${show.length(Math.max(0, highestHoldM), 1)}, or keep away from ${name}.`,
	}),
	'ceiling-near': ({ name, highestHoldM }: { name: string; highestHoldM: number }, show) => ({
		text: `Over ${name} little room is left under the ceiling.`,
		next: `Hold at most ${show.length(Math.max(0, highestHoldM), 1)}, or keep away from ${name}.`,
	}),
	'ceiling-clear': ({ name }: { name: string }) => ({ text: `Over ${name} there is room under the ceiling.` }),
	'into-furniture': ({ name, heightM, marginM }: { name: string; heightM: number; marginM: number }, show) => ({
		text: `${name} is as high as it flies.`,
		next: `Hold above ${show.length(heightM + marginM, 1)}, or fly round it.`,
	}),
	'nozzle-blocked': ({ name, lPerMin, sharePct }: { name: string; lPerMin: number; sharePct: number }) => ({
		text: `${name} gives ${lPerMin === 0 ? 'nothing' : `${sharePct.toFixed(0)} % of the others`}: it is blocked.`,
		next: `Clean or replace ${name} and collect again. The others are even: pump and lines are right.`,
	}),
	'nozzle-dry': ({ mapOf }: { mapOf: string[] }) => ({
		text: `Nothing came from ${mapOf.join(', ')}.`,
		next: 'Air in the line: open the relief valves until it runs evenly, close them, collect again.',
	}),
	'flow-wrong': {
		text: 'It does not give what is set.',
		next: 'Vent the lines, clean filters and nozzles, collect again; then correct the setting.',
	},
	'flow-off': ({ setLPerMin, flowLPerMin }: { setLPerMin: number; flowLPerMin: number }) => ({
		text: 'It gives a little more or less than is set.',
		next: `Multiply the setting by ${(setLPerMin / flowLPerMin).toFixed(3)}.`,
	}),
	'flow-right': { text: 'It gives what is set.' },
	'nozzles-uneven': ({ name }: { name: string }) => ({
		text: `The nozzles differ; ${name} most.`,
		next: `Clean or replace ${name}.`,
	}),
	'nozzles-even': { text: 'The nozzles are even.' },
	'meter-off': {
		text: 'The flow that the aircraft shows is not what came out.',
		next: 'Calibrate the flow meter by its manual; trust the bucket meanwhile.',
	},
	'meter-right': { text: 'The flow meter agrees with the bucket.' },
	'nothing-fed': { text: 'Nothing came out.', next: 'Look whether the feeder turns and the hopper is open.' },
	'feeder-wrong': {
		text: 'The feeder does not turn as it is set.',
		next: 'Fit it again, choose its operating mode, calibrate it by its manual.',
	},
	'feeder-right': { text: 'The feeder turns as it is set.' },
	'rate-off': ({ setForWantedRpm }: { setForWantedRpm: null | number }) => ({
		text: 'What comes out per hectare is not what is wanted.',
		next: `Set ${(setForWantedRpm ?? 0).toFixed(0)} turns a minute.`,
	}),
	'rate-right': { text: 'What comes out per hectare is what is wanted.' },
	'fan-off': {
		text: 'The fan does not follow its setting.',
		next: 'Look for a blocked duct; the swath follows the fan.',
	},
	'fan-right': { text: 'The fan follows its setting.' },
	'insufficient-horizon': ({ textWords }: { textWords: string }) => ({
		text: textWords,
		next: 'Take a picture of open sea or a far plain, the horizon right across it.',
	}),
	'horizon-level': { text: 'The horizon lies level.' },
	'horizon-tilted': ({ tiltDeg }: { tiltDeg: number }) => ({
		text: `The ${tiltDeg > 0 ? 'right' : 'left'} side is lower by ${Math.abs(tiltDeg).toFixed(1)}°.`,
		next: `Calibrate the gimbal; if it stays, trim its roll by ${(-tiltDeg).toFixed(1)}°.`,
	}),
	'horizon-clear': { text: 'The line found is clear.' },
	'insufficient-edges': {
		text: 'There are too few edges in this area to judge the focus.',
		next: 'Choose an area with a far edge in it: a mast, a roof, a tree line.',
	},
	blurred: { text: 'The far edges are blurred.', next: 'Focus at twenty metres and take the picture again.' },
	soft: { text: 'The far edges are soft.', next: 'Focus at twenty metres; clean the glass.' },
	sharp: { text: 'The far edges are sharp.' },
	'too-dark': { text: 'It is too dark for a downward camera.', next: 'Wait for light, or fly without it.' },
	'light-enough': { text: 'There is light enough.' },
	featureless: {
		text: 'There is next to nothing on this surface to hold on to.',
		next: 'Put a patterned mat down, or choose another place; it marks the landing spot as well.',
	},
	'few-features': {
		text: 'There is little on this surface to hold on to.',
		next: 'Put a patterned mat down, or choose another place; it marks the landing spot as well.',
	},
	features: { text: 'There is enough on this surface to hold on to.' },
	repeats: {
		text: 'The pattern repeats: one place looks like the next.',
		next: 'Put a patterned mat down, or choose another place; it marks the landing spot as well.',
	},
	distinct: { text: 'The pattern does not repeat.' },
});
