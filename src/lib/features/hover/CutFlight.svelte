<script lang="ts">
	import { scaleLinear } from 'd3-scale';
	import type { Doing, Piece } from '$lib/core/hover/cut';
	import { localTrack } from '$lib/core/hover/track';
	import { formatQuantity } from '$lib/words/units';
	import Button from '$lib/ui/Button.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { showClock } from '$lib/ui/format';
	import { units } from '$lib/ui/preferences.svelte';
	import HoldChoice from '$lib/features/measuring/HoldChoice.svelte';
	import type { HoverState } from './hoverState.svelte';
	import Playback from './Playback.svelte';

	/** A whole flight, cut into what it was: the hover to judge is chosen in the list, drawn on the strip, or typed. */
	let { state: work }: { state: HoverState } = $props();
	const WORDS: Record<Doing, string> = {
		ground: 'On the ground',
		climb: 'Climbing',
		hover: 'Hovering',
		moving: 'Under way',
		descent: 'Coming down',
	};
	const TINT: Record<Doing, string> = {
		ground: 'var(--fine)',
		climb: 'var(--sheet)',
		hover: 'var(--action-soft)',
		moving: 'var(--sheet)',
		descent: 'var(--sheet)',
	};
	const [W, H, TOP, BASE] = [900, 170, 24, 146];
	const THIN = 700;
	/** Shorter pieces that are no hover are not listed. */
	const LEAST_S = 3;

	const whole = $derived(work.whole);
	const track = $derived(whole ? localTrack(whole.request) : null);
	const pieces = $derived(whole?.pieces ?? []);
	const [start, end] = $derived([track?.t[0] ?? 0, track?.t.at(-1) ?? 1]);
	const x = $derived(scaleLinear([start, end], [0, W]));
	const path = $derived.by(() => {
		if (!track) return '';
		const step = Math.max(1, Math.ceil(track.t.length / THIN));
		const pick = [...track.t.keys()].filter((i) => i % step === 0);
		const ups = pick.map((i) => track.up[i]);
		const [low, high] = ups.reduce(([a, b], u) => [Math.min(a, u), Math.max(b, u)], [Infinity, -Infinity]);
		const y = scaleLinear([low, Math.max(low + 1, high)], [BASE, TOP]);
		return `M${pick.map((i, k) => `${x(track.t[i]).toFixed(1)} ${y(ups[k]).toFixed(1)}`).join('L')}`;
	});
	let dragFrom = $state<number | null>(null);
	const clockOf = (s: number) => showClock(Math.max(0, s - start));
	const isChosen = ({ fromS, toS }: Piece) => work.piece?.fromS === fromS && work.piece.toS === toS;
	const choose = (fromS: number, toS: number) => {
		const [a, b] = [Math.max(start, Math.min(fromS, toS)), Math.min(end, Math.max(fromS, toS))];
		work.piece = { fromS: a, toS: b };
	};
	const timeAt = (event: PointerEvent) => {
		const box = (event.currentTarget as Element).getBoundingClientRect();
		return x.invert(((event.clientX - box.left) / box.width) * W);
	};
	const long = $derived(work.piece ? work.piece.toS - work.piece.fromS : 0);
</script>

{#if whole && track}
	<p class="mt-3 mb-2 max-w-read text-lead text-ink-2">
		{#if work.piece}Legs, climbs and landings are not hovers and are left out. Choose another hover below, or draw over
			the strip.{:else}It moved all the time, or stayed nowhere for a quarter of a minute. Without position hold it
			drifts along: draw over the strip what is to be judged.{/if}
	</p>
	<figure class="m-0">
		<figcaption class="font-semibold">Height over the flight, {clockOf(end)}</figcaption>
		<svg
			viewBox="0 0 {W} {H}"
			class="block h-auto w-full touch-pan-y cursor-crosshair select-none"
			aria-hidden="true"
			onpointerdown={(event) => (dragFrom = timeAt(event))}
			onpointermove={(event) => dragFrom !== null && event.buttons > 0 && choose(dragFrom, timeAt(event))}
			onpointerup={() => (dragFrom = null)}
			onpointerleave={() => (dragFrom = null)}
		>
			{#each pieces as piece (piece.fromS)}
				<rect
					x={x(piece.fromS)}
					y={TOP - 8}
					width={Math.max(0, x(piece.toS) - x(piece.fromS))}
					height={BASE - TOP + 16}
					fill={TINT[piece.doing]}
				/>
				{#if x(piece.toS) - x(piece.fromS) > 70}
					<text
						x={(x(piece.fromS) + x(piece.toS)) / 2}
						y={H - 3}
						font-size="14"
						text-anchor="middle"
						class="max-sm:hidden"
						fill="var(--ink-2)">{WORDS[piece.doing].toLowerCase()}</text
					>
				{/if}
			{/each}
			<path d={path} fill="none" stroke="var(--ink)" stroke-width="2" />
			{#if work.piece}
				<rect
					x={x(work.piece.fromS)}
					y={TOP - 10}
					width={Math.max(2, x(work.piece.toS) - x(work.piece.fromS))}
					height={BASE - TOP + 20}
					fill="none"
					stroke="var(--action)"
					stroke-width="3"
				/>
			{/if}
		</svg>
	</figure>
	<ul class="m-0 mt-2 list-none p-0">
		{#each pieces.filter(({ doing, toS, fromS }) => doing === 'hover' || toS - fromS >= LEAST_S) as piece (piece.fromS)}
			<li
				class="hairline flex min-h-12 flex-wrap items-center gap-x-4 gap-y-1 py-1 {isChosen(piece)
					? 'bg-action-soft'
					: ''}"
			>
				<span class="w-32 font-semibold">{WORDS[piece.doing]}</span>
				<span class="figure-mono min-w-52 flex-1 text-small"
					>{clockOf(piece.fromS)} to {clockOf(piece.toS)}, {formatQuantity(piece.heightM, 'height', units())} up{piece.doing ===
					'moving'
						? `, ${formatQuantity(piece.wayM, 'height', units())} flown`
						: ''}</span
				>
				{#if piece.doing === 'hover'}
					<Button aria-pressed={isChosen(piece)} onclick={() => choose(piece.fromS, piece.toS)}>Take this one</Button>
				{/if}
			</li>
		{/each}
	</ul>
	<div class="mt-4 flex flex-wrap items-end gap-4">
		<NumberField
			label="From"
			unit="s"
			min={0}
			max={end - start}
			value={work.piece ? Math.round(work.piece.fromS - start) : null}
			onchange={(v) => v !== null && choose(start + v, work.piece?.toS ?? end)}
		/>
		<NumberField
			label="to"
			unit="s"
			min={0}
			max={end - start}
			value={work.piece ? Math.round(work.piece.toS - start) : null}
			onchange={(v) => v !== null && choose(work.piece?.fromS ?? start, start + v)}
		/>
		<HoldChoice label="Which hold was on" value={work.hold} onchange={(hold) => (work.hold = hold)} />
	</div>
	<div class="mt-4 flex flex-wrap items-center gap-4">
		<Button kind="primary" kbd="↵" disabled={!work.piece || long < 5} onclick={() => void work.judgePiece()}
			>Judge {work.piece ? `these ${long.toFixed(0)} s` : 'it'}</Button
		>
		<Button class="min-h-14" onclick={() => work.repeat()}>Another file</Button>
	</div>
	<details class="hairline mt-5 pt-2">
		<summary class="min-h-14 cursor-pointer py-4 text-lead font-semibold">Play the flight back</summary>
		<Playback request={whole.request} looked={whole.looked} />
	</details>
{/if}
