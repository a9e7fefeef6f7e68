<script lang="ts">
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import type { StationId } from '$lib/schema/records';
	import PhotoStrip from './PhotoStrip.svelte';

	/** Photos of a task of the session: saved with the entry of the record that names each with its checksum. */
	let { station, task }: { station: StationId; task: string } = $props();
	const view = getSessionView();
</script>

<PhotoStrip of={{ table: 'sessions', id: view.bundle.session.id }} {task} readOnly={view.readOnly} {station} />
