import { area } from './message';

const MAT = 'Put down a patterned mat, or choose another place. The mat also marks the landing spot.';
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
		text: `Over ${name} the aircraft would be ${show.length(reachM + marginM - ceilingM, 1)} too high.`,
		next: `Hold at most ${show.length(Math.max(0, highestHoldM), 1)}, or keep away from ${name}.`,
	}),
	'ceiling-near': ({ name, highestHoldM }: { name: string; highestHoldM: number }, show) => ({
		text: `Over ${name} little room is left under the ceiling.`,
		next: `Hold at most ${show.length(Math.max(0, highestHoldM), 1)}, or keep away from ${name}.`,
	}),
	'ceiling-clear': ({ name }: { name: string }) => ({ text: `Over ${name} there is room under the ceiling.` }),
	'into-furniture': ({ name, heightM, marginM }: { name: string; heightM: number; marginM: number }, show) => ({
		text: `${name} is as high as the flight.`,
		next: `Hold above ${show.length(heightM + marginM, 1)}, or fly round it.`,
	}),
	'nozzle-blocked': ({ name, lPerMin, sharePct }: { name: string; lPerMin: number; sharePct: number }) => ({
		text: `${name} is blocked, ${lPerMin === 0 ? 'no flow' : `${sharePct.toFixed(0)} % of the others`}.`,
		next: `Clean or replace ${name} and collect again. The others are even, so pump and lines are OK.`,
	}),
	'nozzle-dry': ({ nozzles }: { nozzles: string[] }) => ({
		text: `No flow from ${nozzles.join(', ')}.`,
		next: 'Vent the line: open the relief valves until the flow is even, close them, then collect again.',
	}),
	'flow-wrong': {
		text: 'Flow differs from the setting.',
		next: 'Vent the lines, clean filters and nozzles, collect again, then correct the setting.',
	},
	'flow-off': ({ setLPerMin, flowLPerMin }: { setLPerMin: number; flowLPerMin: number }) => ({
		text: 'Flow differs slightly from the setting.',
		next: `Multiply the setting by ${(setLPerMin / flowLPerMin).toFixed(3)}.`,
	}),
	'flow-right': { text: 'Flow agrees with the setting.' },
	'nozzles-uneven': ({ name }: { name: string }) => ({
		text: `Nozzles differ; ${name} most.`,
		next: `Clean or replace ${name}.`,
	}),
	'nozzles-even': { text: 'Nozzles are even.' },
	'meter-off': {
		text: 'Displayed flow differs from the collected amount.',
		next: 'Calibrate the flow meter by its manual; use the collected amount until then.',
	},
	'meter-right': { text: 'Flow meter agrees with the collected amount.' },
	'nothing-fed': { text: 'No output.', next: 'Check that the feeder turns and the hopper is open.' },
	'feeder-wrong': {
		text: 'Feeder speed differs from the setting.',
		next: 'Refit the feeder, choose its operating mode, and calibrate it by its manual.',
	},
	'feeder-right': { text: 'Feeder speed agrees with the setting.' },
	'rate-off': ({ setForWantedRpm }: { setForWantedRpm: null | number }) => ({
		text: 'Application rate differs from the wanted rate.',
		next:
			setForWantedRpm === null
				? 'Measure the feeder speed, then repeat.'
				: `Set ${setForWantedRpm.toFixed(0)} turns per minute.`,
	}),
	'rate-right': { text: 'Application rate agrees with the wanted rate.' },
	'fan-off': {
		text: 'Fan speed differs from the setting.',
		next: 'Check for a blocked duct; the fan sets the swath.',
	},
	'fan-right': { text: 'Fan speed agrees with the setting.' },
	'insufficient-horizon': ({ problem }: { problem: string }) => ({
		text: problem,
		next: 'Take a picture of open sea or a distant plain with the horizon across the full width.',
	}),
	'horizon-level': { text: 'Horizon is level.' },
	'horizon-tilted': ({ tiltDeg }: { tiltDeg: number }) => ({
		text: `Horizon ${Math.abs(tiltDeg).toFixed(1)}° lower on the ${tiltDeg > 0 ? 'right' : 'left'}.`,
		next: `Calibrate the gimbal; if the tilt remains, trim its roll by ${(-tiltDeg).toFixed(1)}°.`,
	}),
	'horizon-clear': { text: 'Horizon line is clear.' },
	'insufficient-edges': {
		text: 'Too few edges in this area to judge the focus.',
		next: 'Choose an area with a distant edge, such as a mast, a roof or a tree line.',
	},
	blurred: { text: 'Distant edges are blurred.', next: 'Focus at twenty metres and take the picture again.' },
	soft: { text: 'Distant edges are soft.', next: 'Focus at twenty metres; clean the glass.' },
	sharp: { text: 'Distant edges are sharp.' },
	'too-dark': {
		text: 'Too dark for the downward camera.',
		next: 'Wait for more light, or fly without the downward camera.',
	},
	'light-enough': { text: 'Enough light.' },
	featureless: {
		text: 'Surface has almost no texture for the downward camera.',
		next: MAT,
	},
	'few-features': {
		text: 'Surface has little texture for the downward camera.',
		next: MAT,
	},
	features: { text: 'Surface has enough texture for the downward camera.' },
	repeats: {
		text: 'The pattern repeats, so places look alike.',
		next: MAT,
	},
	distinct: { text: 'Pattern does not repeat.' },
});
