<script lang="ts">
	import Button from '$lib/ui/Button.svelte';
	import QrCode from '$lib/ui/QrCode.svelte';
	import { done, failed } from '$lib/ui/notify';

	/** The head of a chain, to be kept by somebody else: what fixes the record against whoever holds this device. */
	let { title, at, head }: { title: string; at: string; head: string } = $props();
	const text = $derived(`Winglogos · ${title} · ${at} · head ${head}`);

	async function copy() {
		try {
			await navigator.clipboard.writeText(text);
			done('Copied');
		} catch (error) {
			failed(error);
		}
	}
</script>

<div class="flex flex-wrap items-start gap-5">
	<QrCode {text} label="Head of the record as a code" />
	<div class="min-w-0 flex-1 basis-64">
		<p class="m-0 font-mono text-note break-all">{text}</p>
		<p class="mt-2 mb-3 max-w-read text-small text-ink-2">
			The chain shows slips and later edits. It does not stop whoever holds the device from writing a new one: a head
			that was printed, signed, sent or given away before is what fixes it. Keep it with somebody else.
		</p>
		<div class="no-print"><Button onclick={() => void copy()}>Copy the head</Button></div>
	</div>
</div>
