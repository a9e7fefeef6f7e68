<script lang="ts">
	import type { Snippet } from 'svelte';
	import { prefer, preferences } from './preferences.svelte';
	import { say, silence, tone } from './speech';

	/** The whole screen as one cue, for when both hands are on the aircraft: read from two metres, heard, felt. */
	type Props = {
		label: string;
		clock: string;
		words: string;
		/** 0..1: fills as the data fill, not as time passes. */
		progress: number;
		figure: string;
		wanted: string;
		onstop: () => void;
		onclose: () => void;
		picture: Snippet;
		/** False where the work itself speaks. */
		speaks?: boolean;
	};
	let { label, clock, words, progress, figure, wanted, onstop, onclose, picture, speaks = true }: Props = $props();

	const R = 150;
	const length = 2 * Math.PI * R;
	let spoken = '';

	$effect(() => {
		if (!speaks || words === spoken) return;
		if (spoken !== '') tone('step');
		spoken = words;
		say(words);
	});
	$effect(() => () => {
		if (speaks) silence();
	});
	$effect(() => {
		let lock: WakeLockSentinel | null = null;
		let over = false;
		void navigator.wakeLock
			?.request('screen')
			.then((sentinel) => {
				if (over) void sentinel.release();
				else lock = sentinel;
			})
			.catch(() => undefined); // a refused wake lock only lets the screen dim
		return () => {
			over = true;
			void lock?.release();
		};
	});
	let stopButton = $state<HTMLButtonElement>();
	$effect(() => stopButton?.focus());
</script>

<div
	class="fixed inset-0 z-40 grid grid-rows-[auto_minmax(0,1fr)_auto] bg-night p-page text-white low:p-3"
	role="dialog"
	aria-modal="true"
	aria-label="Big cue"
>
	<div class="flex justify-between text-lead"><span>{label}</span><span class="figure-mono">{clock}</span></div>
	<div
		class="grid min-h-0 content-center justify-center gap-6 lg:grid-cols-[auto_minmax(0,560px)] lg:items-center low:grid-cols-[auto_minmax(0,1fr)] low:items-center"
	>
		<div class="relative mx-auto aspect-square w-[min(78vw,46vh)]">
			<svg
				viewBox="0 0 340 340"
				class="absolute inset-0 h-full w-full"
				role="img"
				aria-label="{Math.round(progress * 100)} percent of what is needed"
			>
				<circle cx="170" cy="170" r={R} fill="none" stroke="#33405f" stroke-width="17" />
				<circle
					cx="170"
					cy="170"
					r={R}
					fill="none"
					stroke="var(--cue)"
					stroke-width="17"
					stroke-dasharray="{(Math.min(1, progress) * length).toFixed(1)} {length.toFixed(1)}"
					transform="rotate(-90 170 170)"
				/>
			</svg>
			<div class="absolute inset-0 grid place-items-center [&_svg]:max-h-[72%] [&_svg]:max-w-[72%]">
				{@render picture()}
			</div>
		</div>
		<div>
			<p
				class="m-0 text-[clamp(28px,min(8.5vw,10.5vh),60px)] leading-[1.08] font-bold text-balance"
				aria-live="assertive"
			>
				{words}
			</p>
			<p class="figure-mono m-0 mt-4 text-clock low:mt-2 low:text-head">
				{figure} <span class="ml-2 font-sans text-lead tracking-normal">{wanted}</span>
			</p>
		</div>
	</div>
	<div class="mx-auto grid w-full max-w-2xl grid-cols-3 gap-3 pt-4">
		<button
			bind:this={stopButton}
			type="button"
			class="min-h-16 rounded low:min-h-12 border-2 border-white text-step font-bold"
			onclick={onstop}>Stop</button
		>
		<button
			type="button"
			class="min-h-16 rounded low:min-h-12 border-2 border-[#7f8bb0] text-step"
			onclick={() => prefer({ voice: !preferences.voice, tones: !preferences.voice })}
		>
			{preferences.voice ? 'Mute' : 'Unmute'}
		</button>
		<button type="button" class="min-h-16 rounded low:min-h-12 border-2 border-[#7f8bb0] text-step" onclick={onclose}
			>Show the page</button
		>
	</div>
</div>
