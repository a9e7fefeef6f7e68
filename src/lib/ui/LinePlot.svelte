<script lang="ts">
	import { extent } from 'd3-array';
	import { scaleLinear, scaleLog } from 'd3-scale';
	import { line } from 'd3-shape';

	/** Quantities over another: direct labels, limits drawn in, the value in question marked, a table view. */
	type Point = { x: number; y: number };
	type Line = { label: string; points: readonly Point[]; dashed?: boolean; colour?: string };
	type Props = {
		title: string;
		xLabel: string;
		yLabel: string;
		lines: readonly Line[];
		/** A band of ±so much about zero. */
		band?: number | null;
		bandLabel?: string;
		limits?: readonly { y: number; label: string }[];
		marks?: readonly { x: number; label: string }[];
		log?: boolean;
		height?: number;
	};
	let {
		title,
		xLabel,
		yLabel,
		lines,
		band = null,
		bandLabel = '',
		limits = [],
		marks = [],
		log = false,
		height = 190,
	}: Props = $props();

	let shown = $state(640);
	/** Drawn at the width it has, so that its text keeps its size. */
	const W = $derived(Math.max(260, shown));
	const M = { top: 20, right: 14, bottom: 34, left: 54 };
	const MOST_ROWS = 24;
	/** Lines are told apart by dash and label as well as by shade. */
	const LOOKS = [
		{ colour: 'var(--ink)', dash: '' },
		{ colour: 'var(--action)', dash: '7 3' },
		{ colour: 'var(--caution)', dash: '2 3' },
		{ colour: 'var(--ink-2)', dash: '10 3 2 3' },
	];
	const looks = $derived(
		lines.map(({ dashed, colour }, k) => {
			const look = LOOKS[k % LOOKS.length];
			return { colour: colour ?? (dashed ? 'var(--ink-2)' : look.colour), dash: dashed ? '4 4' : look.dash };
		}),
	);

	const ok = (p: Point) => Number.isFinite(p.x) && Number.isFinite(p.y) && (!log || (p.x > 0 && p.y > 0));
	const all = $derived(lines.flatMap(({ points }) => points.filter(ok)));
	const scaleOf = $derived(log ? scaleLog : scaleLinear);
	const x = $derived(
		scaleOf()
			.domain(extent([...all.map((p) => p.x), ...marks.map((m) => m.x)]) as [number, number])
			.range([M.left, W - M.right]),
	);
	const y = $derived.by(() => {
		const more = [...(band === null ? [] : [band, -band]), ...limits.map((l) => l.y)];
		const [low, high] = extent([...all.map((p) => p.y), ...more]) as [number, number];
		const range = [height - M.bottom, M.top];
		if (log)
			return scaleLog()
				.domain([low * 0.8, high * 1.25])
				.range(range);
		const pad = (high - low || Math.abs(high) || 1) * 0.08;
		return scaleLinear()
			.domain([low >= 0 && low < pad * 4 ? 0 : low - pad, high + pad])
			.nice(4)
			.range(range);
	});
	const path = $derived(
		line<Point>()
			.defined(ok)
			.x((p) => x(p.x))
			.y((p) => y(p.y)),
	);
	/** Labels stand at the lines' ends, moved apart where they would cover one another. */
	const labels = $derived.by(() => {
		const named = lines
			.map(({ label, points }, k) => ({ label, at: points.findLast(ok), k }))
			.flatMap(({ label, at, k }) => (label && at ? [{ label, k, py: y(at.y) - 6 }] : []))
			.sort((a, b) => a.py - b.py);
		for (let i = 1; i < named.length; i++) named[i].py = Math.max(named[i].py, named[i - 1].py + 15);
		return named;
	});
	const upright = $derived(log ? x.ticks(4) : x.ticks(W < 420 ? 4 : 7));
	const level = $derived(log ? y.ticks(3) : y.ticks(4));
	const short = (v: number) => (Math.abs(v) >= 1e4 || (v !== 0 && Math.abs(v) < 1e-3) ? v.toExponential(0) : String(v));
	const rows = $derived.by(() => {
		const first = lines[0]?.points ?? [];
		const step = Math.max(1, Math.ceil(first.length / MOST_ROWS));
		return first
			.map((p, k) => ({ x: p.x, ys: lines.map(({ points }) => points[k]?.y ?? null) }))
			.filter((_, k) => k % step === 0);
	});
	const cell = (v: number | null) => (v === null ? '–' : Number(v.toPrecision(4)).toString());
