<script lang="ts">
	/** Named values side by side with the limit drawn in; zero at the left, or in the middle where some are negative. */
	type Props = {
		title: string;
		unit: string;
		digits?: number;
		bars: readonly { label: string; value: number; note?: string }[];
		limit?: { value: number; label: string } | undefined;
	};
	let { title, unit, digits = 2, bars, limit }: Props = $props();
	const low = $derived(Math.min(0, ...bars.map((b) => b.value)));
	const high = $derived(Math.max(0, limit?.value ?? 0, ...bars.map((b) => b.value)) || 1);
	const span = $derived((high - low) * 1.02);
	const at = $derived((v: number) => (100 * (v - low)) / span);
</script>

<figure class="m-0">
	<figcaption class="mb-1 font-semibold">{title}</figcaption>
	<div class="grid gap-1">
		{#each bars as { label, value, note }, k (k)}
			{@const over = limit !== undefined && Math.abs(value) > limit.value}
			<div class="grid grid-cols-[minmax(90px,30%)_minmax(0,1fr)_max-content] items-center gap-3">
				<span class="text-small leading-tight">{label}</span>
				<svg viewBox="0 0 100 14" preserveAspectRatio="none" class="block h-4 w-full" aria-hidden="true">
					<rect x="0" y="0" width="100" height="14" fill="var(--fine)" opacity="0.5" />
					<rect
						x={Math.min(at(0), at(value))}
						y="2"
						width={Math.max(0.4, Math.abs(at(value) - at(0)))}
						height="10"
						fill={over ? 'var(--hold)' : 'var(--ink-2)'}
					/>
					{#if limit}<rect x={at(limit.value)} y="0" width="0.6" height="14" fill="var(--hold)" />{/if}
				</svg>
				<span class="figure-mono text-small {over ? 'font-bold text-hold' : ''}"
					>{value.toFixed(digits).replace('-', '−')}
					<span class="text-ink-2">{unit}</span>{#if note}<span class="ml-2 text-ink-2">{note}</span>{/if}</span
				>
			</div>
		{/each}
	</div>
	{#if limit}<p class="m-0 mt-1 text-note text-ink-2">{limit.label}</p>{/if}
</figure>
