<script module lang="ts">
	import type { Snippet } from 'svelte';

	/** A way in for readings: its name, and what it asks. */
	export interface Way {
		value: string;
		label: string;
		body: Snippet;
		/** What Enter does while it is chosen. */
		enter?: () => void;
	}
</script>

<script lang="ts">
	import { ofPage } from '$lib/features/shell/keys';
	import Choice from '$lib/ui/Choice.svelte';
	import { practiceAllowed } from './practice';
	import { wayTaken } from './waysOf';

	/** Where readings come from: one question, then the one way that was chosen. It is remembered for the aircraft. */
	type Props = {
		/** What is measured. */
		what: string;
		ways: readonly Way[];
		/** The way of those who never chose. */
		first: string;
	};
	let { what, ways, first }: Props = $props();

	const practice = practiceAllowed();
	const taken = wayTaken();
	/** What was chosen in practice says nothing of a real day. */
	const key = $derived(`${what}${practice() ? ' practice' : ''}`);
	const named = (value: string | undefined) => ways.find((way) => way.value === value);
	const way = $derived(named(taken.last(key)) ?? named(first) ?? ways[0]);
</script>

<svelte:window
	onkeydown={(event) => {
		if (event.key === 'Enter' && !event.repeat && ofPage(event)) way.enter?.();
	}}
/>

<section class="no-print border border-rule p-4">
	{#if ways.length > 1}
		<Choice
			label="Readings from"
			value={way.value}
			options={ways.map(({ value, label }) => ({ value, label }))}
			onchange={(next) => taken.take(key, next)}
		/>
	{:else}
		<h2 class="m-0">{way.label}</h2>
	{/if}
	<div class="mt-3">{@render way.body()}</div>
</section>