</script>

{#if all.length > 1}
	<figure class="m-0" bind:clientWidth={shown}>
		<figcaption class="font-semibold">{title}</figcaption>
		<svg viewBox="0 0 {W} {height}" class="block w-full" role="img" aria-label="{title}. {yLabel} over {xLabel}.">
			{#if band !== null}
				<rect
					x={M.left}
					width={W - M.left - M.right}
					y={y(band)}
					height={y(-band) - y(band)}
					fill="var(--clear-soft)"
				/>
				<text x={W - M.right - 4} y={y(band) - 4} text-anchor="end" font-size="13" fill="var(--clear)">{bandLabel}</text
				>
			{/if}
			{#each level as tick (tick)}
				<line x1={M.left} x2={W - M.right} y1={y(tick)} y2={y(tick)} stroke="var(--fine)" />
				<text x={M.left - 6} y={y(tick) + 4} text-anchor="end" font-size="13" fill="var(--ink-2)">{short(tick)}</text>
			{/each}
			{#each upright as tick (tick)}
				<text x={x(tick)} y={height - M.bottom + 16} text-anchor="middle" font-size="13" fill="var(--ink-2)"
					>{short(tick)}</text
				>
			{/each}
			<line x1={M.left} x2={W - M.right} y1={height - M.bottom} y2={height - M.bottom} stroke="var(--rule)" />
			<text x={W - M.right} y={height - 3} text-anchor="end" font-size="13" fill="var(--ink-2)">{xLabel}</text>
			<text x="2" y="12" font-size="13" fill="var(--ink-2)">{yLabel}</text>
			{#each limits as limit, k (k)}
				<line
					x1={M.left}
					x2={W - M.right}
					y1={y(limit.y)}
					y2={y(limit.y)}
					stroke="var(--hold)"
					stroke-dasharray="6 4"
				/>
				<text x={M.left + 6} y={y(limit.y) - 4} font-size="13" fill="var(--hold)">{limit.label}</text>
			{/each}
			{#each marks as mark, k (k)}
				<line
					x1={x(mark.x)}
					x2={x(mark.x)}
					y1={M.top}
					y2={height - M.bottom}
					stroke="var(--action)"
					stroke-dasharray="3 4"
				/>
				<text
					x={x(mark.x) + (x(mark.x) > W - 120 ? -5 : 5)}
					y={M.top + 10 + 15 * (k % 3)}
					text-anchor={x(mark.x) > W - 120 ? 'end' : 'start'}
					font-size="13"
					fill="var(--action)">{mark.label}</text
				>
			{/each}
			{#each lines as { points }, k (k)}
				<path
					d={path(points) ?? ''}
					fill="none"
					stroke={looks[k].colour}
					stroke-width={looks[k].dash ? 1.7 : 2}
					stroke-dasharray={looks[k].dash || undefined}
				/>
			{/each}
			{#each labels as { label, k, py } (k)}
				<text x={W - M.right - 2} y={py} text-anchor="end" font-size="14" font-weight="700" fill={looks[k].colour}
					>{label}</text
				>
			{/each}
		</svg>
		<details class="no-print text-[14px]">
			<summary class="cursor-pointer text-action">As a table</summary>
			<table class="max-w-xl">
				<thead
					><tr
						><th scope="col">{xLabel}</th>{#each lines as { label }, k (k)}<th scope="col" class="num"
								>{label || yLabel}</th
							>{/each}</tr
					></thead
				>
				<tbody>
					{#each rows as row, index (index)}<tr
							><td class="font-mono">{cell(row.x)}</td>{#each row.ys as v, k (k)}<td class="num">{cell(v)}</td
								>{/each}</tr
						>{/each}
				</tbody>
			</table>
		</details>
	</figure>
{/if}
