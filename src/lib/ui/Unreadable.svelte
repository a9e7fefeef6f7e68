<script lang="ts">
	import { fieldWords } from '$lib/core/record/snapshot';
	import Caution from './Caution.svelte';

	/** Says which fields of a row were damaged where they are stored; nothing where none was. */
	let { fields }: { fields: readonly string[] | undefined } = $props();
</script>

{#if fields?.length}
	<Caution>
		<b>Damaged where it is stored: {fields.map(fieldWords).join(', ')}.</b> A default stands in for it. Enter it again, then
		save.
	</Caution>
{/if}
