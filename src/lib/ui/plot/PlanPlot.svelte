<script lang="ts">
	import { median } from 'd3-array';
	import NorthMap, { type MapScale } from './NorthMap.svelte';

	/** A track seen from above, north up, with the circle that holds 95 % of it. Metres. */
	type Props = {
		north: ArrayLike<number>;
		east: ArrayLike<number>;
		diameter95M: number;
		sense: 'cw' | 'ccw' | null;
		limitM: number;
	};
	let { north, east, diameter95M, sense, limitM }: Props = $props();

	const MOST_POINTS = 2500;
	const MOST_ROWS = 40;
	const points = $derived.by(() => {
		const [n, e] = [Array.from(north), Array.from(east)];
		const [n0, e0] = [median(n) ?? 0, median(e) ?? 0];
		return n.map((v, i) => ({ north: v - n0, east: e[i] - e0 }));
	});
	const thin = (most: number) => points.filter((_, i) => i % Math.max(1, Math.ceil(points.length / most)) === 0);
	const reach = $derived(
		points.reduce((far, p) => Math.max(far, Math.abs(p.north), Math.abs(p.east)), limitM / 2) * 1.12,
	);
	const path = (map: MapScale) =>
		`M${thin(MOST_POINTS)
			.map((p) => map.at(p.north, p.east))
			.map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`)
			.join('L')}`;
	const turn = (map: MapScale) => {
		const { x: c } = map.at(0, 0);
		const k = Math.max(map.px(diameter95M / 2), 26) * 0.72;
		const tip = sense === 'cw' ? c - k : c + k;
		return {
			arc: `M${c - k} ${c}A${k} ${k} 0 0 ${sense === 'cw' ? 1 : 0} ${c} ${tip}`,
			head: `M${c - 2} ${tip - 9}l14 9l-14 9z`,
		};
	};
	const table = $derived({
		head: ['north, m', 'east, m'],
		rows: thin(MOST_ROWS).map((p) => [p.north.toFixed(2), p.east.toFixed(2)]),
	});
</script>

<NorthMap
	title="Track from above: 95 % inside {diameter95M.toFixed(1)} m"
	label="Track from above, 95 percent inside {diameter95M.toFixed(1)} metres"
	reachM={reach}
	marks={[{ north: 0, east: 0, label: '', shape: 'cross' }]}
	{table}
	note="Dashed: what holds 95 % of it. Ring: the {limitM} m expected."
>
	{#snippet children(map)}
		{@const { x: c } = map.at(0, 0)}
		<path d={path(map)} fill="none" stroke={sense ? 'var(--hold)' : 'var(--ink)'} stroke-width="1.4" opacity="0.85" />
		<circle
			cx={c}
			cy={c}
			r={map.px(diameter95M / 2)}
			fill="none"
			stroke="var(--ink)"
			stroke-dasharray="5 5"
			stroke-width="1.5"
		/>
		<circle cx={c} cy={c} r={map.px(limitM / 2)} fill="none" stroke="var(--rule)" stroke-width="2" />
		{#if sense}
			{@const { arc, head } = turn(map)}
			<path d={arc} fill="none" stroke="var(--hold)" stroke-width="4" />
			<path d={head} fill="var(--hold)" />
		{/if}
	{/snippet}
</NorthMap>
