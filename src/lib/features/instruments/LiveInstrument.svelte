<script lang="ts">
	import { calibrationPayload, placeOf } from '$lib/core/compass/payload';
	import { DEFAULT_LOCK_RULE } from '$lib/core/position/review';
	import CompassBody from '$lib/features/compass/CompassBody.svelte';
	import CompassWhy from '$lib/features/compass/CompassWhy.svelte';
	import { CompassState } from '$lib/features/compass/compassState.svelte';
	import HoverBody from '$lib/features/hover/HoverBody.svelte';
	import HoverWhy from '$lib/features/hover/HoverWhy.svelte';
	import { hoverFigures } from '$lib/features/hover/figures';
	import { HoverState } from '$lib/features/hover/hoverState.svelte';
	import PositionBody from '$lib/features/position/PositionBody.svelte';
	import { positionFigures } from '$lib/features/position/figures';
	import { PositionState } from '$lib/features/position/positionState.svelte';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import type { Site } from '$lib/schema/records';
	import type { CalibrationPayload, RecordedFigure, TestPayload } from '$lib/schema/entries';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import { failed } from '$lib/ui/notify';
	import type { Finding, Sample } from '$lib/instruments/instrument';
	import KeepBar from './KeepBar.svelte';
	import { LIVE_SAMPLES } from './liveSamples';
	import type { LiveId } from '$lib/instruments/catalogue';
	import SampleList from './SampleList.svelte';
	import SitePicker from '../measuring/SitePicker.svelte';

	/** Compass, position and hover on their own: their sheets, in the frame that all instruments share. */
	let { id, site, date, onsite }: { id: LiveId; site: Site | null; date: string; onsite: (id: string) => void } =
		$props();

	const compass = new CompassState(() => ({ place: placeOf(site), date, limitDeg: 1 }));
	const position = new PositionState(() => DEFAULT_LOCK_RULE);
	const hover = new HoverState(() => undefined);
	$effect(() => () => {
		compass.dispose();
		position.recording.stop();
	});
	let sheet = $state<HTMLElement>();
	let saving = $state(false);
	let practice = $state(false);

	const title = $derived({ compass: compass.title, position: position.title, hover: hover.title }[id]);
	const sourceName = $derived(
		{ compass: compass.recording.sourceName, position: position.recording.sourceName, hover: hover.sourceName }[id],
	);
	const found = $derived.by(
		(): { answer: { verdict: Finding['verdict']; reasons: Finding['reasons'] }; figures: RecordedFigure[] } | null => {
			if (id === 'compass') {
				const { answer } = compass;
				if (compass.phase !== 'result' || !answer) return null;
				const heading = answer.uncertainty?.headingDeg ?? null;
				return { answer, figures: [{ label: 'Heading known to', value: heading, unit: '°' }] };
			}
			if (id === 'position') {
				const { answer } = position;
				return answer && !position.recording.running ? { answer, figures: positionFigures(answer) } : null;
			}
			return hover.answer ? { answer: hover.answer, figures: hoverFigures(hover.answer) } : null;
		},
	);
	const finding = $derived<Finding | null>(
		found && {
			headline: title,
			verdict: found.answer.verdict,
			reasons: found.answer.reasons,
			figures: found.figures,
			plots: [],
			tables: [],
			answer: found.answer,
		},
	);
	const idle = $derived(
		id === 'compass'
			? compass.phase === 'choose'
			: id === 'position'
				? !position.answer && !position.recording.running
				: !hover.answer,
	);

	function payload(): TestPayload | CalibrationPayload {
		if (!finding) throw new Error('There is no finding to keep yet.');
		const flown = { compass: compass.recording.practice, position: position.recording.practice, hover: hover.practice };
		const simulated = practice || flown[id];
		const grade = simulated ? 'rehearsed' : 'measured';
		if (id === 'compass' && compass.answer) {
			const kept = calibrationPayload(compass.answer, 'accepted', sourceName, placeOf(site));
			if (kept) return { ...kept, grade };
		}
		return {
			kind: 'test',
			task: id,
			grade,
			sourceName,
			headline: finding.headline.slice(0, 400),
			figures: [...(found?.figures ?? [])],
			verdict: finding.verdict,
			reasons: [...finding.reasons],
		};
	}

	async function tryIt(sample: Sample, seed: number) {
		try {
			const file = await sample.file?.(seed);
			if (!file) return;
			practice = true;
			if (id === 'compass') await compass.beginFile(file);
			else if (id === 'position') await position.beginFile(file);
			else await hover.readFile(file);
		} catch (error) {
			failed(error);
		}
	}
	function repeat() {
		practice = false;
		if (id === 'compass') compass.repeat();
		else if (id === 'position') position.repeat();
		else hover.repeat();
	}
</script>

<Sheet {title} lead="Instrument · {id}" name="Instrument: {id}">
	{#snippet corner()}
		{#if id === 'compass' && compass.phase === 'turning'}<Button onclick={() => (compass.big = true)} kbd="b"
				>Big cue</Button
			>{/if}
	{/snippet}
	{#snippet margin()}
		{#if id !== 'hover'}<SitePicker {site} {onsite} />{/if}
		{#if id === 'compass'}
			<CompassWhy work={compass} last={null} />
		{:else if id === 'position'}
			<Caution>Home is where the aircraft goes when the link is lost.</Caution>
			{#if position.answer}<h2 class="mt-5 mb-2">Why</h2>
				<Reasons reasons={position.answer.reasons} />{/if}
		{:else}
			<HoverWhy answer={hover.answer} />
		{/if}
	{/snippet}
	<div bind:this={sheet}>
		{#if id === 'compass'}
			<CompassBody state={compass} place={site} {date} aircraftName="aircraft" rotors={4} />
		{:else if id === 'position'}
			<PositionBody state={position} place={site} {date} />
		{:else}
			<HoverBody state={hover} />
		{/if}
		{#if finding}
			<KeepBar {id} {finding} {sourceName} siteId={site?.id ?? null} {payload} {sheet} onrepeat={repeat} bind:saving />
		{/if}
		{#if idle}<SampleList samples={LIVE_SAMPLES[id]} ontry={(sample, seed) => void tryIt(sample, seed)} />{/if}
	</div>
</Sheet>
