import { inertial as say } from '$lib/messages/inertial';
import type { Reason } from '../../schema/common';
import { reason } from '../finding/reasons';
const NAMES = ['x', 'y', 'z'] as const;

/** Axes x, y, z of which no reading differs from another: no sensor is that quiet. */
export const frozenAxes = (axes: readonly Float64Array[]): readonly string[] =>
	NAMES.filter((_, k) => axes[k].every((value) => value === axes[k][0]));

/** Why a log whose every axis stands still shows nothing. */
export const frozenLog = (): Reason => reason('fail', say('insufficient-variation'), { value: 0 });

/** Why an axis that stands still is in doubt. */
export const frozenAxis = (names: readonly string[]): Reason =>
	reason('caution', say('axis-frozen', { names }), { value: names.length });
