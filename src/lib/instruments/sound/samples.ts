import { SOUND_RATE_HZ } from '$lib/core/propulsion/tones';
import { seededRng } from '$lib/core/math/random';
import { hoverSound, type HoverSound } from '$lib/rig/sound';
import { wavFile } from '../files';
import type { Sample } from '../instrument';

const hover = (name: string, change: Partial<HoverSound>) => (seed: number) =>
	wavFile(name, hoverSound(change, seededRng(seed)), SOUND_RATE_HZ);

export const samples: readonly Sample[] = [
	{ id: 'good', label: 'Dunlin in a steady hover', file: hover('dunlin-hover.wav', {}) },
	{
		id: 'gusts',
		label: 'Dunlin in gusts, as usual',
		values: { usualHz: 210, usualPct: 0.3 },
		file: hover('dunlin-gusts.wav', { gustPct: 4, wind: 1.5 }),
	},
	{
		id: 'surging',
		label: 'Curlew surges: gains too high',
		bad: true,
		file: hover('curlew-surging.wav', { toneHz: 140, surgePct: 7, surgeHz: 5 }),
	},
	{
		id: 'higher',
		label: 'Dunlin on worn propellers hums higher',
		bad: true,
		values: { usualHz: 210, usualPct: 0.3 },
		file: hover('dunlin-worn.wav', { toneHz: 231, unbalance: 0.5 }),
	},
	{ id: 'wind', label: 'Only the wind', bad: true, file: hover('wind.wav', { motors: false }) },
];
