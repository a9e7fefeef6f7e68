import { seededRng } from '$lib/core/frames/random';
import { horizonLimits, payloadLimits } from '$lib/core/payload/limits';
import { edgePicture, horizonPicture, surfacePicture, type Surface } from '$lib/rig/pictures';
import { run } from '$lib/workers/core';
import { headlineOf, num, word, type ChoiceField, type Instrument } from '../instrument';
import { pictureFile } from '../make';
import { fileOf } from './compass';

const view =
	(name: string, tiltDeg: number, fog = false) =>
	(seed: number) =>
		pictureFile(name, horizonPicture(tiltDeg, seededRng(seed), fog));

const horizon: Instrument = {
	id: 'horizon',
	title: 'Camera horizon',
	group: 'Payload and camera',
	does: 'How far a picture’s horizon is tilted, and the trim that levels it.',
	calls: 'gimbal camera horizon tilt roll photo picture level crooked sloping',
	opening: 'Drop a picture with the horizon right across it',
	caution: 'Never turn a gimbal by hand while it is powered; cover off before power.',
	method: [
		'The picture at 640 px in three channels; steps right across it at every angle to 20°, weighted by how much quieter it is above; refined column by column to a fraction of a pixel; refused where the line is not clear.',
		'A skyline and a waterline can differ by a degree: the line found is drawn, and yours can be laid over it.',
	],
	sensor: 'camera',
	fields: [],
	file: {
		kind: 'picture',
		hint: 'JPEG or PNG from the camera, in the hover or on a stand: open sea, a far plain, an even skyline.',
	},
	samples: [
		{ id: 'good', label: 'The saltings, level', file: view('saltings-level.png', 0.2) },
		{ id: 'tilted', label: 'Right side low', bad: true, file: view('saltings-tilted.png', 2.3) },
		{ id: 'fog', label: 'Fog: no horizon', bad: true, file: view('saltings-fog.png', 1, true) },
	],
	async work(input, context) {
		const answer = await run('horizon', { file: fileOf(input) }, context);
		return {
			headline: headlineOf(answer, 'The horizon lies level'),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{
					label: 'Tilt, right side lower positive',
					value: answer.tiltDeg,
					unit: '°',
					sigma: answer.sigmaDeg,
					note: `limit ${horizonLimits.tiltDeg.value}`,
				},
				{ label: 'Trim to enter', value: answer.tiltDeg === null ? null : -answer.tiltDeg, unit: '°', digits: 1 },
				{
					label: 'Confidence in the line',
					value: answer.confidence === null ? null : 100 * answer.confidence,
					unit: '%',
					digits: 0,
				},
			],
			plots: [{ kind: 'picture', title: answer.line ? 'The line found' : 'No line was found', line: answer.line }],
			tables: [],
			answer,
		};
	},
};

const edges = (name: string, blur: number) => (seed: number) => pictureFile(name, edgePicture(blur, seededRng(seed)));

/** Where the part that is measured lies: the nearest side, the middle, the other side. */
const place = (id: string, label: string, names: readonly [string, string, string]): ChoiceField => ({
	kind: 'choice',
	id,
	label,
	options: names.map((name, k) => ({ value: String(k / 2), label: name })),
	start: '0.5',
});

