<script lang="ts">
	import Quantity from '$lib/ui/Quantity.svelte';
	import { halved } from '$lib/core/hover/holdRadius';
	import { ofPage } from '$lib/features/shell/keys';
	import { showFigure } from '$lib/words/figures';
	import { formatQuantity, toUnit, unitSymbol } from '$lib/words/units';
	import { NO_FAULTS, type RigFaults } from '$lib/rig/rig';
	import { practiceAllowed } from '$lib/features/measuring/practice';
	import HoverFaults from '$lib/features/measuring/HoverFaults.svelte';
	import HoldChoice from '$lib/features/measuring/HoldChoice.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Figure from '$lib/ui/Figure.svelte';
	import FileButton from '$lib/ui/FileButton.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import PointPicker from '$lib/ui/PointPicker.svelte';
	import Progress from '$lib/ui/Progress.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import Slider from '$lib/ui/Slider.svelte';
	import { showClock } from '$lib/ui/format';
	import { units } from '$lib/ui/preferences.svelte';
	import FilmPlayer from './FilmPlayer.svelte';
	import Recorder from './Recorder.svelte';
	import type { FilmState } from './filmState.svelte';

	/** A hover judged from a film: opened or taken here, marked once, followed, looked at, judged. */
	let { state: work, onaccept }: { state: FilmState; onaccept?: () => void } = $props();
	const ASKED = ['the left motor, as the film shows it', 'the right motor'] as const;
	const practice = practiceAllowed();
	let faults = $state<RigFaults>({ ...NO_FAULTS, windMps: 2 });
	const m = (v: number | null | undefined) =>
		v === null || v === undefined ? '–' : toUnit(v, 'height', units()).toFixed(1);
</script>

<svelte:window
	onkeydown={(event) => {
		if (event.key !== 'Enter' || event.repeat || !ofPage(event)) return;
		if (work.step === 'found' && work.review && onaccept) onaccept();
		else if (work.step === 'mark' && work.marked) void work.follow();
	}}
/>

