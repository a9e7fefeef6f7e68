import { inertial as say } from '$lib/messages/inertial';
import { figure } from '$lib/core/figures/figure';
import { fields } from './form';
import { working } from '../form';
import { judge, reason } from '$lib/core/finding/reasons';
import { InputError } from '$lib/core/finding/inputError';
import type { Vec3 } from '$lib/core/frames/vec3';
import { gesturesOf } from '$lib/core/inertial/gestures';
import { solveMounting } from '$lib/core/inertial/mounting';
import { changeMounting } from '$lib/core/inertial/mountingChange';
import { stillWindows } from '$lib/core/inertial/poses';
import { series, requireColumns } from '../files';
import { report } from '../instrument';

export const compute = working(fields, async (input) => {
	const c = requireColumns(input);
	const windows = stillWindows(series(c, 'a'));
	const gestures = gesturesOf(windows);
	if (!gestures)
		throw new InputError(
			'gestures',
			'file',
			`Three still gestures are needed, ${windows.length} were found: level, nose up, right side down.`,
		);
	const [a, b, d] = gestures;
	const accel = (v: Vec3) => ({ accel: [...v] as [number, number, number] });
	const answer = solveMounting({ gestures: { level: accel(a.mean), noseUp: accel(b.mean), rightDown: accel(d.mean) } });
	const now = {
		yawDeg: input.form.nowYaw,
		pitchDeg: input.form.nowPitch,
		rollDeg: input.form.nowRoll,
	};
	const change = answer.rotation && changeMounting(answer.rotation, now, input.form.axes === 'shown');
	// A setting that is to be changed holds until a second measurement agrees with it.
	const judged = change
		? judge([
				...answer.reasons,
				change.right
					? reason('pass', say('setting-right', { words: change.words }))
					: reason('fail', say('setting-wrong', { words: change.words })),
			])
		: answer;
	return {
		...report({ ...answer, ...judged }, change?.words ?? answer.steps),
		...(change
			? {
					states: [
						{ key: 'boardYawDeg' as const, value: change.wanted.yawDeg },
						{ key: 'boardPitchDeg' as const, value: change.wanted.pitchDeg },
						{ key: 'boardRollDeg' as const, value: change.wanted.rollDeg },
					],
				}
			: {}),
		figures: [
			figure('mounting-yaw', change?.wanted.yawDeg ?? null, { digits: 0 }),
			figure('mounting-pitch', change?.wanted.pitchDeg ?? null, { digits: 0 }),
			figure('mounting-roll', change?.wanted.rollDeg ?? null, { digits: 0 }),
			figure('gesture-error', answer.agreementDeg, {
				digits: 0,
				note: `next mounting ${answer.runnerUpDeg?.toFixed(0) ?? '–'}° off`,
			}),
		],
		plots: change ? [{ kind: 'board', title: 'How the board sits', ...change.wanted }] : [],
		tables: answer.rotation
			? [
					{
						title: 'Rotation from the axes of the log into the aircraft’s',
						columns: ['', 'sensor x', 'sensor y', 'sensor z'],
						rows: ['forward', 'right', 'down'].map((name, i) => [name, ...(answer.rotation?.[i] ?? [])]),
					},
				]
			: [],
	};
});
