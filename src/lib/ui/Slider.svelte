<script lang="ts">
	/** A value that is tried by sliding, shown beside its label as it moves. */
	type Props = {
		label: string;
		/** The value in words, with its unit. */
		said: string;
		min: number;
		max: number;
		step: number;
		value: number;
		onchange: (value: number) => void;
	};
	let { label, said, min, max, step, value, onchange }: Props = $props();
</script>

<label class="grid min-w-44 flex-1 basis-56 gap-0.5">
	<span class="flex items-baseline justify-between gap-3"
		><span class="text-small text-ink-2">{label}</span><b class="figure-mono text-lead">{said}</b></span
	>
	<input
		type="range"
		class="h-11 w-full accent-(--action)"
		{min}
		{max}
		{step}
		{value}
		aria-valuetext={said}
		oninput={(e) => onchange(e.currentTarget.valueAsNumber)}
	/>
</label>
