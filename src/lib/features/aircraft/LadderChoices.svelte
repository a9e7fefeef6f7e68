<script lang="ts">
	import type { Aircraft } from '$lib/schema/records';
	import Choice from '$lib/ui/Choice.svelte';

	/** Where practitioners differ about first flights: which school this aircraft follows, and why the default is the default. */
	let { craft, set }: { craft: Aircraft; set: (change: Partial<Aircraft>) => void } = $props();
	const ladder = $derived(craft.ladder ?? {});
	const choose = (change: NonNullable<Aircraft['ladder']>) => set({ ladder: { ...craft.ladder, ...change } });
</script>

<fieldset class="m-0 border-0 p-0">
	<legend class="sr-only">Its first flights</legend>
	<div class="grid gap-5">
		<Choice
			label="First hover"
			value={ladder.firstHover ?? 'outdoors'}
			options={[
				{ value: 'outdoors', label: 'Outdoors', note: 'the default: a runaway has room' },
				{ value: 'indoors', label: 'In a hall', note: 'no wind; a net and nobody near' },
			]}
			onchange={(v) => choose({ firstHover: v === 'indoors' ? 'indoors' : 'outdoors' })}
		/>
		<Choice
			label="First height"
			value={ladder.firstHeight ?? 'head'}
			options={[
				{ value: 'head', label: 'Head height', note: 'the default: above its own air' },
				{ value: 'low', label: 'A foot or two', note: 'a fall breaks less; it swims there' },
			]}
			onchange={(v) => choose({ firstHeight: v === 'low' ? 'low' : 'head' })}
		/>
		<Choice
			label="Take-off"
			value={ladder.takeOff ?? 'manual'}
			options={[
				{ value: 'manual', label: 'By hand', note: 'the default: nothing is proved yet' },
				{ value: 'automatic', label: 'By itself', note: 'even, but abrupt' },
			]}
			onchange={(v) => choose({ takeOff: v === 'automatic' ? 'automatic' : 'manual' })}
		/>
		<Choice
			label="Height hold before position hold"
			value={ladder.heightRung === false ? 'no' : 'yes'}
			options={[
				{ value: 'yes', label: 'A rung of its own', note: 'the default: one sensor more at a time' },
				{ value: 'no', label: 'Straight to position hold', note: 'fewer flights' },
			]}
			onchange={(v) => choose({ heightRung: v === 'yes' })}
		/>
	</div>
</fieldset>
