<script lang="ts">
	import { bisectCenter, sort } from 'd3-array';
	import { line } from 'd3-shape';
	import {
		drawable,
		heightScale,
		nearest,
		readAxis,
		readText,
		scaleOver,
		ticksOf,
		tickText,
		zoomed,
		type Point,
	} from './lineView';
	import { labelWidth, rowsOf, spread } from './place';
	import PlotFrame, { type PlotTable } from './PlotFrame.svelte';

	/**
	 * Quantities over another: direct labels, limits drawn in, the value in question marked. Values are read off by pointer or
	 * keys; a long log is come nearer to.
	 */
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
		height: asked = 190,
	}: Props = $props();

	let clientWidth = $state(640);
	/** What is seen of the axis; all of it where null. */
	let window = $state.raw<readonly [number, number] | null>(null);
	/** Where values are read off. */
	let at = $state<number | null>(null);
	let dragged = $state.raw<readonly [number, number] | null>(null);

	const MOST_ROWS = 24;
	/** From so many points on a curve is long enough to come nearer to. */
	const LONG = 60;
	const MARK_ROW = 15;
	/** So few are seen one by one. */
	const FEW = 24;
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

	const ok = $derived(drawable(log));
	const few = $derived(
		// A dashed line is what is expected, not what was measured.
		lines.flatMap(({ points, dashed }, k) =>
			dashed || points.length > FEW
				? []
				: points
						.filter((point) => ok(point) && point.x >= domain[0] && point.x <= domain[1])
						.map((point) => ({ point, colour: looks[k].colour })),
		),
	);
	const all = $derived(lines.flatMap(({ points }) => points.filter(ok)));
	const whole = $derived(
		scaleOver([...all.map((p) => p.x), ...marks.map((m) => m.x)], [0, 1], log).domain() as [number, number],
	);
	const domain = $derived(window ?? whole);
	/** Every place that has a value, in order: the steps of the keys. */
	const places = $derived(sort(new Set(all.map((p) => p.x).filter((v) => v >= domain[0] && v <= domain[1]))));

	/** Drawn at the width it has, so that its text keeps its size. */
	const W = $derived(Math.max(260, clientWidth));
	const [left, right] = [54, 14];
	const x = $derived(scaleOver(domain, [left, W - right], log));
	/** Labels of marks stand in rows above the drawing, beside their marks. */
	const flags = $derived.by(() => {
		const seen = marks.filter((m) => m.x >= domain[0] && m.x <= domain[1]);
		const placed = seen.map(({ x: v, label }) => {
			const width = labelWidth(label);
			const from = Math.max(left, Math.min(x(v) + 4, W - width));
			return { at: x(v), label, from, to: from + width };
		});
		return placed.map((flag, k) => ({ ...flag, row: rowsOf(placed)[k] }));
	});
	const top = $derived(20 + (flags.length > 0 ? 6 + MARK_ROW * (1 + Math.max(...flags.map(({ row }) => row))) : 0));
	const height = $derived(asked + top - 20);
	const floor = $derived(height - 34);
	const y = $derived.by(() => {
		const seen = all.filter((p) => p.x >= domain[0] && p.x <= domain[1]).map((p) => p.y);
		const more = [...(band === null ? [] : [band, -band]), ...limits.map((l) => l.y)];
		return heightScale([...seen, ...more], [floor, top], log);
	});
	const path = $derived(
		line<Point>()
			.defined(ok)
			.x((p) => x(p.x))
			.y((p) => y(p.y)),
	);
	/** Labels of lines, band and limits, all at the right, a line apart. */
	const labels = $derived.by(() => {
		const inView = (p: Point) => ok(p) && p.x >= domain[0] && p.x <= domain[1];
		const named = [
			...lines.flatMap(({ label, points }, k) => {
				const end = points.findLast(inView);
				return label && end ? [{ label, colour: looks[k].colour, bold: true, wanted: y(end.y) - 6 }] : [];
			}),
			...limits.map(({ label, y: v }) => ({ label, colour: 'var(--hold)', bold: false, wanted: y(v) - 4 })),
			...(band !== null && bandLabel
				? [{ label: bandLabel, colour: 'var(--clear)', bold: false, wanted: y(band) - 4 }]
				: []),
		];
		const placed = spread(
			named.map(({ wanted }) => wanted),
			top + 10,
			floor - 4,
		);
		return named.map((label, k) => ({ ...label, py: placed[k] }));
	});

	const read = $derived(
		at === null ? [] : lines.map(({ label, points }) => ({ label, point: nearest(points, at ?? 0, ok) })),
	);
	const readout = $derived.by(() => {
		const found = read.find(({ point }) => point)?.point;
		if (!found) return '';
		const values = read.flatMap(({ label, point }) =>
			point ? [lines.length > 1 ? `${label} ${readText(point.y)}` : readAxis(yLabel, point.y)] : [],
		);
		return [readAxis(xLabel, found.x), ...values].join(' · ');
	});

	const clampTo = (v: number) => Math.max(domain[0], Math.min(domain[1], v));
	const place = (event: PointerEvent & { currentTarget: HTMLElement }) => {
		const { left: from, width } = event.currentTarget.getBoundingClientRect();
		return clampTo(x.invert(left + ((event.clientX - from) / width) * (W - left - right)));
	};
	function nearer(times: number) {
		if (log) {
			const [a, b] = [domain, whole].map(([low, high]) => [Math.log(low), Math.log(high)] as const);
			window = zoomed(a, b, at === null ? (a[0] + a[1]) / 2 : Math.log(at), times).map(Math.exp) as [number, number];
		} else window = zoomed(domain, whole, at ?? (domain[0] + domain[1]) / 2, times);
		if (window[0] <= whole[0] && window[1] >= whole[1]) window = null;
	}
	function step(by: number) {
		const now = at === null ? (by > 0 ? -1 : places.length) : bisectCenter(places, at);
		at = places[Math.max(0, Math.min(places.length - 1, now + by))] ?? null;
	}
	const KEYS: Record<string, () => void> = {
		ArrowRight: () => step(1),
		ArrowLeft: () => step(-1),
		PageUp: () => step(Math.ceil(places.length / 20)),
		PageDown: () => step(-Math.ceil(places.length / 20)),
		Home: () => (at = places[0] ?? null),
		End: () => (at = places[places.length - 1] ?? null),
		Escape: () => ([at, window] = [null, null]),
		'+': () => nearer(2),
		'-': () => nearer(0.5),
		'0': () => (window = null),
	};
	function onkeydown(event: KeyboardEvent) {
		const act = KEYS[event.key];
		if (!act || event.ctrlKey || event.metaKey || event.altKey) return;
		act();
		event.preventDefault();
		event.stopPropagation();
	}
	/** A mouse draws over what it wants to see nearer; a finger only reads off. */
	function release() {
		if (dragged && Math.abs(x(dragged[1]) - x(dragged[0])) > 12) window = [Math.min(...dragged), Math.max(...dragged)];
		dragged = null;
	}

	const table = $derived.by((): PlotTable => {
		const first = lines[0]?.points ?? [];
		const every = Math.max(1, Math.ceil(first.length / MOST_ROWS));
		return {
			head: [xLabel, ...lines.map(({ label }) => label || yLabel)],
			rows: first
				.map((p, k) => [readText(p.x), ...lines.map(({ points }) => readText(points[k]?.y ?? null))])
				.filter((_, k) => k % every === 0),
		};
	});
	const long = $derived(all.length / Math.max(1, lines.length) > LONG);
	const clip = $props.id();
	const tool = 'cursor-pointer border-0 bg-transparent p-0 py-2 text-action underline-offset-2 hover:underline';
