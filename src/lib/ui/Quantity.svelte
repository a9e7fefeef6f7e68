<script lang="ts">
	import { fromUnit, toUnit, unitSymbol, type Quantity } from '$lib/core/words/units';
	import NumberField from './NumberField.svelte';
	import { units } from './preferences.svelte';

	/** A length, speed or temperature: SI units in and out, the pilot's on screen. Empty is null. */
	type Props = {
		label: string;
		of: Quantity;
		value: number | null | undefined;
		min?: number;
		max?: number;
		note?: string;
		required?: boolean;
		decimals?: number;
		onchange: (value: number | null) => void;
	};
	let { of, value, min, max, onchange, ...rest }: Props = $props();
	/** A limit is shown, so it has no more digits than a pilot would say. */
	const limit = (si: number) => Number(toUnit(si, of, units()).toPrecision(3));
</script>

<NumberField
	{...rest}
	unit={unitSymbol(of, units())}
	{...min === undefined ? {} : { min: limit(min) }}
	{...max === undefined ? {} : { max: limit(max) }}
	value={value === null || value === undefined ? null : toUnit(value, of, units())}
	onchange={(own) => onchange(own === null ? null : fromUnit(own, of, units()))}
/>
