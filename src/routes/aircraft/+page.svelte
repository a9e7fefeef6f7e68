<script lang="ts">
	import AircraftList from '$lib/features/aircraft/AircraftList.svelte';
</script>

<AircraftList />
