<script lang="ts">
	import { fieldWords } from '$lib/core/record/snapshot';
	import Caution from './Caution.svelte';

	/** Says which fields of a row were damaged where they are stored; nothing where none was. */
	let { fields }: { fields: readonly string[] | undefined } = $props();
</script>

{#if fields?.length}
	<Caution>
		<b>Damaged in storage: {fields.map(fieldWords).join(', ')}.</b> Defaults are used instead. Enter them again and save.
	</Caution>
{/if}
