import { seededRng } from '$lib/core/math/random';
import { recordLegs } from '$lib/rig/inertial';
import { csvFile } from '../files';
import type { Sample } from '../instrument';

const legs =
	(name: string, pitchDeg: number, rollDeg: number, more: { legS?: number; gustDeg?: number } = {}) =>
	(seed: number) => {
		const { t, roll, pitch, height, heading } = recordLegs(
			{ pitchDeg, rollDeg, legS: 14, gustDeg: 0.7, ...more },
			seededRng(seed),
		);
		return csvFile(name, {
			't [s]': t,
			'roll [deg]': roll,
			'pitch [deg]': pitch,
			'height [m]': height,
			'heading [deg]': heading,
		});
	};

export const samples: readonly Sample[] = [
	{
		id: 'good',
		label: 'Avocet: flies four degrees nose-up, as wanted',
		values: { wantedRoll: 0, wantedPitch: 4 },
		file: legs('avocet-legs.csv', 4.1, 0.1),
	},
	{
		id: 'climbs',
		label: 'Avocet climbed when level was held',
		values: { wantedRoll: 0, wantedPitch: 4 },
		file: legs('avocet-legs-high.csv', 1.6, -0.6),
	},
	{
		id: 'short',
		label: 'Turns and climbs only',
		bad: true,
		values: { wantedRoll: 0, wantedPitch: 4 },
		file: legs('avocet-turns.csv', 4, 0, { legS: 3 }),
	},
];
