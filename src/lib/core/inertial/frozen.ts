import type { Reason } from '../../schema/common';
import { reason } from '../finding/reasons';

const NEXT = 'Look whether the sensor is read at all: turn it by hand and watch the figures.';
const NAMES = ['x', 'y', 'z'] as const;

/** Axes x, y, z of which no reading differs from another: no sensor is that quiet. */
export const frozenAxes = (axes: readonly Float64Array[]): readonly string[] =>
	NAMES.filter((_, k) => axes[k].every((value) => value === axes[k][0]));

/** Why a log whose every axis stands still shows nothing. */
export const frozenLog = (): Reason =>
	reason('fail', 'insufficient-variation', 'No reading differs from another: a frozen log.', { value: 0, next: NEXT });

/** Why an axis that stands still is in doubt. */
export const frozenAxis = (names: readonly string[]): Reason =>
	reason('caution', 'axis-frozen', `Axis ${names.join(' and ')} never changes.`, { value: names.length, next: NEXT });
