<script lang="ts">
	import { extent } from 'd3-array';
	import NorthMap from './NorthMap.svelte';

	/** Values along a walk seen from above, north up: larger dots deviate more; outside the limit they are solid. */
	type Props = {
		title: string;
		unit: string;
		points: readonly { north: number; east: number; value: number }[];
		limit: number;
		marks: readonly { north: number; east: number; label: string }[];
	};
	let { title, unit, points, limit, marks }: Props = $props();

	const MOST_ROWS = 40;
	const bounds = $derived.by(() => {
		const [n0 = 0, n1 = 0] = extent(points, (p) => p.north);
		const [e0 = 0, e1 = 0] = extent(points, (p) => p.east);
		return { north: (n0 + n1) / 2, east: (e0 + e1) / 2, half: Math.max(n1 - n0, e1 - e0, 1) / 2 };
	});
	const most = $derived(points.reduce((high, p) => Math.max(high, Math.abs(p.value)), limit));
	const radius = $derived((value: number) => 1.6 + 7 * Math.sqrt(Math.abs(value) / most));
	const over = $derived(points.filter((p) => Math.abs(p.value) > limit).length);
	const step = $derived(Math.max(1, Math.ceil(points.length / MOST_ROWS)));
	const table = $derived({
		head: ['north, m', 'east, m', `off, ${unit}`],
		rows: points
			.filter((_, k) => k % step === 0)
			.map((p) => [p.north.toFixed(1), p.east.toFixed(1), p.value.toPrecision(3)]),
	});
</script>

<NorthMap
	{title}
	label="{title}. {over} of {points.length} places deviate by more than {limit} {unit}."
	reachM={bounds.half * 1.05}
	centre={bounds}
	marks={marks.map((mark) => ({ ...mark, shape: 'cross' }))}
	{table}
	note="Solid: more than {limit} {unit} off. {over} of {points.length} places."
>
	{#snippet children(map)}
		{#each points as p, i (i)}
			{@const { x, y } = map.at(p.north, p.east)}
			{@const colour = Math.abs(p.value) > limit ? 'var(--hold)' : 'var(--ink-2)'}
			<circle cx={x} cy={y} r={radius(p.value)} fill={Math.abs(p.value) > limit ? colour : 'none'} stroke={colour} />
		{/each}
	{/snippet}
</NorthMap>