</script>

{#if all.length > 1}
	<PlotFrame
		{title}
		label="{title}. {yLabel} over {xLabel}."
		width={W}
		{height}
		{table}
		{readout}
		wide
		bind:clientWidth
	>
		{#snippet tools()}
			{#if long}
				<button type="button" class={tool} onclick={() => nearer(2)} aria-label="Nearer: {title}">Nearer</button>
				{#if window}<button
						type="button"
						class={tool}
						onclick={() => (window = null)}
						aria-label="The whole again: {title}">The whole again</button
					>{/if}
			{/if}
		{/snippet}
		{#snippet overlay()}
			<div
				class="no-print absolute touch-pan-y"
				style="left:{(100 * left) / W}%;right:{(100 * right) / W}%;top:{(100 * top) / height}%;bottom:{(100 * 34) /
					height}%"
				role="slider"
				tabindex="0"
				aria-label="Read off: {title}"
				aria-valuemin={domain[0]}
				aria-valuemax={domain[1]}
				aria-valuenow={at ?? domain[0]}
				aria-valuetext={readout || 'nothing read off; arrow keys move'}
				{onkeydown}
				onpointermove={(event) => {
					at = place(event);
					if (dragged) dragged = [dragged[0], at];
				}}
				onpointerdown={(event) => {
					at = place(event);
					if (event.pointerType === 'mouse' && event.button === 0 && long) {
						event.currentTarget.setPointerCapture(event.pointerId);
						dragged = [at, at];
					}
				}}
				onpointerup={release}
				onpointercancel={() => (dragged = null)}
				onpointerleave={(event) => {
					if (event.pointerType === 'mouse' && !dragged) at = null;
				}}
			></div>
		{/snippet}
		<clipPath id={clip}><rect x={left} y="0" width={W - left - right} {height} /></clipPath>
		{#if band !== null}
			<rect x={left} width={W - left - right} y={y(band)} height={y(-band) - y(band)} fill="var(--clear-soft)" />
		{/if}
		{#each ticksOf(y, log ? 5 : 4, log) as tick (tick)}
			<line x1={left} x2={W - right} y1={y(tick)} y2={y(tick)} stroke="var(--fine)" />
			{#if y(tick) > 24}<text x={left - 6} y={y(tick) + 4} text-anchor="end" font-size="13" fill="var(--ink-2)"
					>{tickText(tick)}</text
				>{/if}
		{/each}
		{#each ticksOf(x, W < 420 ? 4 : 7, log) as tick (tick)}
			<line x1={x(tick)} x2={x(tick)} y1={floor} y2={floor + 4} stroke="var(--rule)" />
			<text x={x(tick)} y={floor + 16} text-anchor="middle" font-size="13" fill="var(--ink-2)">{tickText(tick)}</text>
		{/each}
		<line x1={left} x2={W - right} y1={floor} y2={floor} stroke="var(--rule)" />
		<text x={W - right} y={height - 3} text-anchor="end" font-size="13" fill="var(--ink-2)">{xLabel}</text>
		<text x="2" y="12" font-size="13" fill="var(--ink-2)">{yLabel}</text>
		{#each limits as limit, k (k)}
			<line x1={left} x2={W - right} y1={y(limit.y)} y2={y(limit.y)} stroke="var(--hold)" stroke-dasharray="6 4" />
		{/each}
		{#each flags as flag, k (k)}
			<line
				x1={flag.at}
				x2={flag.at}
				y1={20 + MARK_ROW * flag.row}
				y2={floor}
				stroke="var(--action)"
				stroke-dasharray="3 4"
			/>
			<text x={flag.from} y={31 + MARK_ROW * flag.row} font-size="13" fill="var(--action)">{flag.label}</text>
		{/each}
		<g clip-path="url(#{clip})">
			{#each lines as { points }, k (k)}
				<path
					d={path(points) ?? ''}
					fill="none"
					stroke={looks[k].colour}
					stroke-width={looks[k].dash ? 1.7 : 2}
					stroke-dasharray={looks[k].dash || undefined}
				/>
			{/each}
		</g>
		{#each few as { point, colour }, k (k)}<circle cx={x(point.x)} cy={y(point.y)} r="3" fill={colour} />{/each}
		{#each labels as { label, colour, bold, py }, k (k)}
			<text
				x={W - right - 2}
				y={py}
				text-anchor="end"
				font-size={bold ? 14 : 13}
				font-weight={bold ? 700 : 400}
				fill={colour}
				stroke="var(--sheet)"
				stroke-width="4"
				paint-order="stroke">{label}</text
			>
		{/each}
		{#if dragged}
			<rect
				x={Math.min(x(dragged[0]), x(dragged[1]))}
				width={Math.abs(x(dragged[1]) - x(dragged[0]))}
				y={top}
				height={floor - top}
				fill="var(--action)"
				opacity="0.15"
			/>
		{/if}
		{#each read as { point }, k (k)}
			{#if point && point.x >= domain[0] && point.x <= domain[1]}
				{#if k === 0}<line x1={x(point.x)} x2={x(point.x)} y1={top} y2={floor} stroke="var(--ink-2)" />{/if}
				<circle cx={x(point.x)} cy={y(point.y)} r="4" fill={looks[k].colour} stroke="var(--sheet)" stroke-width="1.5" />
			{/if}
		{/each}
	</PlotFrame>
{/if}
