<script lang="ts">
	/**
	 * Directions on the sphere as two equal-area discs (Lambert), the body's upper and lower half, nose up.
	 * `points` in body axes (x forward, y right, z down), any length; `ring` is a path to fill next.
	 */
	type Point = readonly [number, number, number];
	type Props = { points: Point[]; ring?: Point[]; now?: Point | null; aim?: Point | null; aimWords?: string };
	let { points, ring = [], now = null, aim = null, aimWords = 'turn here next' }: Props = $props();

	const R = 130;
	const C = 146;

	function place(p: Point, half: 'above' | 'below'): { x: number; y: number } | null {
		const n = Math.hypot(p[0], p[1], p[2]);
		if (n === 0) return null;
		const [x, y, z] = [p[0] / n, p[1] / n, p[2] / n];
		const depth = half === 'below' ? z : -z;
		if (depth < -0.001) return null;
		const k = R / Math.sqrt(1 + Math.max(0, depth));
		return { x: C + k * y, y: C - k * x };
	}

	const dots = (half: 'above' | 'below') =>
		points
			.map((p) => place(p, half))
			.filter((p) => p !== null)
			.map(({ x, y }) => `M${x.toFixed(1)} ${y.toFixed(1)}h0`)
			.join('');

	function arcs(half: 'above' | 'below'): string {
		let d = '';
		let drawing = false;
		for (const p of [...ring, ...ring.slice(0, 1)]) {
			const at = place(p, half);
			if (!at) {
				drawing = false;
				continue;
			}
			d += `${drawing ? 'L' : 'M'}${at.x.toFixed(1)} ${at.y.toFixed(1)}`;
			drawing = true;
		}
		return d;
	}

	const HALVES = [
		{ half: 'above', label: 'field above the aircraft' },
		{ half: 'below', label: 'field below the aircraft' },
	] as const;
	const circles = [30, 60].map((deg) => R * Math.sqrt(1 - Math.cos((deg * Math.PI) / 180)));
</script>

<div class="grid grid-cols-2 gap-2 max-w-[620px]">
	{#each HALVES as { half, label } (half)}
		<figure class="m-0">
			<svg viewBox="0 0 292 292" class="block w-full" role="img" aria-label="{label}: {points.length} directions seen">
				<circle cx={C} cy={C} r={R} fill="var(--paper)" stroke="var(--ink)" stroke-width="1.6" />
				{#each circles as r (r)}<circle cx={C} cy={C} {r} fill="none" stroke="var(--rule)" />{/each}
				<path d="M{C} {C - R}V{C + R}M{C - R} {C}H{C + R}" stroke="var(--fine)" fill="none" />
				<text x={C} y="15" text-anchor="middle" class="text-note max-sm:text-step" fill="var(--ink-2)">nose</text>
				<path
					d={arcs(half)}
					stroke="var(--action)"
					stroke-width="9"
					fill="none"
					opacity="0.22"
					stroke-linecap="round"
				/>
				<path d={arcs(half)} stroke="var(--action)" stroke-width="2" fill="none" stroke-dasharray="5 5" />
				<path d={dots(half)} stroke="var(--ink)" stroke-width="4.4" stroke-linecap="round" opacity="0.55" fill="none" />
				{#if aim && place(aim, half)}
					{@const at = place(aim, half)}
					{#if at}
						<g>
							<circle cx={at.x} cy={at.y} r="26" fill="var(--action)" opacity="0.16" />
							<text
								x={at.x}
								y={at.y + (at.y > C ? -32 : 42)}
								text-anchor="middle"
								font-size="13"
								font-weight="700"
								fill="var(--action)">{aimWords}</text
							>
						</g>
					{/if}
				{/if}
				{#if now && place(now, half)}
					{@const at = place(now, half)}
					{#if at}<circle cx={at.x} cy={at.y} r="7" fill="var(--cue)" stroke="var(--ink)" stroke-width="2" />{/if}
				{/if}
			</svg>
			<figcaption class="text-center text-small text-ink-2">{label}</figcaption>
		</figure>
	{/each}
</div>
