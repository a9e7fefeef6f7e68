<script lang="ts">
	import type { Recording } from './recording.svelte';

	/** What went wrong with a live source: rows left out, or why it gives no more. What came before is kept. */
	let { recording }: { recording: Recording } = $props();
	const { lost, waiting, failure } = $derived(recording);
</script>

{#if lost > 0}
	<p class="mt-3 mb-0 text-small text-caution">
		{lost}
		{lost === 1 ? 'row' : 'rows'} did not fit and {lost === 1 ? 'was' : 'were'} left out.
	</p>
{/if}
{#if waiting && !failure}<p class="mt-3 mb-0 text-small text-ink-2" role="status">{waiting}</p>{/if}
{#if failure}
	<p class="mt-4 mb-0 border-l-4 border-hold bg-hold-soft px-3 py-2 font-semibold" role="alert">{failure}</p>
{/if}
