<script lang="ts">
	import type { Recording } from './recording.svelte';
	import { turnByDrag, turnByKey } from './hands.svelte';
	import Aircraft3d from '$lib/ui/Aircraft3d.svelte';

	/** The practice aircraft under the pilot's own hands: drag it, or turn it by keys. Shown only when a rig is turned. */
	let { recording, rotors }: { recording: Recording; rotors: number } = $props();

	let held: { x: number; y: number } | null = null;
</script>

{#if recording.turnable && recording.attitude}
	<figure class="m-0">
		<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
		<div
			class="h-44 w-full touch-none rounded border border-rule bg-paper"
			role="application"
			aria-label="Practice aircraft: drag to turn it, or arrows, q and e"
			tabindex="0"
			onpointerdown={(event) => {
				held = { x: event.clientX, y: event.clientY };
				event.currentTarget.setPointerCapture(event.pointerId);
			}}
			onpointermove={(event) => {
				if (!held) return;
				turnByDrag(event.clientX - held.x, event.clientY - held.y);
				held = { x: event.clientX, y: event.clientY };
			}}
			onpointerup={() => (held = null)}
			onpointercancel={() => (held = null)}
			onkeydown={(event) => {
				if (turnByKey(event.key)) event.preventDefault();
			}}
		>
			<Aircraft3d attitude={recording.attitude} {rotors} />
		</div>
		<figcaption class="text-note text-ink-2">Drag it; arrows tilt, <b>q</b> and <b>e</b> turn.</figcaption>
	</figure>
{/if}
