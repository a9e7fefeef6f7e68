<script lang="ts">
	import { formatQuantity } from '$lib/words/units';
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
	const [MOST_W, H, TOP, FLOOR, LINE] = [640, 300, 30, 262, 15];
	let wide = $state(MOST_W);
	/** Drawn as wide as there is room, so that its words stay as large as the page's. */
	const W = $derived(Math.max(220, Math.min(MOST_W, wide)));
	const all = $derived([{ name: 'the floor', heightM: 0 }, ...things]);
	const tallest = $derived(all.reduce((m, { heightM }) => Math.max(m, heightM), 0));
	const top = $derived(Math.max(ceilingM, holdM + tallest) * 1.04);
	const y = $derived((m: number) => FLOOR - ((FLOOR - TOP) * m) / top);
	const step = $derived((W - 60) / all.length);
	/** The words over a thing stand above the aircraft, or under it where the ceiling's would be crossed. */
	const wordsAt = $derived((at: number) =>
		Math.abs(y(at) - 12 - (y(ceilingM) - 6)) < LINE || y(at) < TOP ? y(at) + 18 : y(at) - 12,
	);
	const m = (v: number) => formatQuantity(v, 'height', units());
</script>

<figure class="m-0 min-w-0 overflow-hidden" bind:clientWidth={wide}>
	<figcaption class="mb-1 font-semibold">{title}</figcaption>
	<svg viewBox="0 0 {W} {H}" width={W} height={H} class="block" role="img" aria-label={title}>
		<rect
			x="30"
			y={y(ceilingM)}
			width={W - 60}
			height={Math.max(0, y(ceilingM - marginM) - y(ceilingM))}
			fill="var(--hold-soft)"
		/>
		<line x1="30" x2={W - 30} y1={y(ceilingM)} y2={y(ceilingM)} stroke="var(--ink)" stroke-width="3" />
		<text x="32" y={y(ceilingM) - 6} font-size="14" fill="var(--ink)">ceiling {m(ceilingM)}</text>
		{#if marginM > 0}<text x="32" y={y(ceilingM - marginM) + LINE} font-size="13" fill="var(--hold)"
				>{m(marginM)} kept free</text
			>{/if}
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
			<text {x} y={wordsAt(at)} font-size="13" text-anchor="middle" fill={bad ? 'var(--hold)' : 'var(--ink)'}
				>{m(at)}</text
			>
			<text {x} y={FLOOR + 18} font-size="13" text-anchor="middle" fill="var(--ink)"
				>{name.slice(0, Math.max(4, Math.floor(step / 8)))}</text
			>
		{/each}
	</svg>
</figure>
