<script lang="ts">
	import { fromUnit, toUnit, unitSymbol, type Quantity } from '$lib/words/units';
	import NumberField from './NumberField.svelte';
	import { units } from './preferences.svelte';

	/** A number in SI units, shown in the pilot's; without a quantity (`of`) it is in its own unit in and out. Empty is null. */
	type Props = {
		label: string;
		of: Quantity | undefined;
		unit?: string;
		value: number | null | undefined;
		min?: number | undefined;
		max?: number | undefined;
		note?: string;
		required?: boolean;
		decimals?: number | undefined;
		onchange: (value: number | null) => void;
	};
	let { of, unit = '', value, min, max, onchange, ...rest }: Props = $props();
	const own = (si: number) => (of ? toUnit(si, of, units()) : si);
	const si = (typed: number) => (of ? fromUnit(typed, of, units()) : typed);
	/** A limit is shown, so it has no more digits than a pilot would say. */
	const limit = (bound: number | undefined) => (of && bound !== undefined ? Number(own(bound).toPrecision(3)) : bound);
</script>

<NumberField
	{...rest}
	unit={of ? unitSymbol(of, units()) : unit}
	min={limit(min)}
	max={limit(max)}
	value={value === null || value === undefined ? null : own(value)}
	onchange={(typed) => onchange(typed === null ? null : si(typed))}
/>
