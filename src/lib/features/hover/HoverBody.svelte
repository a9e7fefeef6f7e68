<script lang="ts">
	import { halved } from '$lib/core/hover/holdRadius';
	import { showSigned } from '$lib/words/figures';
	import { ofPage } from '$lib/features/shell/keys';
	import { hoverLimits } from '$lib/core/hover/limits';
	import { localTrack } from '$lib/core/hover/track';
	import { formatQuantity, toUnit, unitSymbol, type Quantity } from '$lib/words/units';
	import FaultPicker from '$lib/features/measuring/FaultPicker.svelte';
	import MappingDialog from '$lib/features/measuring/MappingDialog.svelte';
	import Ways from '$lib/features/measuring/Ways.svelte';
	import { practiceAllowed } from '$lib/features/measuring/practice';
	import { NO_FAULTS, type RigFaults } from '$lib/rig/rig';
	import { newSeed } from '$lib/rig/seed';
	import type { HoverAnswer } from '$lib/schema/hover';
	import CutFlight from './CutFlight.svelte';
	import Playback from './Playback.svelte';
	import HoverFaults from '$lib/features/measuring/HoverFaults.svelte';
	import HoldChoice from '$lib/features/measuring/HoldChoice.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Figure from '$lib/ui/Figure.svelte';
	import FileDrop from '$lib/ui/FileDrop.svelte';
	import LinePlot from '$lib/ui/plot/LinePlot.svelte';
	import { units } from '$lib/ui/preferences.svelte';
	import Progress from '$lib/ui/Progress.svelte';
	import PlanPlot from '$lib/ui/plot/PlanPlot.svelte';
	import { possibleCauses } from './figures';
	import type { HoverState } from './hoverState.svelte';

	let { state: work, onaccept }: { state: HoverState; onaccept?: (answer: HoverAnswer) => void } = $props();

	const practice = practiceAllowed();
	let faults = $state<RigFaults>({ ...NO_FAULTS });
	const answer = $derived(work.answer);
	const possible = $derived(possibleCauses(answer?.causes ?? []));
	const track = $derived(work.request ? localTrack(work.request) : null);
	const THIN = 900;
	const plotted = $derived.by(() => {
		if (!track) return { height: [], distance: [] };
		const step = Math.max(1, Math.ceil(track.t.length / THIN));
		const pick = [...track.t.keys()].filter((i) => i % step === 0);
		const [n0, e0] = [track.north, track.east].map((v) => v.toSorted()[Math.floor(v.length / 2)]);
		return {
			height: pick.map((i) => ({ x: track.t[i] - track.t[0], y: track.up[i] })),
			distance: pick.map((i) => ({
				x: track.t[i] - track.t[0],
				y: Math.hypot(track.north[i] - n0, track.east[i] - e0),
			})),
		};
	});
	const f = (value: number | null | undefined, digits = 2) =>
		value === null || value === undefined ? '–' : value.toFixed(digits);
	const CAUSES: Record<string, string> = {
		'compass-error': 'Compass error',
		'wind-drift': 'Wind',
		'level-trim': 'Level trim',
		'weak-fix': 'Weak fix',
		'no-position-hold': 'No position hold',
		'pressure-disturbance': 'Pressure disturbed',
		'height-oscillation': 'Height bobbing',
		'ground-effect': 'Ground effect',
		'fix-jump': 'Fix jumped',
	};
	const metres = (value: number | null) => (value === null ? '–' : formatQuantity(value, 'height', units()));
	const fine = (value: number | null, quantity: Quantity) =>
		value === null ? '–' : `${toUnit(value, quantity, units()).toFixed(2)} ${unitSymbol(quantity, units())}`;
	const rehearse = () => void work.rehearse(newSeed(), $state.snapshot(faults));
</script>

<svelte:window
	onkeydown={(event) => {
		if (event.key !== 'Enter' || event.repeat || !ofPage(event) || work.busy) return;
		if (answer && onaccept) onaccept(answer);
		else if (!answer && work.whole) void work.judgePiece();
	}}
/>

