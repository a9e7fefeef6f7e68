<script lang="ts">
	import type { CalibrationPayload, TestPayload } from '$lib/schema/entries';
	import Button from '$lib/ui/Button.svelte';
	import { failed } from '$lib/ui/notify';
	import { exportCsv, exportJson, exportPng } from './exportFinding';
	import type { Finding } from '$lib/instruments/instrument';
	import SaveDialog from './SaveDialog.svelte';

	/** Where a finding goes: into the session or an aircraft's bench book, into a file, onto paper. */
	type Props = {
		id: string;
		finding: Finding;
		sourceName: string;
		siteId: string | null;
		payload: () => TestPayload | CalibrationPayload;
		onaccept?: ((payload: TestPayload) => void) | undefined;
		sheet: HTMLElement | undefined;
		onrepeat: () => void;
		onsaved?: () => void;
		saving: boolean;
	};
	let {
		id,
		finding,
		sourceName,
		siteId,
		payload,
		onaccept,
		sheet,
		onrepeat,
		onsaved,
		saving = $bindable(),
	}: Props = $props();

	function accept() {
		const kept = payload();
		if (onaccept && kept.kind === 'test') onaccept(kept);
	}
</script>

<div class="no-print hairline mt-6 flex flex-wrap items-center gap-3 pt-4">
	{#if onaccept}
		<Button kind="primary" kbd="↵" onclick={accept}>Keep it in the session</Button>
	{:else}
		<Button kind="primary" kbd="↵" onclick={() => (saving = true)}>Keep it in the record</Button>
	{/if}
	<Button onclick={() => exportJson(id, sourceName, finding, new Date())}>JSON</Button>
	<Button onclick={() => exportCsv(id, finding, new Date())}>CSV</Button>
	<Button
		onclick={() => {
			if (sheet) exportPng(id, sheet, new Date()).catch(failed);
		}}>PNG</Button
	>
	<Button onclick={() => window.print()}>Print</Button>
	<Button kind="quiet" onclick={onrepeat}>Start over</Button>
</div>

<SaveDialog bind:open={saving} {siteId} {payload} {onsaved} />
