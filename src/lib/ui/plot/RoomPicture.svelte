<script lang="ts">
	import { formatQuantity } from '$lib/core/words/units';
	import { units } from '../preferences.svelte';

	/** A room from the side: what stands in it, the ceiling with its margin, and the aircraft over each thing. */
	type Props = {
		title: string;
		ceilingM: number;
		marginM: number;
		holdM: number;
		follows: boolean;
		things: readonly { name: string; heightM: number }[];
	};
	let { title, ceilingM, marginM, holdM, follows, things }: Props = $props();
	const [W, H, TOP, FLOOR] = [640, 300, 26, 262];
	const all = $derived([{ name: 'the floor', heightM: 0 }, ...things]);
	const tallest = $derived(all.reduce((m, { heightM }) => Math.max(m, heightM), 0));
	const top = $derived(Math.max(ceilingM, holdM + tallest) * 1.04);
	const y = $derived((m: number) => FLOOR - ((FLOOR - TOP) * m) / top);
	const step = $derived((W - 60) / all.length);
	const m = (v: number) => formatQuantity(v, 'height', units());
</script>

<figure class="m-0">
	<figcaption class="mb-1 font-semibold">{title}</figcaption>
	<svg viewBox="0 0 {W} {H}" class="block h-auto w-full max-w-[640px]" role="img" aria-label={title}>
		<rect
			x="30"
			y={y(ceilingM)}
			width={W - 60}
			height={Math.max(0, y(ceilingM - marginM) - y(ceilingM))}
			fill="var(--hold-soft)"
		/>
		<line x1="30" x2={W - 30} y1={y(ceilingM)} y2={y(ceilingM)} stroke="var(--ink)" stroke-width="3" />
		<text x={W - 32} y={y(ceilingM) - 6} font-size="14" text-anchor="end" fill="var(--ink)">ceiling {m(ceilingM)}</text>
		<text x={W - 32} y={y(ceilingM - marginM) - 4} font-size="13" text-anchor="end" fill="var(--hold)">margin</text>
		<line x1="30" x2={W - 30} y1={FLOOR} y2={FLOOR} stroke="var(--ink)" stroke-width="3" />
		{#each all as { name, heightM }, k (k)}
			{@const x = 30 + step * k + step / 2}
			{@const at = follows ? heightM + holdM : holdM}
			{@const bad = at > ceilingM - marginM || (!follows && heightM + marginM > holdM && heightM > 0)}
			<rect
				x={x - step * 0.3}
				y={y(heightM)}
				width={step * 0.6}
				height={FLOOR - y(heightM)}
				fill="var(--fine)"
				stroke="var(--ink-2)"
			/>
			<line x1={x} x2={x} y1={y(heightM)} y2={y(at)} stroke="var(--ink-2)" stroke-dasharray="3 4" />
			<path
				d="M{x - 22} {y(at)}h44M{x - 22} {y(at) - 5}v6M{x + 22} {y(at) - 5}v6M{x - 34} {y(at) - 6}h24M{x + 10} {y(at) -
					6}h24"
				stroke={bad ? 'var(--hold)' : 'var(--action)'}
				stroke-width="3"
				fill="none"
			/>
			<text {x} y={y(at) - 12} font-size="13" text-anchor="middle" fill={bad ? 'var(--hold)' : 'var(--ink)'}
				>{m(at)}</text
			>
			<text {x} y={FLOOR + 18} font-size="13" text-anchor="middle" fill="var(--ink)">{name.slice(0, 16)}</text>
		{/each}
	</svg>
</figure>
