<script lang="ts">
	import { stationTitle } from '$lib/core/session/stations';
	import Button from '$lib/ui/Button.svelte';
	import Sheet from '../running/Sheet.svelte';
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
	/** Where to go from a station that this aircraft's line has not: what is not done yet. */
	const left = $derived.by(() => {
		const { stations } = view.state;
		if (stations.some(({ id }) => id === station)) return null;
		return stations.find(({ mark }) => mark !== 'clear' && mark !== 'aside') ?? stations[0];
	});
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
{:else if left}
	{@const name = stationTitle(station, view.bundle.aircraft)}
	<Sheet title="{name} is not on the line of {view.bundle.aircraft.name}" lead="Nothing is asked there today" {name}>
		{#snippet margin()}<p class="m-0">The line is made for the aircraft, the place and the day.</p>{/snippet}
		<div class="mt-4"><Button kind="primary" href={view.href(left.id)}>Go to {left.title}</Button></div>
	</Sheet>
{:else}
	<ChecklistView {station} />
{/if}
