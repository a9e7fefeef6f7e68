import { rigHover, NO_FAULTS, openRig, type RigFaults } from '$lib/rig/rig';
import { rigReceiverLog } from '$lib/rig/receiverLog';
import { RECIPES, scriptedHands, type RecipeName } from '$lib/rig/turning';
import { seededRng } from '$lib/core/math/random';
import type { HoverTruth } from '$lib/rig/hover';
import type { Sample } from '$lib/instruments/instrument';
import { csvFile, textFile } from '$lib/instruments/files';
import type { LiveId } from '$lib/instruments/catalogue';

const SALTINGS = { latDeg: 54.2231, lonDeg: -3.0642, altM: 7 };
const DATE = '2026-05-14';

const turning = (name: string, recipe: RecipeName, faults: Partial<RigFaults>) => (seed: number) => {
	const { motion, durationS } = scriptedHands(RECIPES[recipe], seededRng(seed + 9));
	const { imu } = openRig(seed, { ...NO_FAULTS, ...faults }, SALTINGS, DATE, motion).advance(durationS);
	const every = imu.filter((_, k) => k % 4 === 0);
	const column = (key: 'magUt' | 'accelMps2' | 'gyroRadps', axis: 0 | 1 | 2) => every.map((s) => s[key][axis]);
	return csvFile(name, {
		't [s]': every.map((s) => s.tS),
		'mx [uT]': column('magUt', 0),
		'my [uT]': column('magUt', 1),
		'mz [uT]': column('magUt', 2),
		'ax [m/s2]': column('accelMps2', 0),
		'ay [m/s2]': column('accelMps2', 1),
		'az [m/s2]': column('accelMps2', 2),
		'gx [rad/s]': column('gyroRadps', 0),
		'gy [rad/s]': column('gyroRadps', 1),
		'gz [rad/s]': column('gyroRadps', 2),
	});
};

const hovering =
	(name: string, faults: Partial<RigFaults>, more: Partial<HoverTruth> = {}) =>
	(seed: number) => {
		const { log } = rigHover(seed, { ...NO_FAULTS, ...faults }, more);
		return csvFile(name, {
			't [s]': log.t,
			'north [m]': log.north,
			'east [m]': log.east,
			'up [m]': log.up,
			'heading [deg]': log.headingDeg,
			'roll [deg]': log.rollDeg,
			'pitch [deg]': log.pitchDeg,
			satellites: log.satellites,
		});
	};

/** What ships with the three live instruments, good and bad. */
export const LIVE_SAMPLES: Record<LiveId, readonly Sample[]> = {
	compass: [
		{ id: 'good', label: 'Dunlin turned through eight poses', file: turning('dunlin-turning.csv', 'thorough', {}) },
		{
			id: 'turned',
			label: 'Curlew: mounted upside down and bent',
			file: turning('curlew-turning.csv', 'thorough', { mountingTurned: true, softIron: true }),
		},
		{ id: 'flat', label: 'Turned level only', bad: true, file: turning('dunlin-level-turn.csv', 'level only', {}) },
		{
			id: 'metal',
			label: 'Beside the steel sluice',
			bad: true,
			file: turning('dunlin-sluice.csv', 'thorough', { metalNear: true }),
		},
	],
	position: [
		{
			id: 'good',
			label: 'Dunlin under an open sky',
			file: (seed) => textFile('dunlin-sky.nmea', rigReceiverLog(seed, 90)),
		},
		{
			id: 'weak',
			label: 'Between the sheds: few satellites, broken lines',
			bad: true,
			file: (seed) => textFile('yard-sky.nmea', rigReceiverLog(seed, 90, true)),
		},
	],
	hover: [
		{ id: 'good', label: 'Dunlin holds its place', file: hovering('dunlin-hover.csv', {}) },
		{
			id: 'circling',
			label: 'The compass reads 42° too far',
			bad: true,
			file: hovering('dunlin-circling.csv', { headingErrorDeg: 42 }),
		},
		{
			id: 'weak',
			label: 'A weak fix that jumps',
			bad: true,
			file: hovering('yard-hover.csv', { weakSky: true }, { jump: { atS: 24, sizeM: 4 } }),
		},
	],
};
