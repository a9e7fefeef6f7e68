<script lang="ts">
	import { scaleLinear } from 'd3-scale';

	/** A value on a scale with the band that is accepted and what the model expects. */
	type Props = {
		label: string;
		value: number | null;
		unit: string;
		low: number;
		high: number;
		expected?: number | null;
		digits?: number;
	};
	let { label, value, unit, low, high, expected = null, digits = 1 }: Props = $props();

	const WIDTH = 300;
	const span = $derived(high - low);
	const shown = $derived(value === null ? null : Math.max(low - span, Math.min(high + span, value)));
	const x = $derived(
		scaleLinear()
			.domain([Math.min(low - span * 0.5, shown ?? low), Math.max(high + span * 0.5, shown ?? high)])
			.range([6, WIDTH - 6]),
	);
	const inside = $derived(value !== null && value >= low && value <= high);
	const summary = $derived(
		`${label}: ${value === null ? 'not measured yet' : `${value.toFixed(digits)} ${unit}`}, accepted ${low.toFixed(digits)} to ${high.toFixed(digits)} ${unit}`,
	);
</script>

<figure class="m-0">
	<figcaption class="text-small text-ink-2">{label}, {unit}</figcaption>
	<svg viewBox="0 0 {WIDTH} 64" class="block w-full max-w-[340px]" role="img" aria-label={summary}>
		<rect x={x(low)} y="26" width={x(high) - x(low)} height="14" fill="var(--clear-soft)" />
		<line x1="0" x2={WIDTH} y1="40" y2="40" stroke="var(--rule)" />
		{#if expected !== null}
			<line x1={x(expected)} x2={x(expected)} y1="24" y2="44" stroke="var(--clear)" stroke-width="2" />
			<text x={x(expected)} y="57" text-anchor="middle" font-size="13" fill="var(--ink-2)"
				>{expected.toFixed(digits)} by the model</text
			>
		{/if}
		{#if shown !== null && value !== null}
			<path d="M{x(shown) - 6} 14h12l-6 9z" fill={inside ? 'var(--ink)' : 'var(--hold)'} />
			<line
				x1={x(shown)}
				x2={x(shown)}
				y1="22"
				y2="40"
				stroke={inside ? 'var(--ink)' : 'var(--hold)'}
				stroke-width="1.5"
			/>
			<text
				x={x(shown) + (x(shown) > WIDTH - 90 ? -10 : 10)}
				y="20"
				text-anchor={x(shown) > WIDTH - 90 ? 'end' : 'start'}
				font-size="15"
				font-weight="700"
				fill={inside ? 'var(--ink)' : 'var(--hold)'}>{value.toFixed(digits)}</text
			>
		{/if}
	</svg>
</figure>
