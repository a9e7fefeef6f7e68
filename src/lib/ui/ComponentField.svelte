<script lang="ts">
	import Select from '$lib/ui/Select.svelte';
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

<Select
	label="Part"
	value={component ?? null}
	none="Another part, or several"
	options={offered.map((id) => ({ value: id, label: COMPONENTS[id].label }))}
	onchange={(next) => (chosen = next ?? '')}
/>
