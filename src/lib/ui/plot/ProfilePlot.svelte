<script lang="ts">
	import { max } from 'd3-array';
	import { scaleLinear } from 'd3-scale';
	import PlotFrame from './PlotFrame.svelte';

	/** The way home from the side: height over the distance from home, with what stands under it. Metres; home at the left. */
	type Props = {
		title: string;
		path: readonly { fromHomeM: number; heightM: number }[];
		/** What stands on the way: middle, half width, height. */
		stands: readonly { name: string; fromHomeM: number; halfM: number; heightM: number }[];
		/** The one that it comes too near to. */
		worst: string | null;
	};
	let { title, path, stands, worst }: Props = $props();

	let W = $state(640);
	const H = 220;
	const [LEFT, RIGHT, TOP, BOTTOM] = [44, 16, 14, 34];
	const farM = $derived(1.06 * Math.max(20, max(path, (p) => p.fromHomeM) ?? 0));
	const highM = $derived(1.15 * Math.max(10, max(path, (p) => p.heightM) ?? 0, max(stands, (s) => s.heightM) ?? 0));
	const x = $derived(
		scaleLinear()
			.domain([0, farM])
			.range([LEFT, W - RIGHT]),
	);
	const y = $derived(
		scaleLinear()
			.domain([0, highM])
			.range([H - BOTTOM, TOP]),
	);
	const line = $derived(
		`M${path.map(({ fromHomeM, heightM }) => `${x(fromHomeM).toFixed(1)} ${y(heightM).toFixed(1)}`).join('L')}`,
	);
	const table = $derived({
		head: ['what', 'from home, m', 'height, m'],
		rows: [
			...path.map((p, k) => [`way ${k + 1}`, p.fromHomeM.toFixed(0), p.heightM.toFixed(0)]),
			...stands.map((s) => [s.name, s.fromHomeM.toFixed(0), s.heightM.toFixed(0)]),
		],
	});
	const last = $derived(path[0]);
</script>

<PlotFrame
	{title}
	label="{title}. {stands.map((s) => `${s.name}, ${s.heightM.toFixed(0)} metres high`).join('; ')}"
	width={W}
	height={H}
	wide
	bind:clientWidth={W}
	{table}
	note="Height over the distance from home, seen from the side; home is at the left."
>
	{#each y.ticks(4) as tick (tick)}
		<path d="M{LEFT} {y(tick)}H{W - RIGHT}" stroke="var(--fine)" />
		<text x={LEFT - 6} y={y(tick) + 4} text-anchor="end" font-size="13" fill="var(--ink-2)">{tick}</text>
	{/each}
	{#each x.ticks(W > 500 ? 6 : 3) as tick (tick)}
		<text x={x(tick)} y={H - 12} text-anchor="middle" font-size="13" fill="var(--ink-2)">{tick} m</text>
	{/each}
	<path d="M{LEFT} {H - BOTTOM}H{W - RIGHT}" stroke="var(--ink)" stroke-width="1.5" />
	{#each stands as { name, fromHomeM, halfM, heightM }, k (k)}
		{@const width = Math.max(3, x(fromHomeM + halfM) - x(fromHomeM - halfM))}
		{@const bad = name === worst}
		<rect
			x={x(fromHomeM) - width / 2}
			y={y(heightM)}
			{width}
			height={y(0) - y(heightM)}
			fill={bad ? 'var(--hold)' : 'var(--ink-2)'}
			opacity={bad ? 0.85 : 0.45}
		/>
		<text
			x={Math.min(W - RIGHT - 4, Math.max(LEFT + 4, x(fromHomeM)))}
			y={y(heightM) - 5}
			text-anchor={x(fromHomeM) > W - 120 ? 'end' : x(fromHomeM) < 120 ? 'start' : 'middle'}
			font-size="13"
			font-weight={bad ? 700 : 400}
			fill="var(--ink)"
			stroke="var(--sheet)"
			stroke-width="4"
			paint-order="stroke">{name}, {heightM.toFixed(0)} m</text
		>
	{/each}
	<path d={line} fill="none" stroke="var(--action)" stroke-width="2.5" stroke-linejoin="round" />
	{#if last}<circle
			cx={x(last.fromHomeM)}
			cy={y(last.heightM)}
			r="6"
			fill="var(--ink)"
			stroke="var(--sheet)"
			stroke-width="2"
		/>{/if}
</PlotFrame>
