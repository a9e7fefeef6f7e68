<script lang="ts">
	import type { Light } from '$lib/schema/records';

	/** Lines of the aircraft's own table of lights and tones, large: what is to be seen now, and what it means. */
	let { lines, aircraftName }: { lines: readonly Light[]; aircraftName: string } = $props();
</script>

{#if lines.length > 0}
	<div class="mb-4">
		<p class="m-0 text-small text-ink-2">What {aircraftName} shows now</p>
		<ul class="m-0 list-none p-0">
			{#each lines as { id, colour, pattern, sound, meaning, next } (id)}
				<li class="py-1 text-step leading-snug">
					<b>{[colour, pattern, sound].filter(Boolean).join(', ')}</b>: {meaning}{next ? `. ${next}` : ''}
				</li>
			{/each}
		</ul>
	</div>
{/if}
