<script lang="ts">
	import { showSigma } from '$lib/words/sigma';
	import { DEG } from '$lib/core/frames/angles';
	import { fromYawPitchRoll } from '$lib/core/frames/rotation';
	import { TURN_PLANS } from '$lib/core/guide/turns';
	import Choice from '$lib/ui/Choice.svelte';
	import { compassLimits } from '$lib/core/compass/limits';
	import type { Mat3 } from '$lib/core/frames/mat3';
	import { cross, normalise, type Vec3 } from '$lib/core/frames/vec3';
	import type { Kept } from '$lib/core/evidence/kept';
	import AircraftSketch from '$lib/ui/AircraftSketch.svelte';
	import BigCue from '$lib/ui/BigCue.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Figure from '$lib/ui/Figure.svelte';
	import Progress from '$lib/ui/Progress.svelte';
	import Scale from '$lib/ui/Scale.svelte';
	import SphereMap from '$lib/ui/SphereMap.svelte';
	import { showClock } from '$lib/ui/format';
	import { inField, ofPage } from '$lib/features/shell/keys';
	import HandsPad from '$lib/features/measuring/HandsPad.svelte';
	import MappingDialog from '$lib/features/measuring/MappingDialog.svelte';
	import SourceFailure from '$lib/features/measuring/SourceFailure.svelte';
	import SourcePicker from '$lib/features/measuring/SourcePicker.svelte';
	import type { Way } from '$lib/features/measuring/Ways.svelte';
	import { download } from '$lib/ui/download';
	import CompassResult from './CompassResult.svelte';
	import type { CompassState } from './compassState.svelte';
	import { samplesCsv } from './samplesCsv';

	type Props = {
		state: CompassState;
		place: { latDeg: number; lonDeg: number; altM: number } | null;
		date: string;
		aircraftName: string;
		rotors: number;
		earlier?: readonly Kept[];
		/** Other ways than by its data, and which of all is the usual one. */
		others?: readonly Way[];
		first?: string | undefined;
		onaccept?: (accepted: 'accepted' | 'kept-aside') => void;
	};
	let { state: work, place, date, aircraftName, rotors, earlier = [], others, first, onaccept }: Props = $props();

	/** The pose asked for, nose to the north: what the sketch shows. */
	const turn = $derived(work.plan?.turns[Math.min(work.turns.done, work.plan.turns.length - 1)]);
	const poseAttitude = $derived.by((): Mat3 => {
		if (turn) return fromYawPitchRoll(0.4, turn.pose.pitchDeg * DEG, turn.pose.rollDeg * DEG);
		const down: Vec3 = work.cue?.pose.down ?? [0, 0, 1];
		const side = normalise(cross(down, Math.abs(down[0]) < 0.9 ? [1, 0, 0] : [0, 1, 0]));
		const north = cross(side, down);
		return [north, side, down];
	});
	const attitude = $derived(work.recording.attitude ?? poseAttitude);
	const now = $derived(work.points.at(-1) ?? null);
	const aim = $derived.by(() => {
		const ring = work.cue?.ring ?? [];
		if (ring.length === 0 || work.plan) return null;
		// The part of the ring that is furthest from what was seen.
		const gap = (u: Vec3) =>
			Math.min(...work.points.map((p) => 1 - (p[0] * u[0] + p[1] * u[1] + p[2] * u[2]) / (Math.hypot(...p) || 1)), 2);
		return ring.reduce((a, b) => (gap(b) > gap(a) ? b : a));
	});
	const fieldLow = $derived((work.model?.totalUt ?? 50) * (1 - compassLimits.fieldDeviation.value));
	const fieldHigh = $derived((work.model?.totalUt ?? 50) * (1 + compassLimits.fieldDeviation.value));
	const sigma = $derived(work.sigmaDeg);

	function onkeydown(event: KeyboardEvent) {
		if (event.ctrlKey || event.metaKey || event.altKey) return;
		if (event.key === 'Escape' && work.big) work.big = false;
		else if (inField(event) && !work.big) return;
		else if (event.key === 'b' && work.phase === 'turning') work.big = !work.big;
		else if (event.key === 'Enter' && !event.repeat && work.phase === 'turning' && ofPage(event))
			void work.finish(true);
		else return;
		event.preventDefault();
	}
</script>

<svelte:window {onkeydown} />

