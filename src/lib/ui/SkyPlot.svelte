<script lang="ts">
	import type { Satellite } from '$lib/schema/gnss';

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
</script>

<figure class="m-0">
	<figcaption class="font-semibold">{used} used of {sky.length} in view</figcaption>
	<svg
		viewBox="0 0 272 272"
		class="block w-full max-w-[320px]"
		role="img"
		aria-label="Sky: {used} of {sky.length} satellites used"
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
	</svg>
	<details class="no-print text-[14px]">
		<summary class="cursor-pointer text-action">As a table</summary>
		<table class="max-w-md">
			<thead
				><tr
					><th scope="col">satellite</th><th scope="col" class="num">height</th><th scope="col" class="num">bearing</th
					><th scope="col" class="num">dB</th><th scope="col">used</th></tr
				></thead
			>
			<tbody>
				{#each sky as s (`${s.system} ${s.id}`)}
					<tr
						><td>{s.system} {s.id}</td><td class="num">{s.elevationDeg ?? '–'}°</td><td class="num"
							>{s.azimuthDeg ?? '–'}°</td
						><td class="num">{s.snrDb ?? '–'}</td><td>{s.used ? 'yes' : 'no'}</td></tr
					>
				{/each}
			</tbody>
		</table>
	</details>
</figure>
