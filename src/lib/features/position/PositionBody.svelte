<script lang="ts">
	import { ofPage } from '$lib/features/shell/keys';
	import type { GnssAnswer } from '$lib/schema/gnss';
	import SourceFailure from '$lib/features/measuring/SourceFailure.svelte';
	import SourcePicker from '$lib/features/measuring/SourcePicker.svelte';
	import type { Way } from '$lib/features/measuring/Ways.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Figure from '$lib/ui/Figure.svelte';
	import Progress from '$lib/ui/Progress.svelte';
	import SkyPlot from '$lib/ui/plot/SkyPlot.svelte';
	import { download } from '$lib/ui/download';
	import { showClock } from '$lib/ui/format';
	import type { PositionState } from './positionState.svelte';

	type Props = {
		state: PositionState;
		place: { latDeg: number; lonDeg: number; altM: number } | null;
		date: string;
		/** Other ways than by its receiver's text, and which of all is the usual one. */
		others?: readonly Way[];
		first?: string | undefined;
		onaccept?: (answer: GnssAnswer) => void;
	};
	let { state: work, place, date, others, first, onaccept }: Props = $props();
	const answer = $derived(work.answer);
	const figure = (value: number | null | undefined, digits = 0) =>
		value === null || value === undefined ? '–' : value.toFixed(digits);
	const held = $derived(
		answer?.reasons.find(({ code }) => code === 'insufficient-duration' || code === 'lock-held')?.value ?? 0,
	);
	const rows = $derived(
		answer
			? [
					['Fix at the end', answer.fixType, 'any with height'],
					[
						'First fix after',
						answer.firstFixS === null ? 'none' : `${answer.firstFixS.toFixed(0)} s`,
						'about 60 s is usual',
					],
					['Locked after', answer.lockS === null ? 'not yet' : `${answer.lockS.toFixed(0)} s`, ''],
					['Updates', answer.rateHz === null ? '–' : `${answer.rateHz.toFixed(1)} per second`, ''],
					['Half of the fixes within', answer.scatter ? `${answer.scatter.cep50M.toFixed(2)} m` : '–', ''],
					['95 % of the fixes within', answer.scatter ? `${answer.scatter.cep95M.toFixed(2)} m` : '–', '5 m'],
					['Drift', answer.scatter ? `${answer.scatter.driftMPerMin.toFixed(2)} m/min` : '–', ''],
					[
						'Home',
						answer.home ? `${answer.home.latDeg.toFixed(6)}, ${answer.home.lonDeg.toFixed(6)}` : 'not stored',
						'',
					],
					['Home known to', answer.home ? `± ${answer.home.sigmaM.toFixed(2)} m` : '–', ''],
					['Whole sentences', `${answer.sentences}`, ''],
					['Broken lines', `${answer.checksumErrors} wrong, ${answer.withoutChecksum} cut`, 'under 2 %'],
				]
			: [],
	);
</script>

<svelte:window
	onkeydown={(event) => {
		if (event.repeat || !ofPage(event) || event.ctrlKey || event.metaKey || event.altKey) return;
		// The press that ends the watching must not record what it found.
		if (event.key === 'Enter' && work.phase === 'watching') void work.finish();
		else if (event.key === 'a' && work.phase === 'result' && answer && onaccept) onaccept(answer);
	}}
/>

{#if work.phase === 'choose'}
	<SourcePicker
		what="position"
		{others}
		{first}
		{place}
		{date}
		accept=".nmea,.txt,.log,.ubx,text/plain"
		fileHint="Text of a receiver in NMEA 0183, as it came off the line. Broken lines are counted, not fatal."
		serialHint="Sentences of a receiver in NMEA 0183, watched until the lock has held."
		onsource={(source) => work.begin(source)}
		onfile={(file) => void work.readFile(file)}
		startWords="Watch the lock"
	/>
{:else if work.busy && !answer}
	<div class="mt-8 grid max-w-md gap-4">
		<Progress value={null} label="Reading the log" />
		<div><Button onclick={() => work.cancel()}>Cancel</Button></div>
	</div>
{:else}
	<SourceFailure recording={work.recording} />
	<div class="mt-4 flex flex-wrap gap-x-12 gap-y-3">
		<Figure
			label="Satellites used"
			value={figure(answer?.satellitesUsed.last)}
			size="huge"
			note="{work.rule.minSatellites} wanted"
		/>
		<Figure label="HDOP" value={figure(answer?.hdop.last, 1)} size="huge" note="{work.rule.maxHdop} at most" />
		<Figure
			label={answer?.lockS === null || !answer ? 'Held for' : 'Locked after'}
			value={figure(answer?.lockS ?? held)}
			unit="s"
			size="huge"
			note="{work.rule.holdS} s without a break"
		/>
	</div>
	{#if work.phase === 'watching'}
		<div class="mt-3 max-w-xl"><Progress value={held / Math.max(1, work.rule.holdS)} label="Lock held" /></div>
	{/if}
	<div class="mt-4 flex flex-wrap items-center gap-3">
		{#if work.phase === 'watching'}
			<Button kind="primary" onclick={() => void work.finish()} kbd="↵">Stop and judge now</Button>
			<p class="m-0 text-small text-ink-2">
				Watched for {showClock(work.recording.atS)}. It ends by itself once the lock was held.
			</p>
		{:else}
			{#if !answer}<Button kind="primary" onclick={() => void work.finish()}>Judge what was recorded</Button>{/if}
			{#if onaccept && answer}<Button kind="primary" onclick={() => onaccept(answer)} kbd="↵">Record it</Button>{/if}
			<Button class="min-h-14" onclick={() => work.repeat()}>Watch again</Button>
			{#if work.recording.samples > 0}
				<Button
					kind="quiet"
					class="min-h-14"
					onclick={() => download('receiver.nmea', `${work.recording.lines.join('\r\n')}\r\n`, 'text/plain')}
					>Save the sentences</Button
				>
			{/if}
		{/if}
	</div>
	{#if answer}
		<div class="hairline mt-5 grid gap-8 pt-4 md:grid-cols-[minmax(0,270px)_minmax(0,1fr)]">
			<SkyPlot sky={answer.sky} />
			<table class="self-start">
				<thead
					><tr><th scope="col">figure</th><th scope="col" class="num">here</th><th scope="col">expected</th></tr></thead
				>
				<tbody>
					{#each rows as [label, here, expected] (label)}
						<tr><td>{label}</td><td class="num">{here}</td><td class="text-small text-ink-2">{expected}</td></tr>
					{/each}
				</tbody>
			</table>
		</div>
		{#if answer.problems.length > 0}
			<details class="mt-3 text-small">
				<summary class="cursor-pointer text-action">Lines that arrived broken</summary>
				<table class="mt-1">
					<tbody>
						{#each answer.problems as problem (problem.line)}
							<tr
								><td class="num w-16">{problem.line}</td><td>{problem.what}</td><td
									class="font-mono text-mini break-all">{problem.text}</td
								></tr
							>
						{/each}
					</tbody>
				</table>
			</details>
		{/if}
	{/if}
{/if}
