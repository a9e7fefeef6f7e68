<script lang="ts">
	/** Why a live source gives no more; what came before is kept. */
	let { failure }: { failure: string | null } = $props();
</script>

{#if failure}
	<p class="mt-4 mb-0 border-l-4 border-hold bg-hold-soft px-3 py-2 font-semibold" role="alert">{failure}</p>
{/if}
