<script lang="ts">
	import type { Snippet } from 'svelte';
	import type { LiveMeasurement } from '$lib/features/measuring/liveMeasurement';
	import { PRACTICE_WORDS } from '$lib/features/measuring/practice';
	import SitePicker from '$lib/features/measuring/SitePicker.svelte';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import type { LiveId } from '$lib/instruments/catalogue';
	import type { Finding, Sample } from '$lib/instruments/instrument';
	import type { CalibrationPayload, TestPayload } from '$lib/schema/entries';
	import type { Site } from '$lib/schema/records';
	import { failed } from '$lib/ui/notify';
	import KeepBar from './KeepBar.svelte';
	import { LIVE_SAMPLES } from './liveSamples';
	import { toEntry } from './payload';
	import SampleList from './SampleList.svelte';

	type Props = {
		id: LiveId;
		work: LiveMeasurement;
		site: Site | null;
		/** Where the place matters: choosing it. */
		onsite?: (id: string) => void;
		/** Told that what was measured need not come back: the record has it, or it is a sample. */
		recorded?: () => void;
		/** A finding that is more than a test: a calibration. */
		calibration?: () => CalibrationPayload | null;
		corner?: Snippet;
		samples?: readonly Sample[];
		why: Snippet;
		children: Snippet;
	};
	/** Compass, position and hover on their own, in the frame that all instruments share. */
	let {
		id,
		work,
		site,
		onsite,
		recorded,
		calibration,
		corner,
		samples = LIVE_SAMPLES[id],
		why,
		children,
	}: Props = $props();

	let sheet = $state<HTMLElement>();
	let saving = $state(false);
	let sample = $state(false);

	const finding = $derived<Finding | null>(
		work.found && { headline: work.title, plots: [], tables: [], ...work.found },
	);

	function payload(): TestPayload | CalibrationPayload {
		const grade = sample || work.practice ? 'rehearsed' : 'measured';
		const calibrated = calibration?.();
		if (calibrated) return { ...calibrated, grade };
		// Where the place is not asked for, none is kept.
		return toEntry({ finding, instrument: { id }, sourceName: work.sourceName }, onsite ? site : null, grade);
	}

	async function tryIt({ file }: Sample, seed: number) {
		try {
			if (!file) return;
			sample = true;
			recorded?.();
			await work.readFile(await file(seed));
			// One that could not be read says nothing of the next log.
			sample = !work.idle;
			if (sample) recorded?.();
		} catch (error) {
			failed(error);
		}
	}
	function repeat() {
		sample = false;
		work.repeat();
	}
</script>

<Sheet title={work.title} lead="Instrument · {id}" name="Instrument: {id}" finding={work.found} {corner}>
	{#snippet margin()}
		{#if onsite}<SitePicker {site} {onsite} />{/if}
		{@render why()}
	{/snippet}
	<div bind:this={sheet}>
		{#if finding && (sample || work.practice)}<p class="mt-2 mb-0 text-small text-ink-2">{PRACTICE_WORDS}</p>{/if}
		{@render children()}
		{#if finding}
			<KeepBar
				{id}
				{finding}
				sourceName={work.sourceName}
				siteId={site?.id ?? null}
				{payload}
				{sheet}
				onrepeat={repeat}
				onsaved={() => recorded?.()}
				bind:saving
			/>
		{/if}
		{#if work.idle && samples.length > 0}<SampleList
				{samples}
				ontry={(chosen, seed) => void tryIt(chosen, seed)}
			/>{/if}
	</div>
</Sheet>
