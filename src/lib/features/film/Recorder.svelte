<script lang="ts">
	import Button from '$lib/ui/Button.svelte';
	import { showClock } from '$lib/ui/format';
	import { failed } from '$lib/ui/notify';
	import { say } from '$lib/ui/speech';

	/** Films with this device's own camera, where it is allowed to. */
	let { onfilm }: { onfilm: (film: Blob) => void } = $props();
	const WANTED_S = 60;
	let stream = $state.raw<MediaStream | null>(null);
	let recorder = $state.raw<MediaRecorder | null>(null);
	let seconds = $state(0);
	let preview = $state<HTMLVideoElement>();
	const can = typeof MediaRecorder !== 'undefined' && Boolean(navigator.mediaDevices?.getUserMedia);

	$effect(() => {
		if (preview) preview.srcObject = stream;
	});
	$effect(() => () => stop());
	$effect(() => {
		if (!recorder) return;
		const timer = setInterval(() => {
			seconds += 1;
			if (seconds === WANTED_S) say('A minute is filmed.');
		}, 1000);
		return () => clearInterval(timer);
	});

	async function look() {
		try {
			stream = await navigator.mediaDevices.getUserMedia({
				audio: false,
				video: { facingMode: 'environment', width: { ideal: 1920 }, frameRate: { ideal: 30 } },
			});
		} catch {
			failed(
				new Error('The camera was not given: allow it for this page, or film with the phone’s own and open the film.'),
			);
		}
	}
	function begin() {
		if (!stream) return;
		const parts: Blob[] = [];
		const made = new MediaRecorder(stream, { videoBitsPerSecond: 4_000_000 });
		made.addEventListener('dataavailable', ({ data }) => parts.push(data));
		made.addEventListener('stop', () => {
			onfilm(new Blob(parts, { type: made.mimeType }));
			stop();
		});
		seconds = 0;
		made.start(1000);
		recorder = made;
	}
	function stop() {
		stream?.getTracks().forEach((track) => track.stop());
		[stream, recorder] = [null, null];
	}
</script>

{#if stream}
	<div class="grid gap-3">
		<video bind:this={preview} class="block max-h-[50dvh] w-full max-w-[560px] bg-fine" autoplay muted playsinline
		></video>
		<div class="flex flex-wrap items-center gap-4">
			{#if recorder}
				<span class="figure-mono text-clock font-bold" role="timer">{showClock(seconds)}</span>
				<Button kind="primary" class="min-h-14" onclick={() => recorder?.stop()}>Enough</Button>
			{:else}
				<Button kind="primary" class="min-h-14" onclick={begin}>Film now</Button>
				<Button class="min-h-14" onclick={stop}>Not now</Button>
			{/if}
		</div>
	</div>
{:else if can}
	<Button onclick={() => void look()}>Film it here</Button>
{/if}
