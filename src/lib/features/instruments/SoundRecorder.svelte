<script lang="ts">
	import { problemWords } from '$lib/ui/problem';
	import { untrack } from 'svelte';
	import Button from '$lib/ui/Button.svelte';
	import Progress from '$lib/ui/Progress.svelte';
	import { soundLimits } from '$lib/core/propulsion/soundLimits';
	import { recordSound, RECORD_S } from '$lib/sources/microphone';

	/** Records so many seconds with this device's microphone, untouched by what makes voices clearer, and hands them over. */
	let { onfile }: { onfile: (file: File) => void } = $props();
	let share = $state<number | null>(null);
	let problem = $state('');
	let stopping: AbortController | null = null;
	let dropped = false;

	async function start() {
		problem = '';
		stopping = new AbortController();
		share = 0;
		dropped = false;
		try {
			const file = await recordSound(stopping.signal, (done) => (share = done));
			if (file && !dropped) onfile(file);
		} catch (error) {
			problem = problemWords(error);
		} finally {
			share = null;
		}
	}
	function drop() {
		dropped = true;
		stopping?.abort();
	}
	// A page that is left in the middle hands on what there is, where it is enough to be read.
	$effect(
		() => () => (untrack(() => share ?? 0) * RECORD_S < soundLimits.durationS.value ? drop() : stopping?.abort()),
	);
</script>

<div class="mb-3 grid gap-2">
	{#if share === null}
		<div><Button kind="primary" onclick={() => void start()}>Record {RECORD_S} s with the microphone</Button></div>
	{:else}
		<p class="m-0 font-semibold" aria-hidden="true">
			Listening, {Math.ceil(RECORD_S * (1 - share))} s more: keep the phone still, nobody speaks.
		</p>
		<Progress value={share} label="Listening: keep the phone still, nobody speaks" />
		<div><Button onclick={drop}>Stop, without it</Button></div>
	{/if}
	{#if problem}<p class="m-0 font-semibold text-hold" role="alert">{problem}</p>{/if}
</div>
