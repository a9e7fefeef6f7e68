<script lang="ts">
	import { Progress } from 'bits-ui';
	let { value, label }: { value: number | null; label: string } = $props();
	const share = $derived(value === null ? null : Math.max(0, Math.min(1, value)));
</script>

<Progress.Root
	value={share === null ? null : share * 100}
	max={100}
	aria-label={label}
	class="h-2 w-full overflow-hidden bg-fine"
>
	<svg viewBox="0 0 100 8" preserveAspectRatio="none" class="block h-2 w-full" aria-hidden="true">
		<rect
			width={share === null ? 100 : share * 100}
			height="8"
			fill="var(--action)"
			opacity={share === null ? 0.4 : 1}
		/>
	</svg>
</Progress.Root>
