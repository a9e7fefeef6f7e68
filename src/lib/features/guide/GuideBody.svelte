<script lang="ts">
	import Checkbox from '$lib/ui/Checkbox.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { DEG } from '$lib/core/frames/angles';
	import { fromYawPitchRoll } from '$lib/core/frames/rotation';
	import type { Recipe } from '$lib/core/guide/recipes';
	import type { Shown } from '$lib/core/guide/run';
	import { inField, ofPage } from '$lib/features/shell/keys';
	import AircraftSketch from '$lib/ui/AircraftSketch.svelte';
	import BigCue from '$lib/ui/BigCue.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Choice from '$lib/ui/Choice.svelte';
	import Progress from '$lib/ui/Progress.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import { showClock } from '$lib/ui/format';
	import ColdSoak from './ColdSoak.svelte';
	import type { Light } from '$lib/schema/records';
	import LightLines from '$lib/ui/LightLines.svelte';
	import type { GuideState } from './guideState.svelte';

	type Props = {
		state: GuideState;
		recipes: readonly Recipe[];
		aircraftName: string;
		rotors: number;
		/** What this aircraft's lights and tones mean, in its owner's words. */
		lights: string;
		/** Lines of its table that fit this routine. */
		table: readonly Light[];
		keepWords: string;
		onkeep: () => void;
	};
	let { state: work, recipes, aircraftName, rotors, lights, table, keepWords, onkeep }: Props = $props();

	const step = $derived(work.current);
	let small = $state(false);
	const attitude = $derived(fromYawPitchRoll(0.5, (step?.pose?.pitchDeg ?? 0) * DEG, (step?.pose?.rollDeg ?? 0) * DEG));
	const ANSWERS: readonly { shown: Shown; words: string; key: string }[] = [
		{ shown: 'as-wanted', words: 'As it should', key: '1' },
		{ shown: 'otherwise', words: 'Otherwise', key: '2' },
		{ shown: 'not-seen', words: 'Did not see', key: '3' },
	];

	function onkeydown(event: KeyboardEvent) {
		if (event.ctrlKey || event.metaKey || event.altKey || inField(event)) return;
		const answered = ANSWERS.find(({ key }) => key === event.key);
		if (work.asking && step.watch && answered) work.answer(answered.shown);
		else if (work.asking && !step.watch && event.key === 'Enter' && ofPage(event)) work.answer('as-wanted');
		else if (work.phase === 'found' && event.key === 'Enter' && ofPage(event)) onkeep();
		else return;
		event.preventDefault();
	}
</script>

<svelte:window {onkeydown} />

{#if work.phase === 'before'}
	{#if recipes.length > 1}
		<div class="mt-4">
			<Choice
				label="Which routine this aircraft has"
				stacked
				value={work.recipe.id}
				options={recipes.map(({ id, name, note }) => ({ value: id, label: name, note }))}
				onchange={(id) => {
					const next = recipes.find((r) => r.id === id);
					if (next) work.choose(next);
				}}
			/>
		</div>
	{/if}
	{#if work.recipe.id === 'cold'}<ColdSoak {aircraftName} />{/if}
	<h2 class="mt-5 mb-1">Before it begins</h2>
	<ul class="m-0 list-none p-0">
		{#each work.recipe.before as text, k (k)}
			<li class="hairline">
				<Checkbox bind:checked={work.ready[k]} label={text} />
			</li>
		{/each}
	</ul>
	<div class="mt-4 flex flex-wrap items-center gap-4">
		<Button kind="primary" onclick={() => work.begin()}>Begin the routine</Button>
		{#if !work.allReady}<p class="m-0 text-ink-2">What is not confirmed will stand in the record.</p>{/if}
	</div>
{:else if work.phase === 'steps'}
	<div class="mt-4 grid gap-6 md:grid-cols-[190px_minmax(0,1fr)]">
		<div><AircraftSketch {attitude} {rotors} size={170} /></div>
		<div>
			<p class="m-0 text-ink-2">Step {work.step + 1} of {work.recipe.steps.length}</p>
			{#if step.caution}<div class="my-2"><Caution>{step.caution}</Caution></div>{/if}
			{#if work.heldS !== null && step.holdS}
				<p class="figure-mono m-0 text-figure font-bold" role="timer">
					{Math.max(0, Math.ceil(step.holdS - work.heldS))} <span class="text-[0.5em] text-ink-2">s</span>
				</p>
				<Progress value={work.heldS / step.holdS} label="Held" />
				<div class="mt-3"><Button onclick={() => work.endHold()}>It is done already</Button></div>
			{:else if step.watch}
				<p class="mt-2 mb-2 text-step font-semibold">{step.watch}</p>
				{#if table.length > 0}<LightLines lines={table} {aircraftName} />
				{:else if lights}<p class="mt-0 mb-3 text-small text-ink-2">On this aircraft: {lights}</p>{/if}
				<div class="flex flex-wrap gap-3">
					{#each ANSWERS as { shown, words, key } (shown)}
						<Button
							kind={shown === 'as-wanted' ? 'primary' : 'plain'}
							class="min-h-14"
							kbd={key}
							onclick={() => work.answer(shown)}>{words}</Button
						>
					{/each}
				</div>
				<div class="mt-3 max-w-md">
					<TextField label="What it showed, in your words" maxlength={200} bind:value={work.note} />
				</div>
			{:else}
				<div class="mt-3"><Button kind="primary" kbd="↵" onclick={() => work.answer('as-wanted')}>Done</Button></div>
			{/if}
		</div>
	</div>
	<div class="hairline mt-6 flex flex-wrap gap-3 pt-3">
		<Button kind="quiet" disabled={work.step === 0} onclick={() => work.back()}>Back one step</Button>
		<Button kind="quiet" onclick={() => work.stop()}>Stop here</Button>
	</div>
{:else}
	<div class="mt-4 max-w-3xl"><Reasons reasons={work.finding.reasons} /></div>
	{#if work.finding.verdict === 'fail'}
		<p class="mt-4 mb-0 max-w-read">The routine was not completed: it is no calibration. Propellers stay off.</p>
		<div class="mt-4 flex flex-wrap gap-3">
			<Button kind="primary" onclick={() => work.choose(work.recipe)}>Begin again</Button>
			<Button class="min-h-14" kbd="↵" onclick={onkeep}>Record the failed attempt</Button>
		</div>
	{:else}
		<h2 class="mt-5 mb-1">Now</h2>
		<ul class="mt-0 pl-5">
			{#each work.recipe.after as text, k (k)}<li class="py-1">{text}</li>{/each}
		</ul>
		<div class="mt-4 flex flex-wrap gap-3">
			<Button kind="primary" kbd="↵" onclick={onkeep}>{keepWords}</Button>
			<Button class="min-h-14" onclick={() => work.choose(work.recipe)}>Do it again</Button>
		</div>
	{/if}
{/if}

{#if work.phase === 'steps' && work.heldS !== null && step.holdS && step.pose && !small}
	<BigCue
		label="{work.recipe.name} · {aircraftName}"
		clock={showClock(work.heldS)}
		words={step.do}
		progress={work.heldS / step.holdS}
		figure={String(Math.max(0, Math.ceil(step.holdS - work.heldS)))}
		wanted="seconds"
		onstop={() => work.endHold()}
		onclose={() => work.endHold()}
	>
		{#snippet picture()}<AircraftSketch {attitude} {rotors} size={220} ink="#fffdf8" nose="#f2c14e" />{/snippet}
	</BigCue>
{/if}
