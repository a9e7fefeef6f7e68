<script lang="ts">
	import WordsView from '$lib/features/help/WordsView.svelte';
</script>

<WordsView />
