<script lang="ts">
	import { scaleLinear } from 'd3-scale';

	/** How far out it may be and still come home with its reserve: a line round the take-off point, north up. Metres. */
	type Props = {
		title: string;
		reach: readonly { bearingDeg: number; maxDistanceM: number }[];
		aircraft: { bearingDeg: number; distanceM: number };
		windFromDeg: number;
		obstacles: readonly { bearingDeg: number; distanceM: number }[];
	};
	let { title, reach, aircraft, windFromDeg, obstacles }: Props = $props();

	const SIZE = 420;
	const C = SIZE / 2;
	const R = C - 26;
	const most = $derived(Math.max(10, aircraft.distanceM * 1.15, ...reach.map((r) => r.maxDistanceM)) * 1.04);
	const k = $derived(scaleLinear().domain([0, most]).range([0, R]));
	const at = (bearingDeg: number, distanceM: number) => {
		const a = (bearingDeg * Math.PI) / 180;
		return { x: C + k(distanceM) * Math.sin(a), y: C - k(distanceM) * Math.cos(a) };
	};
	const outline = $derived(
		reach
			.map(({ bearingDeg, maxDistanceM }) => at(bearingDeg, maxDistanceM))
			.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`)
			.join('') + 'Z',
	);
	const craft = $derived(at(aircraft.bearingDeg, aircraft.distanceM));
	const own = $derived(
		reach.find(({ bearingDeg }) => bearingDeg === Math.round(aircraft.bearingDeg) % 360)?.maxDistanceM ?? 0,
	);
	const inside = $derived(aircraft.distanceM <= own);
	const nearest = $derived(reach.reduce((a, b) => (b.maxDistanceM < a.maxDistanceM ? b : a)));
	const windX = $derived(C + (R + 8) * Math.sin((windFromDeg * Math.PI) / 180));
	const windY = $derived(C - (R + 8) * Math.cos((windFromDeg * Math.PI) / 180));
</script>

<figure class="m-0">
	<figcaption class="font-semibold">{title}</figcaption>
	<svg
		viewBox="0 0 {SIZE} {SIZE}"
		class="block w-full max-w-[440px]"
		role="img"
		aria-label="{title}. Nearest limit {nearest.maxDistanceM.toFixed(0)} metres at {nearest.bearingDeg} degrees."
	>
		<path d={outline} fill="var(--clear-soft)" fill-opacity="0.7" stroke="var(--clear)" stroke-width="2" />
		{#each k.ticks(4).filter((t) => t > 0) as tick (tick)}
			<circle cx={C} cy={C} r={k(tick)} fill="none" stroke="var(--rule)" />
			<text x={C + 4} y={C + k(tick) - 4} font-size="12" fill="var(--ink-2)">{tick} m</text>
		{/each}
		<path d="M{C} 20V{SIZE - 20}M20 {C}H{SIZE - 20}" stroke="var(--rule)" />
		<text x={C} y="14" text-anchor="middle" font-size="14" font-weight="700" fill="var(--ink)">N</text>
		{#each obstacles as o, i (i)}
			{@const p = at(o.bearingDeg, o.distanceM)}
			<path d="M{p.x - 6} {p.y + 5}h12l-6 -11z" fill="var(--caution)" />
		{/each}
		<line x1={C} y1={C} x2={craft.x} y2={craft.y} stroke="var(--ink)" stroke-dasharray="5 4" />
		<path d="M{C - 7} {C}h14M{C} {C - 7}v14" stroke="var(--ink)" stroke-width="2.5" />
		<circle
			cx={craft.x}
			cy={craft.y}
			r="7"
			fill={inside ? 'var(--ink)' : 'var(--hold)'}
			stroke="var(--sheet)"
			stroke-width="2"
		/>
		<text
			x={craft.x + (craft.x > C ? -12 : 12)}
			y={craft.y + (craft.y > C ? 20 : -12)}
			text-anchor={craft.x > C ? 'end' : 'start'}
			font-size="14"
			font-weight="700"
			fill={inside ? 'var(--ink)' : 'var(--hold)'}>aircraft, {aircraft.distanceM.toFixed(0)} m</text
		>
		<g transform="translate({windX} {windY}) rotate({windFromDeg + 180})">
			<path d="M0 -26V8M-6 -17L0 -27L6 -17" fill="none" stroke="var(--action)" stroke-width="2.5" />
		</g>
	</svg>
	<p class="m-0 text-[14px] text-ink-2">
		Arrow: the wind. Cross: home. Nearest limit {nearest.maxDistanceM.toFixed(0)} m, toward {nearest.bearingDeg}°.
	</p>
	<details class="no-print text-[14px]">
		<summary class="cursor-pointer text-action">As a table</summary>
		<table class="max-w-xs">
			<thead><tr><th scope="col">bearing, °</th><th scope="col" class="num">reach, m</th></tr></thead>
			<tbody
				>{#each reach.filter(({ bearingDeg }) => bearingDeg % 15 === 0) as r (r.bearingDeg)}<tr
						><td class="font-mono">{r.bearingDeg}</td><td class="num">{r.maxDistanceM.toFixed(0)}</td></tr
					>{/each}</tbody
			>
		</table>
	</details>
</figure>
