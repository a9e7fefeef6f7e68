<script lang="ts">
	/** A number with its unit; empty is null. A comma is taken as a decimal point; anything else is said at once. */
	type Props = {
		label: string;
		value: number | null;
		unit?: string;
		min?: number | undefined;
		max?: number | undefined;
		note?: string;
		required?: boolean;
		/** As many as are shown; else as its size earns. What is shown shorter is kept whole. */
		decimals?: number | undefined;
		onchange: (value: number | null) => void;
	};
	let { label, value, unit = '', min, max, note = '', required = false, decimals, onchange }: Props = $props();
	const id = $props.id();
	let error = $state('');

	const shown = $derived.by(() => {
		if (value === null) return '';
		const size = Math.abs(value);
		return String(Number(value.toFixed(decimals ?? (size >= 100 ? 1 : size >= 10 ? 2 : 3))));
	});

	function take(text: string) {
		const trimmed = text.trim().replace(',', '.');
		if (trimmed === '') {
			error = required ? `${label}: needs a number` : '';
			if (!required) onchange(null);
			return;
		}
		const parsed = Number(trimmed);
		if (!Number.isFinite(parsed)) error = `"${text}" is not a number`;
		else if (min !== undefined && parsed < min) error = `At least ${min} ${unit}`;
		else if (max !== undefined && parsed > max) error = `At most ${max} ${unit}`;
		else {
			error = '';
			onchange(parsed);
		}
	}
</script>

<div>
	<label for={id} class="block text-small text-ink-2">{label}</label>
	<div class="mt-1 flex items-center gap-2">
		<input
			{id}
			inputmode="decimal"
			autocomplete="off"
			class="field-input figure-mono max-w-36"
			value={shown}
			aria-invalid={error !== ''}
			aria-describedby="{id}-note"
			onchange={(event) => take(event.currentTarget.value)}
		/>
		{#if unit}<span class="text-ink-2">{unit}</span>{/if}
	</div>
	<p id="{id}-note" class="m-0 mt-1 text-note empty:mt-0 {error ? 'font-semibold text-hold' : 'text-ink-2'}">
		{error || note}
	</p>
</div>
