import type { Component } from 'svelte';
import type { TaskPage } from '$lib/core/session/taskPage';
import BenchTask from '$lib/features/bench/BenchTask.svelte';
import CompassTask from '$lib/features/compass/CompassTask.svelte';
import SiteFieldTask from '$lib/features/compass/SiteFieldTask.svelte';
import ReturnTestTask from '$lib/features/wayHome/ReturnTestTask.svelte';
import SurfaceGridTask from '$lib/features/surfaces/SurfaceGridTask.svelte';
import TemperatureTask from '$lib/features/temperatures/TemperatureTask.svelte';
import TrimTask from '$lib/features/trim/TrimTask.svelte';
import WayHomeTask from '$lib/features/wayHome/WayHomeTask.svelte';
import HoverTask from '$lib/features/hover/HoverTask.svelte';
import LinkLossTask from '$lib/features/linkLoss/LinkLossTask.svelte';
import MotorWalkTask from '$lib/features/motors/MotorWalkTask.svelte';
import PositionTask from '$lib/features/position/PositionTask.svelte';
import SelfRighting from '$lib/features/walk/SelfRighting.svelte';
import WalkTask from '$lib/features/walk/WalkTask.svelte';
import ResponseStop from '$lib/features/response/ResponseStop.svelte';

/** The page of each task that has one; null where it is done in the station's list or elsewhere. */
export const PAGES = {
	'bench-due': BenchTask,
	compass: CompassTask,
	hover: HoverTask,
	indoor: null,
	'link-loss': LinkLossTask,
	'measure-feed': null,
	'measure-flow': null,
	'motor-walk': MotorWalkTask,
	'obstacle-sides': WalkTask,
	position: PositionTask,
	propellers: WalkTask,
	record: null,
	'response-stop': ResponseStop,
	'return-test': ReturnTestTask,
	'self-righting': SelfRighting,
	'site-field': SiteFieldTask,
	'spray-lines': WalkTask,
	'spreader-steps': WalkTask,
	straps: WalkTask,
	'surface-grid': SurfaceGridTask,
	temperatures: TemperatureTask,
	trim: TrimTask,
	'way-home': WayHomeTask,
	wind: null,
	conflict: null,
	troubleshooting: null,
} satisfies Record<TaskPage, Component | null>;

export const pageOf = (task: string | null): Component | null =>
	task !== null && task in PAGES ? PAGES[task as TaskPage] : null;
