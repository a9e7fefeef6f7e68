<script lang="ts">
	import BaudChoice from '$lib/features/measuring/BaudChoice.svelte';
	import type { RecorderKind } from '$lib/instruments/instrument';
	import { gamepadSource, motionSource, serialSource } from '$lib/sources/deviceSource';
	import { record, type Recorder } from '$lib/sources/recorder';
	import type { Source } from '$lib/sources/source';
	import Button from '$lib/ui/Button.svelte';
	import { showClock } from '$lib/ui/format';

	/** Records from what this device has, live, and hands the recording over as a file. */
	type Props = { kinds: readonly RecorderKind[]; onfile: (file: File, practice: boolean) => void };
	let { kinds, onfile }: Props = $props();

	const WORDS: Record<RecorderKind, { name: string; hint: string }> = {
		motion: {
			name: 'The motion sensors of this device',
			hint: 'Hold it as the aircraft: its top is the nose, its screen faces up. To learn a procedure, or to see how level a surface is.',
		},
		gamepad: {
			name: 'The radio, as a game controller',
			hint: 'Connect it by cable or radio, and move a stick so that the browser sees it.',
		},
		serial: { name: 'A serial line', hint: 'Text as it comes: lines of CSV with a header, or NMEA 0183.' },
	};

	const OPEN: Record<RecorderKind, () => Source> = {
		motion: motionSource,
		gamepad: gamepadSource,
		serial: () => serialSource(Number(baud), null),
	};

	let recorder: Recorder | null = null;
	let source: Source | null = null;
	let running = $state<RecorderKind | null>(null);
	let count = $state(0);
	let latest = $state('');
	let problem = $state('');
	let baud = $state('57600');
	let seconds = $state(0);

	function start(kind: RecorderKind) {
		[count, latest, problem, seconds] = [0, '', '', 0];
		source = OPEN[kind]();
		running = kind;
		recorder = record(source, {
			progress: (n, atS, words) => ([count, seconds, latest] = [n, atS, words]),
			waiting: (words) => (latest = words),
			failed(message) {
				problem = message;
				if (count === 0) stop();
			},
		});
	}

	function stop() {
		const file = recorder?.stop();
		const practice = source?.practice ?? true;
		[recorder, source, running] = [null, null, null];
		if (file) onfile(file, practice);
		else problem ||= 'Nothing was recorded.';
	}
	$effect(() => () => void recorder?.stop());
</script>

<section class="no-print border border-rule p-4">
	<h2 class="m-0">Live</h2>
	{#if running}
		<p class="mt-1 mb-2 text-[15px] text-ink-2">{WORDS[running].name}</p>
		<p class="figure-mono m-0 text-[26px] font-bold" role="timer">
			{showClock(seconds)}
			<span class="text-[0.6em] font-medium text-ink-2">{count} {running === 'serial' ? 'lines' : 'samples'}</span>
		</p>
		<p class="m-0 mb-3 font-mono text-[14px] break-words text-ink-2">{latest}</p>
		<Button kind="primary" onclick={stop}>Stop and read it</Button>
	{:else}
		<ul class="m-0 list-none p-0">
			{#each kinds as kind (kind)}
				<li class="hairline grid gap-2 py-3">
					<div>
						<p class="m-0 font-semibold">{WORDS[kind].name}</p>
						<p class="m-0 text-[15px] text-ink-2">{WORDS[kind].hint}</p>
					</div>
					{#if kind === 'serial'}
						<BaudChoice bind:value={baud} />
					{/if}
					<div><Button onclick={() => start(kind)} aria-label="Record: {WORDS[kind].name}">Record</Button></div>
				</li>
			{/each}
		</ul>
	{/if}
	{#if problem}<p class="mt-2 mb-0 font-semibold text-hold" role="alert">{problem}</p>{/if}
</section>
