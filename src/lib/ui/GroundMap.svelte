<script lang="ts">
	import { extent } from 'd3-array';
	import { scaleLinear } from 'd3-scale';

	/** Values along a walk seen from above, north up: larger dots deviate more; outside the limit they are solid. */
	type Props = {
		title: string;
		unit: string;
		points: readonly { north: number; east: number; value: number }[];
		limit: number;
		marks: readonly { north: number; east: number; label: string }[];
	};
	let { title, unit, points, limit, marks }: Props = $props();
	const SIZE = 400;
	const EDGE = 30;
	const bounds = $derived.by(() => {
		const [n0, n1] = extent(points, (p) => p.north) as [number, number];
		const [e0, e1] = extent(points, (p) => p.east) as [number, number];
		const half = Math.max(n1 - n0, e1 - e0, 1) / 2;
		return { n: (n0 + n1) / 2, e: (e0 + e1) / 2, half };
	});
	const k = $derived(
		scaleLinear()
			.domain([-bounds.half, bounds.half])
			.range([EDGE, SIZE - EDGE]),
	);
	const x = $derived((east: number) => k(east - bounds.e));
	const y = $derived((north: number) => k(bounds.n - north));
	const most = $derived(Math.max(limit, ...points.map((p) => Math.abs(p.value))));
	const r = $derived((value: number) => 1.6 + 7 * Math.sqrt(Math.abs(value) / most));
	const tick = $derived(k.ticks(4));
	const step = $derived(tick.length > 1 ? tick[1] - tick[0] : 1);
	const over = $derived(points.filter((p) => Math.abs(p.value) > limit).length);
</script>

<figure class="m-0">
	<figcaption class="font-semibold">{title}</figcaption>
	<svg
		viewBox="0 0 {SIZE} {SIZE}"
		class="block w-full max-w-[440px]"
		role="img"
		aria-label="{title}. {over} of {points.length} places deviate by more than {limit} {unit}."
	>
		<rect x={EDGE} y={EDGE} width={SIZE - 2 * EDGE} height={SIZE - 2 * EDGE} fill="none" stroke="var(--fine)" />
		<text x={SIZE / 2} y="16" text-anchor="middle" font-size="14" font-weight="700" fill="var(--ink)">N</text>
		{#each points as p, i (i)}
			<circle
				cx={x(p.east)}
				cy={y(p.north)}
				r={r(p.value)}
				fill={Math.abs(p.value) > limit ? 'var(--hold)' : 'none'}
				stroke={Math.abs(p.value) > limit ? 'var(--hold)' : 'var(--ink-2)'}
			/>
		{/each}
		{#each marks as mark, index (index)}
			<path
				d="M{x(mark.east) - 9} {y(mark.north)}h18M{x(mark.east)} {y(mark.north) - 9}v18"
				stroke="var(--ink)"
				stroke-width="2.5"
			/>
			<text
				x={x(mark.east) + (x(mark.east) > SIZE / 2 ? -12 : 12)}
				y={y(mark.north) + (y(mark.north) < 60 ? 22 : -10)}
				text-anchor={x(mark.east) > SIZE / 2 ? 'end' : 'start'}
				font-size="14"
				font-weight="700"
				fill="var(--ink)"
				stroke="var(--sheet)"
				stroke-width="4"
				paint-order="stroke">{mark.label}</text
			>
		{/each}
		<path d="M{EDGE} {SIZE - 10}h{k(step) - k(0)}" stroke="var(--ink)" stroke-width="2.5" />
		<text x={EDGE + k(step) - k(0) + 8} y={SIZE - 5} font-size="14" fill="var(--ink-2)">{step} m</text>
	</svg>
	<p class="m-0 text-[14px] text-ink-2">Solid: more than {limit} {unit} off. {over} of {points.length} places.</p>
</figure>
