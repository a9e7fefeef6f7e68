<script lang="ts">
	import PracticeView from '$lib/features/practice/PracticeView.svelte';
</script>

<PracticeView />
