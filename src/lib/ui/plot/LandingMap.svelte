<script lang="ts">
	import { DEG } from '$lib/core/frames/angles';
	import NorthMap from './NorthMap.svelte';

	/** Landings about their mark, north up, with what they share as an ellipse and the bar as a ring. Metres. */
	type Props = {
		points: readonly { distanceM?: number | undefined; bearingDeg: number }[];
		offset: {
			northM: number | null;
			eastM: number | null;
			ellipse95: { majorM: number | null; minorM: number | null; bearingDeg: number | null };
		};
		barM: number;
		windFromDeg?: number | null;
	};
	let { points, offset, barM, windFromDeg = null }: Props = $props();
	const places = $derived(
		points.map(({ distanceM = 0, bearingDeg }) => ({
			north: distanceM * Math.cos(bearingDeg * DEG),
			east: distanceM * Math.sin(bearingDeg * DEG),
		})),
	);
	const reach = $derived(
		1.15 * places.reduce((far, { north, east }) => Math.max(far, Math.abs(north), Math.abs(east)), barM),
	);
	const table = $derived({
		head: ['from the mark, m', 'toward, °'],
		rows: points.map(({ distanceM = 0, bearingDeg }) => [distanceM.toFixed(1), bearingDeg.toFixed(0)]),
	});
	const title = $derived(
		offset.northM === null
			? 'Landings about the mark'
			: `Their middle lies ${Math.hypot(offset.northM, offset.eastM ?? 0).toFixed(1)} m from the mark`,
	);
</script>

<NorthMap
	{title}
	label={title}
	reachM={reach}
	{windFromDeg}
	marks={[
		{ north: 0, east: 0, label: 'mark', shape: 'cross' },
		...places.map((place, k) => ({ ...place, label: k === places.length - 1 ? 'last' : '', shape: 'dot' as const })),
	]}
	{table}
	note="Ring: the {barM} m that its receiver is held to. Dashed: where the middle of its landings lies, nineteen in twenty."
>
	{#snippet children(map)}
		{@const mark = map.at(0, 0)}
		<circle cx={mark.x} cy={mark.y} r={map.px(barM)} fill="none" stroke="var(--ink-2)" stroke-width="1.5" />
		{#if offset.northM !== null && offset.eastM !== null && offset.ellipse95.majorM !== null}
			{@const middle = map.at(offset.northM, offset.eastM)}
			<ellipse
				cx={middle.x}
				cy={middle.y}
				rx={map.px(offset.ellipse95.minorM ?? 0)}
				ry={map.px(offset.ellipse95.majorM)}
				transform="rotate({offset.ellipse95.bearingDeg} {middle.x} {middle.y})"
				fill="none"
				stroke="var(--ink)"
				stroke-dasharray="5 5"
				stroke-width="1.5"
			/>
		{/if}
	{/snippet}
</NorthMap>
