<script lang="ts">
	import { extent } from 'd3-array';
	import { scaleLinear } from 'd3-scale';
	import { localTrack } from '$lib/core/hover/track';
	import { toUnit, unitSymbol, type Quantity } from '$lib/words/units';
	import type { HoverRequest } from '$lib/schema/hover';
	import Button from '$lib/ui/Button.svelte';
	import Slider from '$lib/ui/Slider.svelte';
	import { showClock } from '$lib/ui/format';
	import NorthMap, { type MapScale } from '$lib/ui/plot/NorthMap.svelte';
	import { units } from '$lib/ui/preferences.svelte';
	import type { WholeFlight } from './hoverState.svelte';

	/** A flight played back: from above, and height, speed, heading, satellites, volts and temperature under one cursor. */
	let { request, looked }: { request: HoverRequest; looked: WholeFlight['looked'] } = $props();
	const [W, H, THIN] = [600, 54, 600];
	const PACES = [1, 4, 16] as const;

	interface Trace {
		label: string;
		unit: string;
		digits: number;
		t: ArrayLike<number>;
		values: ArrayLike<number>;
	}
	const track = $derived(localTrack(request));
	const [start, end] = $derived([track.t[0], track.t[track.t.length - 1]]);
	/** Speed over ground from the places, over a second about each. */
	const speed = $derived.by(() => {
		const { t, north, east } = track;
		let [a, b] = [0, 0];
		return Float64Array.from(t, (at) => {
			while (a < t.length - 1 && t[a] < at - 0.5) a++;
			while (b < t.length - 1 && t[b] < at + 0.5) b++;
			const dt = t[b] - t[a];
			return dt > 0 ? Math.hypot(north[b] - north[a], east[b] - east[a]) / dt : 0;
		});
	});
	const inUnit = (values: ArrayLike<number>, quantity: Quantity) =>
		Float64Array.from(values as ArrayLike<number>, (v) => toUnit(v, quantity, units()));
	const traces = $derived<Trace[]>([
		{
			label: 'Height',
			unit: unitSymbol('height', units()),
			digits: 1,
			t: track.t,
			values: inUnit(track.up, 'height'),
		},
		{
			label: 'Speed',
			unit: unitSymbol('speed', units()),
			digits: 1,
			...(looked?.speed
				? { t: looked.t, values: inUnit(looked.speed, 'speed') }
				: { t: track.t, values: inUnit(speed, 'speed') }),
		},
		...(request.heading
			? [
					{
						label: 'Heading',
						unit: '°',
						digits: 0,
						t: request.heading.t,
						values: Float64Array.from(request.heading.deg, (d) => ((d % 360) + 360) % 360),
					},
				]
			: []),
		...(request.quality?.satellites
			? [{ label: 'Satellites', unit: '', digits: 0, t: request.quality.t, values: request.quality.satellites }]
			: []),
		...(looked?.voltage ? [{ label: 'Voltage', unit: 'V', digits: 2, t: looked.t, values: looked.voltage }] : []),
		...(looked?.temperature
			? [
					{
						label: 'Temperature',
						unit: unitSymbol('temperature', units()),
						digits: 0,
						t: looked.t,
						values: inUnit(looked.temperature, 'temperature'),
					},
				]
			: []),
	]);

	// svelte-ignore state_referenced_locally
	let at = $state(localTrack(request).t[0]);
	let pace = $state<number | null>(null);
	$effect(() => {
		if (pace === null) return;
		let last = performance.now();
		let frame = requestAnimationFrame(function step(now) {
			at = Math.min(end, at + ((now - last) / 1000) * (pace ?? 0));
			last = now;
			if (at >= end) pace = null;
			else frame = requestAnimationFrame(step);
		});
		return () => cancelAnimationFrame(frame);
	});

	/** The last point at or before a time. */
	function indexAt(t: ArrayLike<number>, when: number): number {
		let [low, high] = [0, t.length - 1];
		while (low < high) {
			const middle = (low + high + 1) >> 1;
			if (t[middle] <= when) low = middle;
			else high = middle - 1;
		}
		return low;
	}
	const x = $derived(scaleLinear([start, end], [0, W]));
	const pathOf = ({ t, values }: Trace) => {
		const step = Math.max(1, Math.ceil(t.length / THIN));
		const [low = 0, high = 1] = extent(Array.from(values));
		const y = scaleLinear([low, high > low ? high : low + 1], [H - 4, 4]);
		const parts: string[] = [];
		for (let i = 0; i < t.length; i += step) parts.push(`${x(t[i]).toFixed(1)} ${y(values[i]).toFixed(1)}`);
		return `M${parts.join('L')}`;
	};
	const drawn = $derived(traces.map((trace) => ({ ...trace, path: pathOf(trace) })));
	const middle = $derived.by(() => {
		const [n0 = 0, n1 = 0] = extent(track.north);
		const [e0 = 0, e1 = 0] = extent(track.east);
		return { north: (n0 + n1) / 2, east: (e0 + e1) / 2, reach: Math.max(2, n1 - n0, e1 - e0) * 0.56 };
	});
	const from = (map: MapScale, to: number) => {
		const step = Math.max(1, Math.ceil(track.t.length / 1500));
		const parts: string[] = [];
		for (let i = 0; i <= to; i += step) {
			const p = map.at(track.north[i], track.east[i]);
			parts.push(`${p.x.toFixed(1)} ${p.y.toFixed(1)}`);
		}
		return `M${parts.join('L')}`;
	};
	const here = $derived(indexAt(track.t, at));
