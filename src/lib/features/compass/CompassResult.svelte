<script lang="ts">
	import { ofPage } from '$lib/features/shell/keys';
	import { showFigure } from '$lib/words/figures';
	import type { CompassAnswer } from '$lib/schema/compass';
	import { calibrationPayload } from '$lib/core/compass/payload';
	import { keptOf, type Kept } from '$lib/core/evidence/kept';
	import EarlierFigures from '$lib/features/history/EarlierFigures.svelte';
	import type { CompassSamples } from './compassState.svelte';
	import { samplesCsv } from './samplesCsv';
	import Button from '$lib/ui/Button.svelte';
	import Figure from '$lib/ui/Figure.svelte';
	import LinePlot from '$lib/ui/plot/LinePlot.svelte';
	import SphereMap from '$lib/ui/SphereMap.svelte';
	import { download } from '$lib/ui/download';
	import { showSigma } from '$lib/words/sigma';

	type Props = {
		answer: CompassAnswer;
		points: (readonly [number, number, number])[];
		/** Calibrations of this aircraft on record. */
		earlier: readonly Kept[];
		aircraftName: string;
		samples: CompassSamples;
		sourceName: string;
		onaccept?: ((accepted: 'accepted' | 'kept-aside') => void) | undefined;
		/** It was ended before its aim was reached: going on is the first thing offered. */
		early: boolean;
		/** Null where the source is gone: it is turned again. */
		ongoon: (() => void) | null;
		onrepeat: () => void;
	};
	let { answer, points, earlier, aircraftName, samples, sourceName, onaccept, early, ongoon, onrepeat }: Props =
		$props();

	const refused = $derived(answer.hardIronUt === null);
	const errors = $derived(
		(answer.headingErrors ?? []).map(({ headingDeg, errorDeg }) => ({ x: headingDeg, y: errorDeg })),
	);
	/** These values among the earlier ones, as the history would take them. */
	const beside = $derived.by((): Kept[] => {
		const payload = calibrationPayload(answer, 'accepted', sourceName, null);
		const at = new Date().toISOString();
		const now = payload && keptOf({ at, payload }, 'compass', at);
		return now ? [...earlier, { ...now, standing: 'in-force' }] : [];
	});

	const saveSamples = () => download(`compass-${aircraftName}.csv`, samplesCsv(samples), 'text/csv');

	const first = $derived(early ? (ongoon ?? onrepeat) : null);

	/** Enter goes on where it was ended early. It never accepts: the press that ends a turning must not take its values over. */
	function onkeydown(event: KeyboardEvent) {
		if (event.repeat || !ofPage(event) || event.ctrlKey || event.metaKey || event.altKey) return;
		if (event.key === 'Enter' && first) first();
		else if (event.key === 'a' && onaccept && answer.verdict !== 'fail') onaccept('accepted');
		else return;
		event.preventDefault();
	}
</script>

<svelte:window {onkeydown} />

{#if !refused}
	<div class="mt-4 flex flex-wrap gap-x-12 gap-y-3">
		<Figure
			label="Heading known to"
			value="±{showSigma(answer.uncertainty?.headingDeg ?? 0)}"
			unit="°"
			size="huge"
			note="one standard deviation, worst heading"
		/>
		<Figure
			label="Wrong before"
			value={answer.headingErrorDeg?.before.toFixed(0) ?? '–'}
			unit="°"
			note="worst of a full turn, uncorrected"
		/>
		<Figure
			label="Expected after"
			value={answer.headingErrorDeg?.after.toFixed(1) ?? '–'}
			unit="°"
			note="worst of a full turn"
		/>
		<Figure
			label="Residual"
			value={answer.residualRmsUt?.toFixed(2) ?? '–'}
			unit="µT"
			note="{answer.rejected} of {answer.samples} set aside"
		/>
	</div>
{/if}

<div class="mt-4 flex flex-wrap gap-3">
	{#if first}<Button kind="primary" onclick={first} kbd="↵">{ongoon ? 'Go on turning' : 'Turn it again'}</Button>{/if}
	{#if onaccept}
		{#if answer.verdict !== 'fail'}
			<Button kind={early ? 'plain' : 'primary'} class="min-h-14" onclick={() => onaccept('accepted')} kbd="a"
				>Accept these values</Button
			>
		{/if}
		{#if !refused}<Button class="min-h-14" onclick={() => onaccept('kept-aside')}>Keep, not in force</Button>{/if}
	{/if}
	{#if first !== onrepeat}
		<Button kind={answer.verdict === 'fail' && !early ? 'primary' : 'plain'} class="min-h-14" onclick={onrepeat}
			>Turn it again</Button
		>
	{/if}
	<Button kind="quiet" class="min-h-14" onclick={saveSamples}>Save the samples (CSV)</Button>
	<Button
		kind="quiet"
		class="min-h-14"
		onclick={() => download(`compass-${aircraftName}.json`, JSON.stringify(answer, null, '\t'), 'application/json')}
		>Save the finding (JSON)</Button
	>
</div>
{#if onaccept && answer.verdict !== 'fail'}
	<p class="mt-2 text-small text-ink-2">
		Enter them in the aircraft, or let its own routine do so here and now. <b>Then switch it off and on again:</b> many aircraft
		take new values only then. The old ones stay at hand in the record, and a verification hover is asked for at the Hover
		station.
	</p>
{/if}

<div class="hairline mt-5 grid gap-8 pt-4 xl:grid-cols-2">
	{#if errors.length > 0}
		<LinePlot
			title="Without the calibration the heading would err like this"
			xLabel="heading, °"
			yLabel="error, °"
			lines={[{ label: '', points: errors, colour: 'var(--hold)' }]}
			band={answer.headingErrorDeg?.after ?? null}
			bandLabel="expected after"
			height={210}
		/>
	{/if}
	{#if points.length > 0}
		<div>
			<p class="m-0 mb-1 font-semibold">
				{answer.coverage
					? `${Math.round(100 * answer.coverage.fraction)} % of all directions seen`
					: 'Directions that were seen'}
			</p>
			<SphereMap {points} />
		</div>
	{/if}
</div>

{#if beside.length > 0}
	<section class="hairline mt-5 pt-4">
		<h2 class="mt-0 mb-1">
			{earlier.length > 0 ? 'Beside the earlier calibrations' : 'Values found; there are none to compare with'}
		</h2>
		{#if earlier.length > 0}
			<EarlierFigures kept={beside} now />
		{:else}
			<table class="mt-1">
				<thead
					><tr><th scope="col">value</th><th scope="col" class="num">now</th><th scope="col" class="num">±</th></tr
					></thead
				>
				<tbody>
					{#each beside[0].figures as { label, value, unit, sigma }, k (k)}
						{@const shown = showFigure(value, sigma, unit === '' ? 3 : 1)}
						<tr>
							<td>{label}{unit ? `, ${unit}` : ''}</td>
							<td class="num font-bold">{shown.value}</td>
							<td class="num text-note text-ink-2">{shown.sigma}</td>
						</tr>
					{/each}
				</tbody>
			</table>
		{/if}
	</section>
{/if}
