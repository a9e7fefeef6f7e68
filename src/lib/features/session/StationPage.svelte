<script lang="ts">
	import type { StationId } from '$lib/schema/records';
	import GateView from '$lib/features/gate/GateView.svelte';
	import ChecklistView from '$lib/features/checklist/ChecklistView.svelte';
	import CompassTask from '$lib/features/compass/CompassTask.svelte';
	import SiteFieldTask from '$lib/features/compass/SiteFieldTask.svelte';
	import PositionTask from '$lib/features/position/PositionTask.svelte';
	import HoverTask from '$lib/features/hover/HoverTask.svelte';
	import BenchTask from '$lib/features/bench/BenchTask.svelte';
	import GuideTask from '$lib/features/bench/GuideTask.svelte';
	import MeasureTask from '$lib/features/bench/MeasureTask.svelte';

	let { station, task }: { station: StationId; task: string | null } = $props();
</script>

{#if task === 'compass'}
	<CompassTask />
{:else if task === 'site-field'}
	<SiteFieldTask />
{:else if task === 'position'}
	<PositionTask />
{:else if task === 'hover'}
	<HoverTask />
{:else if task === 'bench-due'}
	<BenchTask />
{:else if task?.startsWith('measure-')}
	<MeasureTask {station} id={task.slice('measure-'.length)} />
{:else if task?.startsWith('guide-')}
	<GuideTask {station} sensor={task.slice('guide-'.length)} />
{:else if station === 'fly'}
	<GateView />
{:else}
	<ChecklistView {station} />
{/if}