{#if work.step === 'before'}
	<div class="mt-4 max-w-read">
		<Caution
			>The phone stands; nobody films by hand near a running aircraft, and nobody stands below it. Never nearer than
			your safe distance.</Caution
		>
	</div>
	<ol class="m-0 mt-4 grid max-w-read list-decimal gap-2 pl-6 text-lead">
		<li>Prop the phone so that the <b>sky</b> is behind the aircraft; a tree line is the worst there is.</li>
		<li>
			Five to eight metres off, looking up 20 to 40°. For the compass better still: the phone lying flat, its camera up,
			the aircraft five to eight metres above it.
		</li>
		<li>Nose away from the phone, heading held, hands off. <b>A minute</b>; two where small compass errors matter.</li>
		<li>Zoom before you begin, never while it runs.</li>
	</ol>
	<div class="mt-5 flex flex-wrap items-start gap-4">
		<FileButton
			label="Open a film"
			what="film of the hover"
			accept="video/*"
			onfile={(file) => void work.readFile(file)}
		/>
		<Recorder onfilm={(film) => void work.open(film, 'filmed here', true)} />
	</div>
	<p class="mt-3 text-small text-ink-2">The film stays on this device; only what it shows is kept.</p>
	{#if practice()}
		<section class="mt-5 max-w-[640px] border border-rule p-4">
			<h2 class="m-0">The practice aircraft</h2>
			<p class="mt-1 mb-3 text-small text-ink-2">
				Half a minute of a simulated hover, filmed while you wait: to be marked, followed and judged like any other.
			</p>
			<div class="flex flex-wrap items-end gap-4">
				<HoverFaults bind:faults />
				<Button
					class="min-h-14"
					onclick={() => void work.rehearse(Math.floor(Math.random() * 1e6), $state.snapshot(faults))}
					>Film the practice hover</Button
				>
			</div>
		</section>
	{/if}
{:else if work.step === 'filming'}
	<div class="mt-8 grid max-w-md gap-4">
		<Progress value={work.progress} label="Filming the practice aircraft" />
		<div><Button onclick={() => work.cancel()}>Cancel</Button></div>
	</div>
{:else if work.step === 'mark' && work.film}
	<div class="mt-4 grid gap-4">
		<Slider
			label="The film begins to count at"
			said={showClock(work.fromS)}
			min={0}
			max={Math.max(0.1, work.film.durationS - 1)}
			step={0.1}
			value={work.fromS}
			onchange={(v) => void work.begin(v)}
		/>
		{#if work.still}
			<PointPicker src={work.still} alt="The film at its beginning" asked={ASKED} bind:points={work.points} />
		{/if}
		<div class="flex flex-wrap items-start gap-5">
			<Quantity
				label="Between these two, in truth"
				of="height"
				min={0.03}
				max={5}
				value={work.spanM}
				note="as seen from the phone, taken as ±2 %: an X from behind shows 0.71 of its diagonal"
				onchange={(v) => (work.spanM = v)}
			/>
			<NumberField
				label="The camera sees"
				unit="° wide"
				min={20}
				max={130}
				value={work.viewDeg}
				note="empty: taken as a usual phone’s, 66° ± 15 %"
				onchange={(v) => (work.viewDeg = v)}
			/>
		</div>
		<Slider
			label="It looked up by"
			said={work.elevationDeg >= 88 ? 'straight up' : `${work.elevationDeg.toFixed(0)}°`}
			min={0}
			max={90}
			step={1}
			value={work.elevationDeg}
			onchange={(v) => (work.elevationDeg = v)}
		/>
		<HoldChoice label="Which hold was on" value={work.hold} onchange={(hold) => (work.hold = hold)} />
		{#if !work.long}<p class="m-0 font-semibold text-caution">
				{(work.film.durationS - work.fromS).toFixed(0)} s are left: under 20 s no circle can be told.
			</p>{/if}
		<div class="flex flex-wrap gap-3">
			<Button kind="primary" kbd="↵" disabled={!work.marked} onclick={() => void work.follow()}>Follow it</Button>
			<Button class="min-h-14" onclick={() => work.repeat()}>Another film</Button>
		</div>
	</div>
{:else if work.step === 'following'}
	<div class="mt-8 grid max-w-md gap-4">
		<Progress value={work.progress} label="Following the aircraft" />
		<div><Button onclick={() => work.cancel()}>Cancel</Button></div>
	</div>
{:else if work.step === 'confirm'}
	<p class="mt-3 mb-3 max-w-read text-lead text-ink-2">
		First, last, and the four in which it looked least like itself. A bird or a branch in a circle: say so, and nothing
		is judged.
	</p>
	<ul class="m-0 grid list-none grid-cols-2 gap-3 p-0 sm:grid-cols-3" aria-label="Six pictures of the film">
		{#each work.shown as { tS, src, ring } (tS)}
			<li class="relative">
				<img {src} alt="At {showClock(tS - work.fromS)}, with the circle on it" class="block w-full rounded" />
				<svg viewBox="-1 -1 2 2" class="absolute inset-0 block aspect-square w-full" aria-hidden="true">
					<circle r={ring} fill="none" stroke="#fffdf8" stroke-width="0.05" />
					<circle r={ring} fill="none" stroke="#9e1f3c" stroke-width="0.025" />
				</svg>
				<span class="figure-mono text-note text-ink-2">{showClock(tS - work.fromS)}</span>
			</li>
		{/each}
	</ul>
	<div class="mt-4 flex flex-wrap gap-3">
		<Button kind="primary" class="min-h-14" onclick={() => void work.judge(true)}>On the aircraft in all six</Button>
		<Button class="min-h-14" onclick={() => void work.judge(false)}>Not in every one</Button>
		<Button kind="quiet" class="min-h-14" onclick={() => work.remark()}>Mark it again</Button>
	</div>
{:else if work.review && work.film && work.track}
	{@const { bubble, spiral, height, durationS } = work.review}
	<div class="mt-4 grid gap-8 md:grid-cols-[minmax(0,420px)_minmax(0,1fr)]">
		<FilmPlayer film={work.film} track={work.track} />
		<div>
			{#if bubble.estimate95M !== null}
				<Figure
					label="Hold radius (95 %), about"
					value={m(bubble.estimate95M / 2)}
					unit={unitSymbol('height', units())}
					size="huge"
					note="at least {m(halved(bubble.lower95M))}, at most {m(halved(bubble.upper95M))}"
				/>
			{/if}
			<table class="mt-3">
				<tbody>
					<tr><td>Length</td><td class="num">{durationS.toFixed(0)} s</td></tr>
					{#if spiral.compassErrorDeg !== null}
						<tr
							><td>Compass error from the film</td><td class="num"
								>{showFigure(spiral.compassErrorDeg, null, 0).value}° ± {spiral.compassErrorSigmaDeg?.toFixed(0)}°</td
							></tr
						>
						<tr><td>Errors excluded above</td><td class="num">{spiral.excludedAboveDeg?.toFixed(0)}°</td></tr>
					{/if}
					{#if spiral.present && spiral.periodS !== null}
						<tr
							><td>It circles {spiral.sense === 'ccw' ? 'to the left' : spiral.sense === 'cw' ? 'to the right' : ''}</td
							><td class="num"
								>{spiral.periodS.toFixed(1)} s a turn{spiral.radiusM === null
									? ''
									: `, radius ${formatQuantity(spiral.radiusM, 'height', units())}`}</td
							></tr
						>
					{/if}
					{#if height.stdM !== null}<tr
							><td>Height spread</td><td class="num"
								>{toUnit(height.stdM, 'height', units()).toFixed(2)} {unitSymbol('height', units())}</td
							></tr
						>{/if}
				</tbody>
			</table>
		</div>
	</div>
	<div class="mt-4 max-w-3xl"><Reasons reasons={work.review.reasons} /></div>
	<div class="mt-4 flex flex-wrap gap-3">
		{#if onaccept}<Button kind="primary" kbd="↵" onclick={onaccept}>Record it</Button>{/if}
		<Button class="min-h-14" onclick={() => work.remark()}>Mark it again</Button>
		<Button class="min-h-14" onclick={() => work.repeat()}>Another film</Button>
		{#if work.recordedHere}<Button class="min-h-14" onclick={() => void work.keepFilm()}>Keep the film as a file</Button
			>{/if}
	</div>
{/if}
