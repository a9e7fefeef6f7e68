<script lang="ts" generics="T extends string">
	import { RadioGroup } from 'bits-ui';

	/** One of a few, all in sight. */
	type Props = {
		label: string;
		value: T;
		options: { value: T; label: string; note?: string }[];
		onchange: (value: T) => void;
		stacked?: boolean;
	};
	let { label, value, options, onchange, stacked = false }: Props = $props();
	const id = $props.id();
	const isOption = (text: string): text is T => options.some((option) => option.value === text);
</script>

<div>
	<p id="{id}-label" class="m-0 mb-1 text-small text-ink-2">{label}</p>
	<RadioGroup.Root
		{value}
		onValueChange={(next) => isOption(next) && onchange(next)}
		aria-labelledby="{id}-label"
		class={stacked ? 'grid gap-2' : 'flex flex-wrap gap-2'}
	>
		{#each options as option (option.value)}
			<RadioGroup.Item
				value={option.value}
				class="min-h-11 rounded border border-rule bg-sheet px-gutter py-2 text-left text-ink data-[state=checked]:border-action data-[state=checked]:bg-action-soft data-[state=checked]:font-semibold"
			>
				{option.label}
				{#if option.note}<span class="block text-note font-normal text-ink-2">{option.note}</span>{/if}
			</RadioGroup.Item>
		{/each}
	</RadioGroup.Root>
</div>
