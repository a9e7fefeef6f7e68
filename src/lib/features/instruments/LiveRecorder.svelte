<script lang="ts">
	import type { Snippet } from 'svelte';
	import Ways, { type Way } from '$lib/features/measuring/Ways.svelte';
	import { writtenDown } from '$lib/features/measuring/writtenDown';
	import { asksFirst } from '$lib/features/measuring/leftWork.svelte';
	import BaudChoice from '$lib/features/measuring/BaudChoice.svelte';
	import type { RecorderKind } from '$lib/instruments/instrument';
	import { gamepadSource, motionSource, serialSource } from '$lib/sources/deviceSource';
	import { record, type Recorder } from '$lib/sources/recorder';
	import type { Source } from '$lib/sources/source';
	import Button from '$lib/ui/Button.svelte';
	import { showClock } from '$lib/ui/format';

	/** Records from what this device has, live, and hands the recording over as a file. */
	type Props = {
		kinds: readonly RecorderKind[];
		/** What is measured. */
		what: string;
		/** Whose page it is: what is recorded is written down under it as it comes. */
		owner: string;
		/** A log does as well. */
		log: Way;
		onfile: (file: File, practice: boolean) => void;
	};
	let { kinds, what, owner, log, onfile }: Props = $props();

	const NAMES: Record<RecorderKind, string> = {
		motion: 'This device',
		gamepad: 'Radio, as a game controller',
		serial: 'Serial line',
	};
	const HINTS: Record<RecorderKind, string> = {
		motion:
			'Hold it as the aircraft: its top is the nose, its screen faces up. To learn a procedure, or to see how level a surface is.',
		gamepad: 'Connect it, by cable or without, and move a stick so that the browser sees it.',
		serial: 'Text as it comes: lines of CSV with a header, or NMEA 0183.',
	};
	const BODIES: Record<RecorderKind, Snippet> = $derived({ motion, gamepad, serial });
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

	function begin(kind: RecorderKind) {
		[count, latest, problem, seconds] = [0, '', '', 0];
		source = writtenDown(OPEN[kind](), owner);
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
	asksFirst(() => running !== null);
	// A page that is left in the middle hands on what there is.
	$effect(() => () => {
		if (running) stop();
	});
</script>

{#snippet motion()}{@render start('motion')}{/snippet}
{#snippet gamepad()}{@render start('gamepad')}{/snippet}
{#snippet serial()}{@render start('serial')}{/snippet}
{#snippet start(kind: RecorderKind)}
	<div class="grid gap-4">
		<p class="m-0 text-small text-ink-2">{HINTS[kind]}</p>
		{#if kind === 'serial'}<BaudChoice bind:value={baud} />{/if}
		<div><Button kind="primary" onclick={() => begin(kind)}>Record</Button></div>
	</div>
{/snippet}

{#if running}
	<section class="no-print border border-rule p-4">
		<h2 class="m-0">{NAMES[running]}</h2>
		<p class="figure-mono m-0 text-head font-bold" role="timer">
			{showClock(seconds)}
			<span class="text-[0.6em] font-medium text-ink-2">{count} {running === 'serial' ? 'lines' : 'samples'}</span>
		</p>
		<p class="m-0 mb-3 font-mono text-note break-words text-ink-2">{latest}</p>
		<Button kind="primary" onclick={stop}>Stop and read it</Button>
	</section>
{:else}
	<Ways
		{what}
		first={log.value}
		ways={[log, ...kinds.map((kind) => ({ value: kind, label: NAMES[kind], body: BODIES[kind] }))]}
	/>
{/if}
{#if problem}<p class="mt-2 mb-0 font-semibold text-hold" role="alert">{problem}</p>{/if}
