<script lang="ts">
	import type { Mat3 } from '$lib/core/frames/mat3';
	import AircraftSketch from './AircraftSketch.svelte';
	import { openScene, type Scene3d } from './scene3d';

	/** The aircraft in three dimensions, seen from behind and above; a line drawing where the device has no WebGL. */
	let { attitude, rotors = 4 }: { attitude: Mat3; rotors?: number } = $props();

	let scene = $state.raw<Scene3d | null>(null);
	let flat = $state(false);

	function mount(canvas: HTMLCanvasElement) {
		let over = false;
		let opened: Scene3d | null = null;
		openScene(canvas, rotors)
			.then((made) => {
				if (over) made.dispose();
				else scene = opened = made;
			})
			.catch(() => (flat = true));
		return () => {
			over = true;
			opened?.dispose();
		};
	}

	$effect(() => scene?.show(attitude));
</script>

{#if flat}
	<AircraftSketch {attitude} {rotors} size={150} />
{:else}
	<canvas class="block h-full w-full" aria-hidden="true" {@attach mount}></canvas>
{/if}
