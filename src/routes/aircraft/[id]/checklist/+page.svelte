<script lang="ts">
	import { page } from '$app/state';
	import ListEditor from '$lib/features/aircraft/ListEditor.svelte';
</script>

<ListEditor id={page.params.id ?? ''} />
