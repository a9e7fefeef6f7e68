<script lang="ts">
	import { componentNamed, COMPONENTS, componentsOf } from '$lib/core/due/components';
	import type { Aircraft, Component } from '$lib/schema/records';

	/** The component that an event is about, taken from the note until the pilot chooses one. */
	type Props = { aircraft: Aircraft; note: string; component: Component | null };
	let { aircraft, note, component = $bindable() }: Props = $props();
	const offered = $derived(componentsOf(aircraft));
	let chosen = $state<Component | '' | null>(null);
	$effect(() => {
		component = (chosen ?? componentNamed(note, offered)) || null;
	});
</script>

<label class="grid gap-1">
	<span class="text-[15px] text-ink-2">Part</span>
	<select class="field-input" bind:value={() => component ?? '', (next) => (chosen = next)}>
		<option value="">Another part, or several</option>
		{#each offered as id (id)}<option value={id}>{COMPONENTS[id].label}</option>{/each}
	</select>
</label>
