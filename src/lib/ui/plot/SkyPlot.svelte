<script lang="ts">
	import type { Satellite } from '$lib/schema/gnss';
	import PlotFrame from './PlotFrame.svelte';

	/** Satellites by bearing and height above the horizon, north up: used ones filled, others hollow. */
	let { sky }: { sky: Satellite[] } = $props();
	const R = 118;
	const C = 136;
	const placed = $derived(
		sky.flatMap((s) => {
			if (s.elevationDeg === null || s.azimuthDeg === null) return [];
			const r = (R * (90 - s.elevationDeg)) / 90;
			const a = (s.azimuthDeg * Math.PI) / 180;
			return [{ ...s, x: C + r * Math.sin(a), y: C - r * Math.cos(a) }];
		}),
	);
	const used = $derived(sky.filter((s) => s.used).length);
	const degrees = (v: number | null) => (v === null ? '–' : `${v}°`);
	const table = $derived({
		head: ['satellite', 'height', 'bearing', 'dB', 'used'],
		rows: sky.map((s) => [
			`${s.system} ${s.id}`,
			degrees(s.elevationDeg),
			degrees(s.azimuthDeg),
			String(s.snrDb ?? '–'),
			s.used ? 'yes' : 'no',
		]),
	});
</script>

<PlotFrame
	title="{used} used of {sky.length} in view"
	label="Sky: {used} of {sky.length} satellites used"
	width={272}
	height={272}
	{table}
>
	<circle cx={C} cy={C} r={R} fill="var(--paper)" stroke="var(--ink)" stroke-width="1.5" />
	{#each [30, 60] as elevation (elevation)}
		<circle cx={C} cy={C} r={(R * (90 - elevation)) / 90} fill="none" stroke="var(--rule)" />
		<text x={C + 3} y={C - (R * (90 - elevation)) / 90 - 3} font-size="12" fill="var(--ink-2)">{elevation}°</text>
	{/each}
	<path d="M{C} {C - R}V{C + R}M{C - R} {C}H{C + R}" stroke="var(--fine)" />
	<text x={C} y="13" text-anchor="middle" font-size="14" font-weight="700" fill="var(--ink)">N</text>
	{#each placed as s (`${s.system} ${s.id}`)}
		<circle
			cx={s.x}
			cy={s.y}
			r="6"
			fill={s.used ? 'var(--ink)' : 'var(--sheet)'}
			stroke="var(--ink)"
			stroke-width="1.6"
		/>
	{/each}
</PlotFrame>
