<script lang="ts">
	import { page } from '$app/state';
	import SettingsView from '$lib/features/settings/SettingsView.svelte';
</script>

<SettingsView id={page.params.id ?? ''} />