const focus: Instrument = {
	id: 'focus',
	title: 'Focus',
	group: 'Payload and camera',
	does: 'Whether far edges are sharp, measured on the part of a picture that you choose.',
	calls: 'focus sharp blurred camera lens goggles video far distance',
	opening: 'Drop a picture of something at twenty metres or more',
	method: [
		'Width of the cleanest steps between 10 and 90 %, the median with its uncertainty. Edges slanting to the pixels are left out: they look wider than they are.',
	],
	fields: [
		{
			kind: 'number',
			id: 'sharePct',
			label: 'Part of the picture',
			unit: '%',
			min: 5,
			max: 100,
			start: 60,
		},
		place('across', 'Across', ['left', 'middle', 'right']),
		place('down', 'Up and down', ['top', 'middle', 'bottom']),
	],
	file: {
		kind: 'picture',
		hint: 'JPEG or PNG with a far, hard edge in the part that you choose: a mast, a roof, a tree line.',
	},
	samples: [
		{ id: 'good', label: 'Far roofs, sharp', file: edges('roofs-sharp.png', 0.6) },
		{ id: 'soft', label: 'Far roofs, focused near', bad: true, file: edges('roofs-blurred.png', 3.6) },
		{
			id: 'wall',
			label: 'An empty wall',
			bad: true,
			file: (seed) => pictureFile('wall.png', surfacePicture('water', seededRng(seed))),
		},
	],
	async work(input, context) {
		const answer = await run(
			'sharpness',
			{
				file: fileOf(input),
				share: num(input.values, 'sharePct', 'Part of the picture') / 100,
				across: Number(word(input.values, 'across')),
				down: Number(word(input.values, 'down')),
			},
			context,
		);
		return {
			headline: headlineOf(answer, 'The far edges are sharp'),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{
					label: 'Edges are wide by',
					value: answer.edgePx,
					unit: 'px',
					digits: 1,
					sigma: answer.edgeSigmaPx,
					note: `sharp below ${payloadLimits.edgePx.value}`,
				},
				{ label: 'Edges measured', value: answer.edges, unit: '', digits: 0 },
				{ label: 'Contrast', value: answer.contrast, unit: 'of 255', digits: 0 },
			],
			plots: [{ kind: 'picture', title: 'The picture measured', line: null }],
			tables: [],
			answer,
		};
	},
};

const ground = (name: string, kind: Surface) => (seed: number) =>
	pictureFile(name, surfacePicture(kind, seededRng(seed)));

const texture: Instrument = {
	id: 'texture',
	title: 'Landing surface',
	group: 'Payload and camera',
	does: 'Whether a downward camera can hold on to a surface.',
	calls: 'vision optical flow downward camera surface texture landing pad mat grass water floor',
	opening: 'Drop a picture of the ground, straight down from hand height',
	method: [
		'Corners to follow (smaller eigenvalue of the structure tensor, Shi and Tomasi 1994), contrast and light, and how alike the pattern is to itself one step further.',
	],
	fields: [],
	file: { kind: 'picture', hint: 'JPEG or PNG, straight down at the landing place.' },
	samples: [
		{ id: 'grass', label: 'Grass', file: ground('grass.png', 'grass') },
		{ id: 'mat', label: 'The patterned mat', file: ground('mat.png', 'mat') },
		{ id: 'water', label: 'Still water', bad: true, file: ground('water.png', 'water') },
		{ id: 'tiles', label: 'Tiles, all alike', bad: true, file: ground('tiles.png', 'tiles') },
		{ id: 'dusk', label: 'Dusk', bad: true, file: ground('dusk.png', 'dusk') },
	],
	async work(input, context) {
		const answer = await run('texture', { file: fileOf(input) }, context);
		return {
			headline: headlineOf(answer, 'A downward camera can hold on to this'),
			verdict: answer.verdict,
			reasons: answer.reasons,
			figures: [
				{
					label: 'Surface with something to follow',
					value: 100 * answer.cornerShare,
					unit: '%',
					digits: 0,
					note: `wanted ${100 * payloadLimits.cornerShare.value}`,
				},
				{
					label: 'Alike to itself one step on',
					value: 100 * answer.repetition,
					unit: '%',
					digits: 0,
					note: `at most ${100 * payloadLimits.repetition.value}`,
				},
				{ label: 'Light', value: answer.brightness, unit: 'of 255', digits: 0 },
			],
			plots: [{ kind: 'picture', title: 'The picture measured', line: null }],
			tables: [],
			answer,
		};
	},
};

export const PICTURES: readonly Instrument[] = [horizon, focus, texture];
