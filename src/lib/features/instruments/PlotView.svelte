<script lang="ts">
	import ArrowsPicture from '$lib/ui/plot/ArrowsPicture.svelte';
	import BalancePicture from '$lib/ui/plot/BalancePicture.svelte';
	import BoardPicture from '$lib/ui/plot/BoardPicture.svelte';
	import RangesPicture from '$lib/ui/plot/RangesPicture.svelte';
	import RoomPicture from '$lib/ui/plot/RoomPicture.svelte';
	import BarPlot from '$lib/ui/plot/BarPlot.svelte';
	import GroundMap from '$lib/ui/plot/GroundMap.svelte';
	import LinePlot from '$lib/ui/plot/LinePlot.svelte';
	import ReachPlot from '$lib/ui/plot/ReachPlot.svelte';
	import HorizonPicture from './HorizonPicture.svelte';
	import type { Plot } from '$lib/instruments/instrument';

	let { plot, pictureUrl = '' }: { plot: Plot; pictureUrl?: string } = $props();
</script>

{#if plot.kind === 'lines'}
	<LinePlot
		title={plot.title}
		xLabel={plot.xLabel}
		yLabel={plot.yLabel}
		lines={plot.lines}
		limits={plot.limits ?? []}
		marks={plot.marks ?? []}
		log={plot.log ?? false}
		height={240}
	/>
{:else if plot.kind === 'map'}
	<GroundMap title={plot.title} unit={plot.unit} points={plot.points} limit={plot.limit} marks={plot.marks} />
{:else if plot.kind === 'reach'}
	<ReachPlot
		title={plot.title}
		reach={plot.reach}
		aircraft={plot.aircraft}
		windFromDeg={plot.windFromDeg}
		obstacles={plot.obstacles}
	/>
{:else if plot.kind === 'bars'}
	<BarPlot title={plot.title} unit={plot.unit} digits={plot.digits ?? 2} bars={plot.bars} limit={plot.limit} />
{:else if plot.kind === 'room'}
	<RoomPicture {...plot} />
{:else if plot.kind === 'arrows'}
	<ArrowsPicture {...plot} />
{:else if plot.kind === 'ranges'}
	<RangesPicture {...plot} />
{:else if plot.kind === 'board'}
	<BoardPicture {...plot} />
{:else if plot.kind === 'balance'}
	<BalancePicture {...plot} />
{:else}
	<HorizonPicture title={plot.title} line={plot.line} url={pictureUrl} />
{/if}
