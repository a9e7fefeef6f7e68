<script lang="ts">
	import { max } from 'd3-array';
	import NorthMap, { type MapMark, type MapScale } from './NorthMap.svelte';

	/** How far out it may be and still come home with its reserve: a line round the take-off point, north up. Metres. */
	type Props = {
		title: string;
		reach: readonly { bearingDeg: number; maxDistanceM: number }[];
		aircraft: { bearingDeg: number; distanceM: number };
		windFromDeg: number;
		obstacles: readonly { bearingDeg: number; distanceM: number; name?: string }[];
	};
	let { title, reach, aircraft, windFromDeg, obstacles }: Props = $props();

	const off = (bearingDeg: number, distanceM: number) => {
		const a = (bearingDeg * Math.PI) / 180;
		return { north: distanceM * Math.cos(a), east: distanceM * Math.sin(a) };
	};
	/** Seen is what is flown, with room around it; a line far beyond that is told, not drawn small. */
	const ROOM = 5;
	const farthest = $derived(max(reach, (r) => r.maxDistanceM) ?? 0);
	const most = $derived(
		1.04 * Math.max(10, aircraft.distanceM * 1.15, Math.min(farthest, Math.max(ROOM * aircraft.distanceM, 50))),
	);
	const own = $derived(
		reach.find(({ bearingDeg }) => bearingDeg === Math.round(aircraft.bearingDeg) % 360)?.maxDistanceM ?? 0,
	);
	const nearest = $derived(reach.reduce((a, b) => (b.maxDistanceM < a.maxDistanceM ? b : a)));
	const beyond = $derived(
		nearest.maxDistanceM > most
			? ' All of its line lies beyond this map.'
			: farthest > most
				? ' Elsewhere its line lies beyond this map.'
				: '',
	);
	const craft = $derived(off(aircraft.bearingDeg, aircraft.distanceM));
	const marks = $derived<MapMark[]>([
		{ north: 0, east: 0, label: 'home', shape: 'cross' },
		...obstacles.map((o): MapMark => ({
			...off(o.bearingDeg, o.distanceM),
			label: o.name ?? '',
			shape: 'triangle',
			colour: 'var(--caution)',
		})),
		{
			...craft,
			label: `aircraft, ${aircraft.distanceM.toFixed(0)} m`,
			shape: 'dot',
			colour: aircraft.distanceM <= own ? 'var(--ink)' : 'var(--hold)',
		},
	]);
	const outline = (map: MapScale) =>
		`M${reach
			.map(({ bearingDeg, maxDistanceM }) => off(bearingDeg, maxDistanceM))
			.map(({ north, east }) => map.at(north, east))
			.map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`)
			.join('L')}Z`;
	const table = $derived({
		head: ['bearing, °', 'reach, m'],
		rows: reach
			.filter(({ bearingDeg }) => bearingDeg % 15 === 0)
			.map((r) => [String(r.bearingDeg), r.maxDistanceM.toFixed(0)]),
	});
</script>

<NorthMap
	{title}
	label="{title}. Nearest limit {nearest.maxDistanceM.toFixed(0)} metres at {nearest.bearingDeg} degrees."
	reachM={most}
	rings
	{marks}
	{windFromDeg}
	{table}
	note="Arrow: the wind.{obstacles.length > 0
		? ' Triangles: what stands there.'
		: ''} Nearest limit {nearest.maxDistanceM.toFixed(0)} m, toward {nearest.bearingDeg}°.{beyond}"
>
	{#snippet children(map)}
		{@const home = map.at(0, 0)}
		{@const at = map.at(craft.north, craft.east)}
		<path d={outline(map)} fill="var(--clear-soft)" fill-opacity="0.7" stroke="var(--clear)" stroke-width="2" />
		<line x1={home.x} y1={home.y} x2={at.x} y2={at.y} stroke="var(--ink)" stroke-dasharray="5 4" />
	{/snippet}
</NorthMap>
