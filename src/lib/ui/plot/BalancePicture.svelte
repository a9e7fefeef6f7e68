<script lang="ts">
	import { scaleLinear } from 'd3-scale';

	/** An aircraft from the side, nose to the left: its parts by their mass, the mark, where it balances, where the pack goes. */
	type Props = {
		title: string;
		parts: readonly { name: string; massG: number; armMm: number }[];
		markMm: number;
		centreMm: number;
		sigmaMm: number;
		pack: { index: number; toMm: number | null };
	};
	let { title, parts, markMm, centreMm, sigmaMm, pack }: Props = $props();

	const [MOST_W, ROW, TOP, LETTERS, LETTER_W] = [640, 34, 26, 14, 8];
	let wide = $state(MOST_W);
	/** Drawn as wide as there is room, so that its words stay as large as the page's. */
	const W = $derived(Math.max(260, Math.min(MOST_W, wide)));
	const arms = $derived([...parts.map((p) => p.armMm), markMm, centreMm, pack.toMm ?? centreMm, 0]);
	const span = $derived(Math.max(40, Math.max(...arms) - Math.min(...arms)));
	const x = $derived(scaleLinear([Math.min(...arms) - 0.18 * span, Math.max(...arms) + 0.22 * span], [16, W - 16]));
	const most = $derived(Math.max(1, ...parts.map((p) => p.massG)));
	const size = (massG: number) => 10 + 34 * Math.sqrt(Math.max(0, massG) / most);
	const base = $derived(TOP + ROW * parts.length + 12);
	const H = $derived(base + 24);
	const off = $derived(centreMm - markMm);
	const move = $derived(pack.toMm === null ? 0 : pack.toMm - (parts[pack.index]?.armMm ?? 0));
	const mm = (v: number) => `${Math.abs(v).toFixed(0)} mm`;
	const label = $derived(
		`It balances ${mm(off)} ${off > 0 ? 'behind' : 'before'} the mark${pack.toMm === null ? '' : `; the pack goes ${mm(move)} ${move < 0 ? 'forward' : 'back'}`}`,
	);
</script>

<figure class="m-0 min-w-0 overflow-hidden" bind:clientWidth={wide}>
	<figcaption class="mb-1 font-semibold">{title}</figcaption>
	<svg viewBox="0 0 {W} {H}" width={W} height={H} class="block" role="img" aria-label={label}>
		<text x="16" y="16" font-size={LETTERS} fill="var(--ink-2)">← nose</text>
		<text x={W - 16} y="16" font-size={LETTERS} text-anchor="end" fill="var(--ink-2)">tail →</text>
		{#each parts as part, k (k)}
			{@const y = TOP + ROW * k + ROW / 2}
			{@const w = size(part.massG)}
			<line x1={x.range()[0]} x2={x.range()[1]} y1={y} y2={y} stroke="var(--fine)" />
			<rect
				x={x(part.armMm) - w / 2}
				y={y - 10}
				width={w}
				height="20"
				rx="3"
				fill={k === pack.index ? 'var(--action-soft)' : 'var(--fine)'}
				stroke={k === pack.index ? 'var(--action)' : 'var(--ink-2)'}
				stroke-width="2"
			/>
			{@const moves = k === pack.index && pack.toMm !== null && Math.abs(move) >= 0.5}
			{@const places = [part.armMm, ...(moves ? [pack.toMm ?? 0] : [])].map((arm) => x(arm))}
			{@const words = `${part.name} ${part.massG.toFixed(0)} g`}
			{@const end = Math.max(...places) + w / 2 + 8}
			{@const right = end + LETTER_W * words.length < W}
			<text
				x={right ? end : Math.min(...places) - w / 2 - 8}
				y={y + 5}
				font-size={LETTERS}
				text-anchor={right ? 'start' : 'end'}
				stroke="var(--sheet)"
				stroke-width="5"
				paint-order="stroke"
				fill="var(--ink)">{words}</text
			>
			{#if moves && pack.toMm !== null}
				<rect
					x={x(pack.toMm) - w / 2}
					y={y - 10}
					width={w}
					height="20"
					rx="3"
					fill="none"
					stroke="var(--action)"
					stroke-width="2"
					stroke-dasharray="5 4"
				/>
			{/if}
		{/each}
		<line x1={x.range()[0]} x2={x.range()[1]} y1={base} y2={base} stroke="var(--ink)" stroke-width="1.5" />
		<line x1={x(markMm)} x2={x(markMm)} y1={TOP} y2={base} stroke="var(--ink)" stroke-dasharray="3 4" />
		<path d="M{x(markMm)} {base}l-11 18h22Z" fill="none" stroke="var(--ink)" stroke-width="2" />
		<line
			x1={x(centreMm - 2 * sigmaMm)}
			x2={x(centreMm + 2 * sigmaMm)}
			y1={base}
			y2={base}
			stroke={off > sigmaMm ? 'var(--hold)' : 'var(--ink)'}
			stroke-width="7"
			opacity="0.45"
		/>
		<path d="M{x(centreMm)} {base - 9}l9 9l-9 9l-9 -9Z" fill={off > sigmaMm ? 'var(--hold)' : 'var(--ink)'} />
	</svg>
	<p class="mt-1 mb-0 text-small">
		◆ balances at {centreMm.toFixed(0)} mm, △ mark at {markMm.toFixed(0)} mm behind the datum
	</p>
	{#if pack.toMm !== null && Math.abs(move) >= 0.5}
		<p class="m-0 text-small font-bold text-action">
			Dashed: slide the pack {mm(move)}
			{move < 0 ? 'forward' : 'back'}
		</p>
	{/if}
</figure>
