<script lang="ts">
	import MethodsView from '$lib/features/help/MethodsView.svelte';
</script>

<MethodsView />
