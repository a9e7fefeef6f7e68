<script lang="ts" generics="T extends string | number">
	import { Select } from 'bits-ui';
	import Check from '@lucide/svelte/icons/check';
	import ChevronDown from '@lucide/svelte/icons/chevron-down';
	import type { Option } from './options';

	/** One of many. `none` is what stands for no choice, which is null; without it something is always chosen. */
	type Props = {
		label: string;
		/** The label is for screen readers only: what stands around it says it. */
		quiet?: boolean;
		value: T | null | undefined;
		options: readonly Option<T>[];
		note?: string;
		disabled?: boolean;
		class?: string;
	} & ({ none: string; onchange: (value: T | null) => void } | { none?: undefined; onchange: (value: T) => void });
	let props: Props = $props();
	const { label, quiet = false, value, options, note = '', disabled = false, none } = $derived(props);
	const id = $props.id();
	const NONE = 'none';

	/** Options are told apart by their place: values may be numbers. */
	const chosen = $derived(options.findIndex((option) => option.value === value));
	const key = $derived(chosen < 0 ? (none === undefined ? '' : NONE) : String(chosen));
	const shown = $derived(options[chosen]?.label ?? none ?? (options.length === 0 ? 'None entered' : 'Choose'));
	const items = $derived([
		...(none === undefined ? [] : [{ value: NONE, label: none, disabled: false }]),
		...options.map((option, k) => ({ value: String(k), label: option.label, disabled: option.disabled ?? false })),
	]);

	function choose(next: string) {
		const option = options[Number(next)];
		if (option) props.onchange(option.value);
		else if (props.none !== undefined) props.onchange(null);
	}
</script>

<div class="grid min-w-0 content-start gap-1 {props.class ?? ''}">
	<label id="{id}-label" for={id} class={quiet ? 'sr-only' : 'text-small text-ink-2'}>{label}</label>
	<Select.Root type="single" value={key} onValueChange={choose} {items} disabled={disabled || items.length === 0}>
		<Select.Trigger
			{id}
			aria-labelledby="{id}-label {id}-value"
			aria-describedby={note ? `${id}-note` : undefined}
			class="field-input flex items-center justify-between gap-2 text-left disabled:opacity-50"
		>
			<span id="{id}-value" class="min-w-0 {key === '' ? 'text-ink-2' : ''}">{shown}</span>
			<ChevronDown size={18} class="shrink-0 text-ink-2" aria-hidden="true" />
		</Select.Trigger>
		<Select.Content
			strategy="fixed"
			align="start"
			sideOffset={4}
			collisionPadding={8}
			class="z-50 max-h-[min(60dvh,var(--bits-select-content-available-height))] min-w-(--bits-select-anchor-width) max-w-[92vw] overflow-y-auto rounded border border-ink-2 bg-sheet text-ink shadow-lg"
		>
			<Select.Viewport>
				{#each items as item (item.value)}
					<Select.Item
						{...item}
						class="flex min-h-11 cursor-pointer items-center justify-between gap-3 px-3 py-2 data-disabled:cursor-default data-disabled:opacity-50 data-highlighted:bg-action-soft data-selected:font-semibold"
					>
						{item.label}
						{#if item.value === key}<Check size={18} class="shrink-0" aria-hidden="true" />{/if}
					</Select.Item>
				{/each}
			</Select.Viewport>
		</Select.Content>
	</Select.Root>
	{#if note}<p id="{id}-note" class="m-0 text-note text-ink-2">{note}</p>{/if}
</div>
