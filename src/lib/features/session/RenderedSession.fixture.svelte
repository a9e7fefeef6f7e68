<script lang="ts">
	import type { StationId } from '$lib/schema/records';
	import FlyingPanel from '../gate/FlyingPanel.svelte';
	import { setSessionView, type SessionView } from '../running/sessionView.svelte';
	import SessionSheet from './SessionSheet.svelte';
	import StationPage from './StationPage.svelte';

	/** A page of a session as a test renders it: a stage, a task's own page, the flying screen or the report. */
	let {
		view,
		station,
		task = null,
	}: { view: SessionView; station: StationId | 'report' | 'flying'; task?: string | null | undefined } = $props();
	// svelte-ignore state_referenced_locally
	setSessionView(view);
</script>

{#if station === 'report'}<SessionSheet />
{:else if station === 'flying'}<FlyingPanel />
{:else}<StationPage {station} {task} />{/if}
