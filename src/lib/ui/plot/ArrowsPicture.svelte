<script lang="ts">
	import { showNumber } from '$lib/words/figures';
	import { LABEL_LINE, placeLabels } from './place';

	/** Arrows from a middle, north up: drifts, noses, the wind. */
	type Props = {
		title: string;
		unit: string;
		arrows: readonly { label: string; north: number; east: number; dashed?: boolean }[];
	};
	let { title, unit, arrows }: Props = $props();
	const [SIZE, C, REACH] = [340, 170, 118];
	const longest = $derived(
		arrows.reduce((most, { north, east, dashed }) => (dashed ? most : Math.max(most, Math.hypot(north, east))), 1e-9),
	);
	const drawn = $derived(
		arrows.map(({ label, north, east, dashed = false }, k) => {
			const size = Math.hypot(north, east);
			const long = dashed ? REACH * 0.5 : (REACH * size) / longest;
			const [dx, dy] = size > 0 ? [east / size, -north / size] : [0, -1];
			const [x, y] = [C + dx * long, C + dy * long];
			return {
				label,
				dashed,
				x,
				y,
				k,
				head: `M${x} ${y}L${x - 11 * dx - 6 * dy} ${y - 11 * dy + 6 * dx}L${x - 11 * dx + 6 * dy} ${y - 11 * dy - 6 * dx}Z`,
				words: dashed ? label : `${label} ${showNumber(size)}`,
			};
		}),
	);
	const shaft = (x: number, y: number) =>
		[0.3, 0.5, 0.7, 0.9].map((at) => ({
			x: C + at * (x - C) - 8,
			y: C + at * (y - C) - 8,
			width: 16,
			height: 16,
		}));
	const labels = $derived(
		placeLabels(
			drawn.map(({ x, y, words }) => ({ x, y, label: words })),
			SIZE,
			[{ x: C - 8, y: 2, width: 16, height: 16 }, ...drawn.flatMap(({ x, y }) => shaft(x, y))],
		),
	);
	const LOOKS = ['var(--ink)', 'var(--action)', 'var(--caution)'];
	let solid = $derived(arrows.filter(({ dashed }) => !dashed));
	const colour = (label: string, dashed: boolean) =>
		dashed ? 'var(--ink-2)' : LOOKS[solid.findIndex((one) => one.label === label) % LOOKS.length];
</script>

<figure class="m-0">
	<figcaption class="mb-1 font-semibold">{title}, {unit}</figcaption>
	<svg
		viewBox="0 0 {SIZE} {SIZE}"
		class="block h-auto w-full max-w-[340px]"
		role="img"
		aria-label="{title}: {drawn.map(({ words }) => words).join(', ')}"
	>
		<circle cx={C} cy={C} r={REACH} fill="none" stroke="var(--fine)" stroke-width="1.5" />
		<text x={C} y="16" font-size="14" font-weight="700" text-anchor="middle" fill="var(--ink)">N</text>
		{#each drawn as { label, dashed, x, y, head, words, k } (k)}
			<line
				x1={C}
				y1={C}
				x2={x}
				y2={y}
				stroke={colour(label, dashed)}
				stroke-width={dashed ? 1.5 : 3}
				stroke-dasharray={dashed ? '5 4' : undefined}
			/>
			<path d={head} fill={colour(label, dashed)} />
			<text
				x={labels[k].x + labels[k].width / 2}
				y={labels[k].y + LABEL_LINE - 4}
				font-size="13"
				text-anchor="middle"
				stroke="var(--sheet)"
				stroke-width="4"
				paint-order="stroke"
				fill={colour(label, dashed)}>{words}</text
			>
		{/each}
	</svg>
</figure>
