import { compass as say } from '$lib/messages/compass';
import { figure } from '$lib/core/figures/figure';
import { fields } from './form';
import { working } from '../form';
import { judge, reason } from '$lib/core/finding/reasons';
import { changeMounting, moduleMounting } from '$lib/core/inertial/mountingChange';

// The answer is a few sines: a worker would only take longer.
export const compute = working(fields, async ({ form }) => {
	const module = {
		arrowDeg: form.arrow,
		flipped: form.flipped === 'yes',
		tiltUpDeg: form.up,
		tiltRightDeg: form.right,
	};
	const { rotation } = moduleMounting(module);
	const change = changeMounting(
		rotation,
		{
			yawDeg: form.nowYaw,
			pitchDeg: form.nowPitch,
			rollDeg: form.nowRoll,
		},
		false,
	);
	const tilted = module.tiltUpDeg !== 0 || module.tiltRightDeg !== 0;
	const judged = judge([
		change.right ? reason('pass', say('setting-right')) : reason('fail', say('setting-wrong', { words: change.words })),
		...(tilted ? [reason('caution' as const, say('mounted-tilted'))] : []),
	]);
	return {
		headline: change.words,
		...judged,
		figures: [
			figure('mounting-yaw', change.wanted.yawDeg, { digits: 0 }),
			figure('mounting-pitch', change.wanted.pitchDeg, { digits: 0 }),
			figure('mounting-roll', change.wanted.rollDeg, { digits: 0 }),
		],
		// A setting that is still to be entered is nobody's setting yet.
		states: change.right
			? [
					{ key: 'compassYawDeg', value: change.wanted.yawDeg },
					{ key: 'compassPitchDeg', value: change.wanted.pitchDeg },
					{ key: 'compassRollDeg', value: change.wanted.rollDeg },
				]
			: [],
		plots: [
			{
				kind: 'board',
				title: tilted ? 'How the module sits, its tilt left out' : 'How the module sits',
				yawDeg: module.arrowDeg,
				pitchDeg: 0,
				rollDeg: module.flipped ? 180 : 0,
			},
		],
		tables: [
			{
				title: 'Rotation from the compass’s axes into the aircraft’s',
				columns: ['', 'compass x', 'compass y', 'compass z'],
				rows: ['forward', 'right', 'down'].map((name, i) => [
					name,
					...rotation[i].map((v) => Math.round(v * 1e4) / 1e4),
				]),
			},
		],
		answer: { ...change, module },
	};
});
