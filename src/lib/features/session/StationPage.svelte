<script lang="ts">
	import type { StationId } from '$lib/schema/records';
	import GateView from '$lib/features/gate/GateView.svelte';
	import ChecklistView from '$lib/features/checklist/ChecklistView.svelte';
	import GuideTask from '$lib/features/bench/GuideTask.svelte';
	import MeasureTask from '$lib/features/bench/MeasureTask.svelte';
	import { pageOf } from './pages';
	import { getSessionView } from '../running/sessionView.svelte';

	let { station, task }: { station: StationId; task: string | null } = $props();
	const view = getSessionView();
	const Page = $derived(pageOf(task));
</script>

<!-- An ended session is read in its lists and gates: nothing is measured in it any more. -->
{#if view.readOnly && station !== 'arm' && station !== 'fly'}
	<ChecklistView {station} />
{:else if Page}
	<Page />
{:else if task?.startsWith('measure-')}
	<MeasureTask {station} id={task.slice('measure-'.length)} />
{:else if task?.startsWith('guide-')}
	<GuideTask {station} sensor={task.slice('guide-'.length)} />
{:else if station === 'arm' || station === 'fly'}
	<GateView gate={station} />
{:else}
	<ChecklistView {station} />
{/if}