</script>

<div class="grid gap-6 md:grid-cols-[minmax(0,340px)_minmax(0,1fr)]">
	<NorthMap
		title="From above"
		label="The flight from above, and where it is at {showClock(at - start)}"
		reachM={middle.reach}
		centre={middle}
		marks={[{ north: track.north[here], east: track.east[here], label: '', shape: 'dot', colour: 'var(--action)' }]}
	>
		{#snippet children(map)}
			<path d={from(map, track.t.length - 1)} fill="none" stroke="var(--ink-2)" stroke-width="1" opacity="0.5" />
			<path d={from(map, here)} fill="none" stroke="var(--ink)" stroke-width="2" />
		{/snippet}
	</NorthMap>
	<div class="grid content-start gap-1">
		{#each drawn as { label, unit, digits, t, values, path }, k (k)}
			<div class="grid grid-cols-[7.5rem_minmax(0,1fr)] items-center gap-3">
				<span
					><span class="block text-note text-ink-2">{label}</span><b class="figure-mono text-lead"
						>{values[indexAt(t, at)].toFixed(digits).replace('-', '−')} {unit}</b
					></span
				>
				<svg
					viewBox="0 0 {W} {H}"
					preserveAspectRatio="none"
					class="block h-[54px] w-full bg-fine/40"
					aria-hidden="true"
				>
					<path d={path} fill="none" stroke="var(--ink)" stroke-width="1.5" vector-effect="non-scaling-stroke" />
					<line
						x1={x(at)}
						x2={x(at)}
						y1="0"
						y2={H}
						stroke="var(--action)"
						stroke-width="2"
						vector-effect="non-scaling-stroke"
					/>
				</svg>
			</div>
		{/each}
		<div class="mt-2 flex flex-wrap items-end gap-3">
			<Slider
				label="Time"
				said={showClock(at - start)}
				min={start}
				max={end}
				step={(end - start) / 2000}
				value={at}
				onchange={(v) => ([at, pace] = [v, null])}
			/>
			{#if pace !== null}<Button onclick={() => (pace = null)}>Stop</Button>
			{:else}
				{#each PACES as times (times)}
					<Button
						onclick={() => {
							if (at >= end) at = start;
							pace = times;
						}}>{times === 1 ? 'Play' : `${times} × as fast`}</Button
					>
				{/each}
			{/if}
		</div>
	</div>
</div>