{#snippet turned()}
	<Choice
		label="How it is turned"
		value={work.plan?.id ?? 'data'}
		options={[
			{ value: 'data', label: 'By what the data need', note: 'the default: every cue is the turn that tells most' },
			...TURN_PLANS.map(({ id, name, note }) => ({ value: id, label: name, note })),
		]}
		onchange={(id) => (work.plan = TURN_PLANS.find((plan) => plan.id === id) ?? null)}
	/>
{/snippet}

{#if work.phase === 'choose'}
	<SourcePicker
		{place}
		{date}
		what="compass"
		{others}
		{first}
		{turned}
		accept=".csv,.txt,.tsv,text/csv,text/plain"
		fileHint="CSV with time and the three magnetometer axes; accelerometer and gyro beside them tell dip and mounting. Columns and units are recognised, or asked once."
		serialHint="Rows of text with a header: t [s], mx [uT], my [uT], mz [uT], and accelerometer and gyro where there are."
		onsource={(source) => work.begin(source)}
		onfile={(file) => void work.readFile(file)}
		startWords="Start turning"
	/>
	{#if work.table.busy}<div class="mt-4"><Progress value={null} label="Reading the log" /></div>{/if}
{:else if work.phase === 'turning'}
	<SourceFailure recording={work.recording} />
	<div class="mt-3 flex flex-wrap items-start gap-6">
		<div class="min-w-0 flex-[1_1_420px]">
			<SphereMap points={work.points} ring={work.plan ? [] : (work.cue?.ring ?? [])} {now} {aim} />
		</div>
		<div class="w-36">
			<p class="m-0 text-small text-ink-2">Aim for</p>
			<AircraftSketch attitude={poseAttitude} {rotors} size={130} />
			<p class="m-0 text-small">{turn?.name ?? work.cue?.pose.label ?? 'level'}, turning right</p>
			{#if work.plan}
				<p class="figure-mono m-0 text-small text-ink-2">
					turn {Math.min(work.turns.done + 1, work.plan.turns.length)} of {work.plan.turns.length}, {Math.abs(
						work.turns.turnedDeg,
					).toFixed(0)}°
				</p>
			{:else if work.cue && work.cue.awayDeg !== null}
				<p class="figure-mono m-0 text-small text-ink-2">{work.cue.awayDeg.toFixed(0)}° away</p>
			{/if}
		</div>
	</div>
	<div
		class="hairline mt-3 grid gap-x-8 gap-y-3 pt-3 {work.recording.turnable
			? 'md:grid-cols-[210px_minmax(0,1fr)_210px]'
			: 'md:grid-cols-[240px_minmax(0,1fr)]'}"
	>
		<div>
			<Figure
				label="Heading would be known to"
				value={sigma === null ? '–' : `±${sigma < 10 ? showSigma(sigma) : sigma.toFixed(0)}`}
				unit="°"
				size="huge"
			/>
			<Progress value={work.progress} label="Information gathered" />
			<p class="figure-mono m-0 mt-1 text-right text-note text-ink-2">±{work.limitDeg.toFixed(1)}° wanted</p>
		</div>
		<div class="grid content-start gap-2">
			<Scale
				label="Field strength"
				unit="µT"
				value={work.answer?.fieldUt ?? null}
				low={fieldLow}
				high={fieldHigh}
				expected={work.model?.totalUt ?? null}
			/>
			<Scale
				label="Dip below level"
				unit="°"
				value={work.answer?.measuredDip?.dipDeg ?? null}
				low={(work.model?.inclinationDeg ?? 60) - compassLimits.dipCautionDeg.value}
				high={(work.model?.inclinationDeg ?? 60) + compassLimits.dipCautionDeg.value}
				expected={work.model?.inclinationDeg ?? null}
			/>
		</div>
		<HandsPad recording={work.recording} {rotors} />
	</div>
	<div class="mt-3 flex flex-wrap items-center gap-3">
		<Button kind="primary" onclick={() => void work.finish(true)} kbd="↵">Finish now</Button>
		<Button onclick={() => work.repeat()} class="min-h-14">Start over</Button>
		<p class="m-0 flex-1 basis-52 text-small text-ink-2">
			{work.recording.samples} samples · {showClock(work.recording.atS)}. {work.plan
				? 'It ends when all turns are in; whether they were enough is what the data say.'
				: 'It keeps measuring until the aim is reached, then tells you to hold still.'}
		</p>
	</div>
{:else if work.busy}
	<div class="mt-8 grid max-w-md gap-4">
		<Progress value={null} label="Fitting the compass" />
		<div><Button onclick={() => work.cancel()}>Cancel</Button></div>
	</div>
{:else if !work.answer}
	<p class="mt-4 mb-0 text-small text-ink-2">
		By way of {work.sourceName}: {work.samples.mag.t.length} samples over {showClock(work.recording.atS)}.
	</p>
	<div class="mt-4 flex flex-wrap gap-3">
		<Button kind="primary" onclick={() => void work.again()}>Work it out</Button>
		<Button
			class="min-h-14"
			onclick={() => download(`compass-${aircraftName}.csv`, samplesCsv(work.samples), 'text/csv')}
			>Save the samples (CSV)</Button
		>
		<Button class="min-h-14" onclick={() => work.repeat()}>Turn it again</Button>
	</div>
{:else}
	<CompassResult
		answer={work.answer}
		points={work.points}
		{earlier}
		{aircraftName}
		samples={work.samples}
		sourceName={work.sourceName}
		{onaccept}
		early={work.early}
		ongoon={work.goesOn ? () => work.goOn() : null}
		onrepeat={() => work.repeat()}
	/>
{/if}

{#if work.big && work.phase === 'turning'}
	<BigCue
		label="Compass · {aircraftName}"
		clock={showClock(work.recording.atS)}
		words="{work.title}."
		progress={work.progress}
		figure={sigma === null ? '' : `±${showSigma(sigma)}°`}
		wanted="until ±{work.limitDeg.toFixed(1)}°"
		onstop={() => void work.finish(true)}
		onclose={() => (work.big = false)}
	>
		{#snippet picture()}
			<AircraftSketch
				attitude={work.cue && (work.cue.awayDeg ?? 90) < 28 ? attitude : poseAttitude}
				{rotors}
				size={220}
				ink="#fffdf8"
				nose="#f2c14e"
			/>
		{/snippet}
	</BigCue>
{/if}

<MappingDialog flow={work.table} />
