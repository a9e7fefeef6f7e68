<script lang="ts">
	/** Where the positions of a radio's switches fall in the ranges in which the aircraft acts: a block a channel, from one end stop to the other. */
	type Props = {
		title: string;
		channels: readonly {
			label: string;
			/** Positions of the switches on it, −1 to 1. */
			ticks: readonly { label: string; at: number }[];
			ranges: readonly { label: string; low: number; high: number }[];
		}[];
	};
	let { title, channels }: Props = $props();
	const [MOST_W, LINE, HEAD, LEFT, RIGHT] = [640, 28, 46, 116, 14];
	let wide = $state(MOST_W);
	const W = $derived(Math.max(240, Math.min(MOST_W, wide)));
	const x = $derived((value: number) => LEFT + ((W - LEFT - RIGHT) * (Math.max(-1, Math.min(1, value)) + 1)) / 2);
	const blocks = $derived.by(() => {
		let top = 0;
		return channels.map((channel) => {
			const block = { ...channel, top, floor: top + HEAD + LINE * channel.ranges.length };
			top = block.floor + 12;
			return block;
		});
	});
	const height = $derived((blocks.at(-1)?.floor ?? 0) + 4);
	const covers = (value: number, { low, high }: { low: number; high: number }) => value >= low && value <= high;
	const said = $derived(
		blocks
			.flatMap(({ label, ticks, ranges }) =>
				ticks.map(
					(tick) =>
						`${label}, position ${tick.label}: ${
							ranges
								.filter((range) => covers(tick.at, range))
								.map((range) => range.label)
								.join(' and ') || 'nothing'
						}`,
				),
			)
			.join('. '),
	);
	const short = (text: string) => (text.length > 15 ? `${text.slice(0, 14)}…` : text);
</script>

<figure class="m-0 min-w-0 overflow-hidden" bind:clientWidth={wide}>
	<figcaption class="mb-1 font-semibold">{title}</figcaption>
	<svg viewBox="0 0 {W} {height}" width={W} {height} class="block" role="img" aria-label="{title}. {said}">
		{#each blocks as { label, ticks, ranges, top, floor }, k (k)}
			<text x="0" y={top + 16} font-size="14" font-weight="700" fill="var(--ink)">{label}</text>
			{#each ranges as range, row (row)}
				{@const y = top + HEAD + LINE * row}
				{@const hit = ticks.some(({ at }) => covers(at, range))}
				<text x="0" y={y + 15} font-size="14" fill="var(--ink-2)">{short(range.label)}</text>
				<line x1={LEFT} x2={W - RIGHT} y1={y + 10} y2={y + 10} stroke="var(--fine)" />
				<rect
					x={x(range.low)}
					{y}
					width={Math.max(2, x(range.high) - x(range.low))}
					height="20"
					rx="3"
					fill={hit ? 'var(--action-soft)' : 'var(--fine)'}
					stroke={hit ? 'var(--action)' : 'var(--ink-2)'}
					stroke-dasharray={hit ? undefined : '4 3'}
				/>
			{/each}
			{#each ticks as tick, n (n)}
				<line x1={x(tick.at)} x2={x(tick.at)} y1={top + 40} y2={floor - 6} stroke="var(--ink)" stroke-width="2" />
				<text x={x(tick.at)} y={top + 35} font-size="14" font-weight="700" text-anchor="middle" fill="var(--ink)"
					>{tick.label}</text
				>
			{/each}
		{/each}
	</svg>
	<p class="m-0 text-note text-ink-2">
		Numbers: the positions of the switch. Filled: a position reaches it; dashed: none does.
	</p>
</figure>