{#snippet file()}
	<FileDrop
		accept=".csv,.txt,.tsv,.log,.gpx,.kml,.geojson,.json,text/csv"
		onfile={(file) => void work.readFile(file)}
		hint="CSV (time with north, east, height, or latitude, longitude, altitude; heading, satellites, volts beside them), GPX, KML or GeoJSON with times. A whole flight is cut here: take-off, hovers, legs, landing."
	/>
{/snippet}
{#snippet rig()}
	<div class="grid gap-4">
		<p class="m-0 text-small text-ink-2">A minute of simulated hover, with the faults you choose.</p>
		<div><Button kind="primary" onclick={rehearse} kbd="↵">Fly the practice hover</Button></div>
		<div class="flex flex-wrap gap-4">
			<HoverFaults bind:faults />
		</div>
		<FaultPicker bind:faults kinds={['weakSky']} />
	</div>
{/snippet}

{#if work.busy}
	<div class="mt-8 grid max-w-md gap-4">
		<Progress value={work.progress} label="Reviewing the hover" />
		<div><Button onclick={() => work.cancel()}>Cancel</Button></div>
	</div>
{:else if !answer && work.whole}
	<CutFlight state={work} />
{:else if !answer}
	<div class="mt-5">
		<HoldChoice label="Which hold was on" value={work.hold} onchange={(hold) => (work.hold = hold)} />
	</div>
	<div class="mt-5">
		<Ways
			what="hover"
			first={practice() ? 'rig' : 'file'}
			ways={[
				{ value: 'file', label: 'A track of your aircraft', body: file },
				...(practice() ? [{ value: 'rig', label: 'Practice aircraft', body: rig, enter: rehearse }] : []),
			]}
		/>
	</div>
{:else}
	<div class="mt-4 grid gap-8 md:grid-cols-[minmax(0,380px)_minmax(0,1fr)]">
		<div>
			{#if track && answer.bubble.diameter95M !== null}
				<PlanPlot
					north={track.north}
					east={track.east}
					diameter95M={answer.bubble.diameter95M}
					sense={answer.spiral.present ? answer.spiral.sense : null}
					limitM={hoverLimits.bubble95M.value}
				/>
			{/if}
		</div>
		<div>
			{#if answer.spiral.present && answer.spiral.compassErrorDeg !== null}
				<Figure
					label="Compass error from the track"
					value={showSigned(answer.spiral.compassErrorDeg)}
					unit="°"
					sigma={f(answer.spiral.compassErrorSigmaDeg, 0)}
					size="huge"
				/>
			{:else}
				<Figure
					label="Hold radius (95 %)"
					value={metres(halved(answer.bubble.diameter95M)).split(' ')[0]}
					unit={unitSymbol('height', units())}
					size="huge"
				/>
			{/if}
			<table class="mt-3">
				<thead
					><tr
						><th scope="col">figure</th><th scope="col" class="num">here</th><th scope="col" class="num">expected</th
						></tr
					></thead
				>
				<tbody>
					<tr
						><td>Hold radius (95&nbsp;%)</td><td class="num">{metres(halved(answer.bubble.diameter95M))}</td><td
							class="num text-ink-2">≤ {metres(hoverLimits.bubble95M.value / 2)}</td
						></tr
					>
					<tr
						><td>Hold radius (50&nbsp;%)</td><td class="num">{metres(halved(answer.bubble.diameter50M))}</td><td
							class="num text-ink-2"
						></td></tr
					>
					<tr
						><td>Drift</td><td class="num">{fine(answer.drift.speedMps, 'speed')}</td><td class="num text-ink-2"
							>≤ {fine(hoverLimits.driftMps.value, 'speed')}</td
						></tr
					>
					{#if !answer.spiral.present && answer.spiral.compassErrorDeg !== null}
						<tr
							><td>Compass error</td><td class="num whitespace-normal!" colspan="2"
								>none found; above {f(answer.spiral.excludedAboveDeg, 0)}° excluded</td
							></tr
						>
					{/if}
					{#if answer.spiral.present}
						<tr
							><td>One turn takes</td><td class="num">{f(answer.spiral.periodS, 1)} s</td><td class="num text-ink-2"
								>–</td
							></tr
						>
					{/if}
					<tr
						><td>Height spread</td><td class="num"
							>{(answer.height.stdM ?? 0) < 1e-9 ? 'not measured' : fine(answer.height.stdM, 'height')}</td
						><td class="num text-ink-2">≤ {fine(hoverLimits.heightRmsM.value, 'height')}</td></tr
					>
					<tr
						><td>Length</td><td class="num">{f(answer.durationS, 0)} s</td><td class="num text-ink-2"
							>≥ {hoverLimits.minHoldS.value} s</td
						></tr
					>
				</tbody>
			</table>
			{#if possible.length > 0 && answer.verdict !== 'pass'}
				<p class="mt-4 mb-1 text-small text-ink-2">Possible causes, ranked by judgement</p>
				<ul class="m-0 list-none p-0">
					{#each possible as { code, word } (code)}
						<li class="flex items-baseline justify-between gap-3 py-0.5">
							<span>{CAUSES[code] ?? code}</span>
							<span class="text-note text-ink-2">{word}</span>
						</li>
					{/each}
				</ul>
			{/if}
		</div>
	</div>
	<div class="mt-4 flex flex-wrap gap-3">
		{#if onaccept}<Button kind="primary" onclick={() => onaccept(answer)} kbd="↵">Record it</Button>{/if}
		{#if work.whole}<Button class="min-h-14" onclick={() => work.otherPiece()}>Another piece of this flight</Button
			>{/if}
		<Button class="min-h-14" onclick={() => work.repeat()}>Review another</Button>
	</div>
	<div class="hairline mt-4 grid gap-3 pt-3">
		<LinePlot
			title="The height spreads by {fine(answer.height.stdM, 'height')}"
			xLabel="time, s"
			yLabel="height, m"
			lines={[{ label: '', points: plotted.height }]}
			height={140}
		/>
		<LinePlot
			title={answer.bubble.diameter50M === null
				? 'Its distance from the middle'
				: `Half the time it is within ${metres(answer.bubble.diameter50M / 2)} of the middle`}
			xLabel="time, s"
			yLabel="distance, m"
			lines={[{ label: '', points: plotted.distance, ...(answer.spiral.present ? { colour: 'var(--hold)' } : {}) }]}
			height={140}
		/>
	</div>
{/if}

{#if answer && work.request}
	<details class="hairline mt-4 pt-2">
		<summary class="min-h-14 cursor-pointer py-4 text-lead font-semibold">Play it back</summary>
		<Playback request={work.whole?.request ?? work.request} looked={work.whole?.looked ?? null} />
	</details>
{/if}

<MappingDialog flow={work.table} />
