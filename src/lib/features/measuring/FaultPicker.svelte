<script lang="ts">
	import Checkbox from '$lib/ui/Checkbox.svelte';
	import type { RigFaults, RigSwitch } from '$lib/rig/rig';

	let { faults = $bindable(), kinds }: { faults: RigFaults; kinds: RigSwitch[] } = $props();

	const WORDS: Record<RigSwitch, string> = {
		offsets: 'Magnetic parts on board',
		softIron: 'Iron that bends the field',
		metalNear: 'Metal near this place',
		mountingTurned: 'Compass mounted turned and upside down',
		accelOff: 'Accelerometer offsets and scales',
		boardTurned: 'Board turned a quarter to the right',
		weakSky: 'Half the sky blocked',
	};
</script>

<fieldset class="m-0 grid gap-0 border-0 p-0">
	<legend class="mb-1 text-small text-ink-2">What it has wrong</legend>
	{#each kinds as kind (kind)}
		<Checkbox bind:checked={faults[kind]} label={WORDS[kind]} />
	{/each}
</fieldset>
