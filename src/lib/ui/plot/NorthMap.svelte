<script lang="ts" module>
	/** Where a place of the map is drawn, px. */
	export interface Placed {
		x: number;
		y: number;
	}
	/** Drawing of a map in metres: places by north and east of its middle, lengths. */
	export interface MapScale {
		at(north: number, east: number): Placed;
		px(metres: number): number;
	}
	export interface MapMark {
		north: number;
		east: number;
		label: string;
		/** A cross marks a place, a dot what moves, a triangle what stands up. */
		shape: 'cross' | 'dot' | 'triangle';
		colour?: string;
	}
</script>

<script lang="ts">
	import type { Snippet } from 'svelte';
	import { scaleLinear } from 'd3-scale';
	import { placeLabels } from './place';
	import PlotFrame, { type PlotTable } from './PlotFrame.svelte';

	/** A square seen from above, north up, in metres: a length to compare with, or rings about the middle; named marks. */
	type Props = {
		title: string;
		label: string;
		/** From the middle to each edge, m. */
		reachM: number;
		/** Where the middle is, m. */
		centre?: { north: number; east: number };
		rings?: boolean;
		marks?: readonly MapMark[];
		/** Where the wind comes from, degrees. */
		windFromDeg?: number | null;
		table?: PlotTable;
		note?: string;
		children: Snippet<[MapScale]>;
	};
	let {
		title,
		label,
		reachM,
		centre = { north: 0, east: 0 },
		rings = false,
		marks = [],
		windFromDeg = null,
		table,
		note = '',
		children,
	}: Props = $props();

	const SIZE = 420;
	const EDGE = 26;
	const C = SIZE / 2;
	const k = $derived(
		scaleLinear()
			.domain([-reachM, reachM])
			.range([EDGE, SIZE - EDGE]),
	);
	const map = $derived<MapScale>({
		at: (north, east) => ({ x: k(east - centre.east), y: k(centre.north - north) }),
		px: (metres) => k(metres) - k(0),
	});
	const placed = $derived(marks.map((mark) => ({ ...mark, ...map.at(mark.north, mark.east) })));
	const ticks = $derived(k.ticks(5));
	const unit = $derived(ticks.length > 1 ? ticks[1] - ticks[0] : 1);
	const ringsM = $derived(
		rings
			? scaleLinear()
					.domain([0, reachM])
					.ticks(4)
					.filter((v) => v > 0)
			: [],
	);
	const ringTexts = $derived(ringsM.map((v) => ({ text: `${v} m`, x: C + 4, y: C + map.px(v) - 4 })));
	const taken = $derived([
		{ x: C - 12, y: 0, width: 24, height: 18 },
		...ringTexts.map(({ text, x, y }) => ({ x, y: y - 12, width: 8 * text.length, height: 15 })),
	]);
	const labelled = $derived(placed.filter((mark) => mark.label !== ''));
	const boxes = $derived(placeLabels(labelled, SIZE, taken));
	const wind = $derived(windFromDeg === null ? null : (windFromDeg * Math.PI) / 180);
	const HEIGHT = $derived(rings ? SIZE : SIZE + 16);
</script>

<PlotFrame {title} {label} width={SIZE} height={HEIGHT} {table} {note}>
	{#if rings}
		<path d="M{C} 20V{SIZE - 20}M20 {C}H{SIZE - 20}" stroke="var(--rule)" />
	{:else}
		<rect x={EDGE} y={EDGE} width={SIZE - 2 * EDGE} height={SIZE - 2 * EDGE} fill="none" stroke="var(--rule)" />
		{#each ticks as tick (tick)}
			<path d="M{k(tick)} {EDGE}V{SIZE - EDGE}M{EDGE} {k(tick)}H{SIZE - EDGE}" stroke="var(--fine)" />
		{/each}
		<path d="M{EDGE} {SIZE - 6}h{map.px(unit)}" stroke="var(--ink)" stroke-width="2.5" />
		<text x={EDGE + map.px(unit) + 8} y={SIZE - 1} font-size="14" fill="var(--ink-2)">{unit} m</text>
	{/if}
	<text x={C} y="15" text-anchor="middle" font-size="14" font-weight="700" fill="var(--ink)">N</text>
	{@render children(map)}
	{#each ringTexts as ring, i (i)}
		<circle cx={C} cy={C} r={map.px(ringsM[i])} fill="none" stroke="var(--rule)" />
		<text x={ring.x} y={ring.y} font-size="13" fill="var(--ink-2)">{ring.text}</text>
	{/each}
	{#each placed as { x, y, shape, colour = 'var(--ink)' }, i (i)}
		{#if shape === 'cross'}
			<path d="M{x - 9} {y}h18M{x} {y - 9}v18" stroke={colour} stroke-width="2.5" />
		{:else if shape === 'dot'}
			<circle cx={x} cy={y} r="7" fill={colour} stroke="var(--sheet)" stroke-width="2" />
		{:else}
			<path d="M{x - 6} {y + 5}h12l-6 -11z" fill={colour} />
		{/if}
	{/each}
	{#each labelled as { label: text, colour = 'var(--ink)' }, i (i)}
		<text
			x={boxes[i].x + 3}
			y={boxes[i].y + 12}
			font-size="14"
			font-weight="700"
			fill={colour}
			stroke="var(--sheet)"
			stroke-width="4"
			paint-order="stroke">{text}</text
		>
	{/each}
	{#if wind !== null}
		<g
			transform="translate({C + (C - 18) * Math.sin(wind)} {C - (C - 18) * Math.cos(wind)}) rotate({(windFromDeg ?? 0) +
				180})"
		>
			<path d="M0 -26V8M-6 -17L0 -27L6 -17" fill="none" stroke="var(--action)" stroke-width="2.5" />
		</g>
	{/if}
</PlotFrame>
