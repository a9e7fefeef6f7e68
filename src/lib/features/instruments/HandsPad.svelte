<script lang="ts">
	import type { Recording } from './recording.svelte';
	import { turnByDrag, turnByKey } from './hands.svelte';
	import { IDENTITY } from '$lib/core/frames/mat3';
	import Aircraft3d from '$lib/ui/Aircraft3d.svelte';

	/** The practice aircraft under the pilot's own hands: drag it, or turn it by keys. Shown only when a rig is turned. */
	let { recording, rotors }: { recording: Recording; rotors: number } = $props();

	let held: { x: number; y: number } | null = null;
</script>

{#if recording.attitude}
	<div class="hairline mt-3 flex flex-wrap items-center gap-4 pt-3">
		<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
		<div
			class="h-40 w-52 touch-none rounded border border-rule bg-paper"
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
			<Aircraft3d attitude={recording.attitude ?? IDENTITY} {rotors} />
		</div>
		<p class="m-0 max-w-[40ch] text-[15px] text-ink-2">
			The practice aircraft as it is held now. With your own hands chosen, drag it, or tilt with the arrows and turn
			with <b>q</b> and
			<b>e</b>.
		</p>
	</div>
{/if}
