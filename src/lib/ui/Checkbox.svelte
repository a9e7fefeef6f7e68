<script lang="ts">
	import { Checkbox } from 'bits-ui';
	import Check from '@lucide/svelte/icons/check';
	import type { Snippet } from 'svelte';

	/** Yes or no, with its words beside it: plain, or as its content. */
	type Props = {
		checked?: boolean | undefined;
		label?: string;
		disabled?: boolean;
		class?: string;
		onchange?: (checked: boolean) => void;
		children?: Snippet;
	};
	let { checked = $bindable(), label = '', disabled = false, class: own = '', onchange, children }: Props = $props();
	const id = $props.id();
</script>

<div class="flex min-h-11 items-start gap-3 {own}">
	<Checkbox.Root
		{id}
		bind:checked={() => checked ?? false, (next) => (checked = next)}
		{disabled}
		onCheckedChange={(next) => onchange?.(next)}
		aria-labelledby="{id}-label"
		class="mt-2.5 grid size-6 shrink-0 place-items-center rounded border border-ink-2 bg-sheet text-sheet data-[state=checked]:border-action data-[state=checked]:bg-action disabled:opacity-50"
	>
		{#if checked}<Check size={18} strokeWidth={3} aria-hidden="true" />{/if}
	</Checkbox.Root>
	<label for={id} id="{id}-label" class="min-w-0 flex-1 cursor-pointer py-2.5">
		{#if children}{@render children()}{:else}{label}{/if}
	</label>
</div>
