<script lang="ts">
	import SessionSheet from '$lib/features/session/SessionSheet.svelte';
</script>

<SessionSheet />
