<script lang="ts">
	import { scaleLinear } from 'd3-scale';
	import { line } from 'd3-shape';

	/** A track seen from above, north up, with the circle that holds 95 % of it. Metres. */
	type Props = {
		north: number[];
		east: number[];
		diameter95M: number | null;
		sense: 'cw' | 'ccw' | null;
		limitM: number;
	};
	let { north, east, diameter95M, sense, limitM }: Props = $props();

	const SIZE = 380;
	const EDGE = 22;
	const middle = (values: number[]) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;
	const n0 = $derived(middle(north));
	const e0 = $derived(middle(east));
	const reach = $derived(
		Math.max(limitM / 2, ...north.map((n, i) => Math.max(Math.abs(n - n0), Math.abs(east[i] - e0)))) * 1.12,
	);
	const x = $derived(
		scaleLinear()
			.domain([-reach, reach])
			.range([EDGE, SIZE - EDGE]),
	);
	const step = $derived(Math.max(1, Math.ceil(north.length / 2500)));
	const points = $derived(north.map((n, i) => [east[i] - e0, n - n0] as const).filter((_, i) => i % step === 0));
	const path = $derived(
		line<readonly [number, number]>(
			(p) => x(p[0]),
			(p) => x(-p[1]),
		)(points) ?? '',
	);
	const ticks = $derived(x.ticks(6));
	const unit = $derived(ticks.length > 1 ? ticks[1] - ticks[0] : 1);
	const r = $derived(diameter95M === null ? 0 : x(diameter95M / 2) - x(0));
</script>

<svg
	viewBox="0 0 {SIZE} {SIZE + 24}"
	class="block w-full max-w-[430px]"
	role="img"
	aria-label="Track from above, 95 percent inside {diameter95M?.toFixed(1)} metres"
>
	<rect x={EDGE} y={EDGE} width={SIZE - 2 * EDGE} height={SIZE - 2 * EDGE} fill="none" stroke="var(--rule)" />
	{#each ticks as tick (tick)}
		<path d="M{x(tick)} {EDGE}V{SIZE - EDGE}M{EDGE} {x(tick)}H{SIZE - EDGE}" stroke="var(--fine)" />
	{/each}
	<text x={SIZE / 2} y="15" text-anchor="middle" font-size="14" font-weight="700" fill="var(--ink)">N</text>
	<path d={path} fill="none" stroke={sense ? 'var(--hold)' : 'var(--ink)'} stroke-width="1.4" opacity="0.85" />
	<circle cx={x(0)} cy={x(0)} {r} fill="none" stroke="var(--ink)" stroke-dasharray="5 5" stroke-width="1.5" />
	<circle cx={x(0)} cy={x(0)} r={x(limitM / 2) - x(0)} fill="none" stroke="var(--rule)" stroke-width="2" />
	<path d="M{x(0) - 7} {x(0)}h14M{x(0)} {x(0) - 7}v14" stroke="var(--ink)" stroke-width="2.5" />
	<text x={SIZE - EDGE - 6} y={EDGE + 18} text-anchor="end" font-size="14" fill="var(--ink)"
		>95 % inside {diameter95M?.toFixed(1)} m</text
	>
	{#if sense}
		{@const k = Math.max(r, 26) * 0.72}
		<path
			d="M{x(0) - k} {x(0)}A{k} {k} 0 0 {sense === 'cw' ? 1 : 0} {x(0)} {sense === 'cw' ? x(0) - k : x(0) + k}"
			fill="none"
			stroke="var(--hold)"
			stroke-width="4"
		/>
		<path d="M{x(0) - 2} {(sense === 'cw' ? x(0) - k : x(0) + k) - 9}l14 9l-14 9z" fill="var(--hold)" />
	{/if}
	<path d="M{EDGE} {SIZE + 4}h{x(unit) - x(0)}" stroke="var(--ink)" stroke-width="2.5" />
	<text x={EDGE + x(unit) - x(0) + 8} y={SIZE + 9} font-size="14" fill="var(--ink-2)">{unit} m</text>
	<text x={SIZE - EDGE} y={SIZE + 9} text-anchor="end" font-size="14" fill="var(--ink-2)"
		>grey ring: {limitM} m expected</text
	>
</svg>
