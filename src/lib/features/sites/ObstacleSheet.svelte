<script lang="ts">
	import Select from '$lib/ui/Select.svelte';
	import { DEG, wrap360 } from '$lib/core/frames/angles';
	import { wholeQuantity } from '$lib/words/units';
	import { units } from '$lib/ui/preferences.svelte';
	import type { DraftObstacle } from './draftObstacles';

	/** A sheet in metres, north up, the home mark in its middle: a press adds an obstacle, a drag moves one. */
	type Props = {
		rows: readonly DraftObstacle[];
		onadd: (bearingDeg: number, distanceM: number) => void;
		onmove: (id: string, bearingDeg: number, distanceM: number) => void;
	};
	let { rows, onadd, onmove }: Props = $props();
	const SIZE = 320;
	const C = SIZE / 2;
	const REACHES = [50, 100, 250, 500, 1000];
	let reachM = $state(100);
	let sheet = $state<SVGSVGElement>();
	let held = $state<string | null>(null);

	const k = $derived((C - 14) / reachM);
	const placed = $derived(
		rows.flatMap(({ id, name, bearingDeg, distanceM }, index) => {
			if (bearingDeg === undefined || distanceM === undefined) return [];
			const angle = bearingDeg * DEG;
			const at = { x: C + k * distanceM * Math.sin(angle), y: C - k * distanceM * Math.cos(angle) };
			return [{ id, label: name || String(index + 1), ...at }];
		}),
	);
	/** Where a pointer is, as bearing and distance; to whole degrees and half metres, as a hand draws. */
	function seen(event: PointerEvent): [bearingDeg: number, distanceM: number] | null {
		const box = sheet?.getBoundingClientRect();
		if (!box) return null;
		const east = (((event.clientX - box.left) / box.width) * SIZE - C) / k;
		const north = (C - ((event.clientY - box.top) / box.height) * SIZE) / k;
		return [Math.round(wrap360(Math.atan2(east, north) / DEG)) % 360, Math.round(2 * Math.hypot(north, east)) / 2];
	}
	function press(event: PointerEvent) {
		if (held !== null) return;
		const at = seen(event);
		if (at && at[1] <= reachM) onadd(...at);
	}
	function drag(event: PointerEvent) {
		const at = held === null ? null : seen(event);
		if (held !== null && at) onmove(held, ...at);
	}
</script>

<div class="my-3">
	<Select
		class="max-w-48"
		label="Distance to the edge"
		value={reachM}
		options={REACHES.map((m) => ({ value: m, label: wholeQuantity(m, 'height', units()) }))}
		onchange={(next) => (reachM = next)}
	/>
	<!-- The fields beside it do the same by keys. -->
	<svg
		bind:this={sheet}
		viewBox="0 0 {SIZE} {SIZE}"
		class="mt-2 block w-full max-w-[360px] touch-none border border-rule bg-sheet"
		role="img"
		aria-label="Sheet about the home mark, north up: press where something stands"
		onpointerdown={press}
		onpointermove={drag}
		onpointerup={() => (held = null)}
		onpointerleave={() => (held = null)}
	>
		{#each [0.25, 0.5, 0.75, 1] as share (share)}
			<circle cx={C} cy={C} r={share * (C - 14)} fill="none" stroke="var(--rule)" />
		{/each}
		<path d="M{C} 14V{SIZE - 14}M14 {C}H{SIZE - 14}" stroke="var(--fine)" />
		<text x={C + 5} y="13" font-size="13" font-weight="700" fill="var(--ink)">N</text>
		<path d="M{C - 8} {C}h16M{C} {C - 8}v16" stroke="var(--ink)" stroke-width="2.5" />
		{#each placed as { id, label, x, y } (id)}
			<!-- svelte-ignore a11y_no_static_element_interactions -->
			<g
				class="cursor-move"
				onpointerdown={(event) => {
					event.stopPropagation();
					held = id;
				}}
			>
				<circle cx={x} cy={y} r="16" fill="transparent" />
				<path d="M{x - 8} {y + 6}h16l-8 -15z" fill="var(--ink)" />
				<text
					x={x + 10}
					y={y + 4}
					font-size="13"
					font-weight="700"
					fill="var(--ink)"
					stroke="var(--sheet)"
					stroke-width="4"
					paint-order="stroke">{label}</text
				>
			</g>
		{/each}
	</svg>
	<p class="mt-1 mb-0 text-small text-ink-2">
		Press where something stands; drag it to where it belongs. Names and heights below.
	</p>
</div>
