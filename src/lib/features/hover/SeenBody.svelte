<script lang="ts">
	import Quantity from '$lib/ui/Quantity.svelte';
	import { begunLarge } from '$lib/words/begun';
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import { toUnit, unitSymbol } from '$lib/words/units';
	import { inField } from '$lib/features/shell/keys';
	import { refusedIn } from '$lib/ui/refuse';
	import HoldChoice from '$lib/features/measuring/HoldChoice.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Choice from '$lib/ui/Choice.svelte';
	import Figure from '$lib/ui/Figure.svelte';
	import Directions from '$lib/ui/Directions.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { showClock } from '$lib/ui/format';
	import { failed } from '$lib/ui/notify';
	import { units } from '$lib/ui/preferences.svelte';
	import type { SeenKind } from '$lib/schema/hoverSeen';
	import type { SeenState } from './seenState.svelte';

	/** A hover watched by eye, from who watches to the finding. */
	let { state: work, onaccept }: { state: SeenState; onaccept: () => void } = $props();
	let form = $state<HTMLElement>();

	/** Ways of creeping seen from behind the tail, as they lie on a keypad; null is the middle. */
	const RING = [
		{ key: '7', dirDeg: 315, label: 'ahead and left' },
		{ key: '8', dirDeg: 0, label: 'ahead' },
		{ key: '9', dirDeg: 45, label: 'ahead and right' },
		{ key: '4', dirDeg: 270, label: 'left' },
		{ key: '5', dirDeg: null, label: 'Still' },
		{ key: '6', dirDeg: 90, label: 'right' },
		{ key: '1', dirDeg: 225, label: 'back and left' },
		{ key: '2', dirDeg: 180, label: 'back' },
		{ key: '3', dirDeg: 135, label: 'back and right' },
	] as const;
	const KINDS: readonly { kind: SeenKind; label: string; sense?: 'left' | 'right' }[] = [
		{ kind: 'circling', sense: 'left', label: 'Circles to its left' },
		{ kind: 'circling', sense: 'right', label: 'Circles to its right' },
		{ kind: 'rising', label: 'Rises' },
		{ kind: 'sinking', label: 'Sinks' },
		{ kind: 'bobbing', label: 'Bobs' },
		{ kind: 'wobble', label: 'Wobbles' },
		{ kind: 'twitch', label: 'Twitches' },
	];

	const lengthUnit = $derived(unitSymbol('height', units()));
	const isLast = (kind: SeenKind, more: { dirDeg?: number | null; sense?: string }) =>
		work.last?.kind === kind && work.last.sense === more.sense && (work.last.dirDeg ?? null) === (more.dirDeg ?? null);

	const ring = ({ dirDeg }: (typeof RING)[number]) =>
		dirDeg === null ? work.mark('still') : work.mark('creeping', { dirDeg, frame: 'nose' });
	function judge() {
		if (refusedIn(form)) return;
		try {
			work.judge();
		} catch (error) {
			failed(error);
		}
	}
	function onkeydown(event: KeyboardEvent) {
		if (event.repeat || event.ctrlKey || event.metaKey || event.altKey || inField(event)) return;
		const way = RING.find(({ key }) => key === event.key);
		if (work.step === 'watching' && way) ring(way);
		else if (work.step === 'watching' && event.key === 'Backspace') work.undo();
		else return;
		event.preventDefault();
	}
	const percent = (share: number | null) => (share === null ? '–' : (100 * share).toFixed(0));
</script>

<svelte:window {onkeydown} />

{#if work.step === 'before'}
	<div class="mt-5 grid max-w-2xl gap-5">
		<HoldChoice label="Which hold is on" value={work.hold} onchange={(hold) => (work.hold = hold)} />
		{#if work.hold !== 'position'}
			<Directions label="Its nose points to" value={work.noseDeg} onchange={(deg) => (work.noseDeg = deg)} />
			<Quantity
				label="It hovers at"
				of="height"
				min={0}
				max={120}
				value={work.heightM}
				required
				note="the wind is stronger higher up"
				onchange={(v) => v !== null && (work.heightM = v)}
			/>
		{/if}
		<p class="m-0 max-w-read">
			Stand behind its tail, some eight metres off. {work.hold === 'position'
				? 'Let go of the sticks for a minute.'
				: 'Let go of the sticks for a few seconds at a time.'}
			Tap what it does whenever it changes, and whenever you are asked: “still” too.
		</p>
		<div><Button kind="primary" onclick={() => work.begin()}>It hovers: begin</Button></div>
		{#if work.views.length > 0}
			<p class="m-0 text-small text-ink-2">
				{work.views.length === 1 ? 'One hover is in.' : `${work.views.length} hovers are in.`} The next adds to it, as long
				as nothing was changed.
			</p>
		{/if}
	</div>
{:else if work.step === 'watching'}
	<div class="mt-3 flex flex-wrap items-end gap-x-8 gap-y-2">
		<p class="figure-mono m-0 text-giant leading-none font-bold" role="timer">{showClock(work.clock.elapsedS)}</p>
		<p class="m-0 text-small text-ink-2">
			{work.clock.elapsedS < 60 ? 'a minute tells most' : 'a minute is in'} · {work.marks.length}
			{work.marks.length === 1 ? 'mark' : 'marks'}
		</p>
	</div>
	<div class="mt-4 grid gap-5 md:grid-cols-[minmax(0,360px)_minmax(0,1fr)]">
		<div class="grid grid-cols-3 gap-2" role="group" aria-label="Which way it creeps, seen from behind its tail">
			{#each RING as way (way.key)}
				{@const on = way.dirDeg === null ? isLast('still', {}) : isLast('creeping', { dirDeg: way.dirDeg })}
				<button
					type="button"
					class="grid min-h-[60px] place-items-center md:min-h-[76px] rounded border text-step font-semibold {on
						? 'border-action bg-action-soft'
						: 'border-rule bg-sheet'}"
					aria-pressed={on}
					aria-label={way.dirDeg === null ? 'Still' : `Creeps ${way.label}`}
					onclick={() => ring(way)}
				>
					{#if way.dirDeg === null}Still{:else}<ArrowUp
							size={30}
							style="transform: rotate({way.dirDeg}deg)"
							aria-hidden="true"
						/>{/if}
				</button>
			{/each}
		</div>
		<div class="grid grid-cols-2 content-start gap-2" role="group" aria-label="What else it does">
			{#each KINDS as { kind, sense, label } (label)}
				{@const on = isLast(kind, sense ? { sense } : {})}
				<button
					type="button"
					class="min-h-12 rounded border px-3 text-left text-lead md:min-h-14 {on
						? 'border-action bg-action-soft font-semibold'
						: 'border-rule bg-sheet'}"
					aria-pressed={on}
					onclick={() => work.mark(kind, sense ? { sense } : {})}>{label}</button
				>
			{/each}
		</div>
	</div>
	<div class="mt-5 flex flex-wrap gap-3">
		<Button kind="primary" onclick={() => work.end(false)}>The hover is over</Button>
		<Button class="min-h-14" onclick={() => work.end(true)}>Broken off: it went too far</Button>
		<Button kind="quiet" disabled={work.marks.length === 0} onclick={() => work.undo()}>Take the last tap back</Button>
	</div>
{:else if work.step === 'after'}
	<div bind:this={form} class="mt-4 grid max-w-2xl gap-5">
		<div class="flex flex-wrap items-start gap-5">
			<Quantity
				label="Farthest from where it began"
				of={work.farthest.unit === 'm' ? 'height' : undefined}
				min={0}
				max={1000}
				value={work.farthest.value}
				note="as well as you can say; 0 where it did not leave its place"
				onchange={(value) => (work.farthest = { ...work.farthest, value })}
			/>
			<Choice
				label="counted in"
				value={work.farthest.unit}
				options={[
					{ value: 'steps', label: 'Steps' },
					{ value: 'lengths', label: 'Its own lengths' },
					{ value: 'm', label: lengthUnit === 'ft' ? 'Feet' : 'Metres' },
				]}
				onchange={(unit) => (work.farthest = { ...work.farthest, unit })}
			/>
		</div>
		{#if work.circled}
			<NumberField
				label="One circle took about"
				unit="s"
				min={0.5}
				max={120}
				value={work.circleS}
				note="leave it empty where you cannot say"
				onchange={(v) => (work.circleS = v)}
			/>
		{/if}
		{#if work.hold !== 'position'}
			<fieldset class="m-0 border-0 p-0">
				<legend class="mb-1 p-0 font-semibold">Hands off, from rest: where did it go?</legend>
				<div class="flex flex-wrap items-start gap-4">
					<NumberField
						label="For"
						unit="s"
						min={1}
						max={60}
						value={work.creep.forS}
						onchange={(v) => (work.creep.forS = v)}
					/>
					<Quantity
						label="It went"
						of="height"
						min={0}
						max={200}
						value={work.creep.metres}
						onchange={(v) => (work.creep.metres = v)}
					/>
					<Choice
						label="Seen from behind its tail"
						value={work.creep.dirDeg === null ? '' : String(work.creep.dirDeg)}
						options={RING.flatMap(({ dirDeg, label }) =>
							dirDeg === null ? [] : [{ value: String(dirDeg), label: begunLarge(label) }],
						)}
						onchange={(deg) => (work.creep.dirDeg = Number(deg))}
					/>
				</div>
			</fieldset>
		{/if}
		<div class="flex flex-wrap gap-3">
			<Button kind="primary" onclick={judge}>Judge it</Button>
			<Button class="min-h-14" onclick={() => work.another()}>Watch it again instead</Button>
		</div>
	</div>
{:else if work.answer}
	{@const { answer } = work}
	<div class="mt-4 flex flex-wrap gap-x-12 gap-y-4">
		{#if answer.circling.category !== 'none' && answer.sizeDeg !== null}
			<Figure
				label="Compass error behind such circling"
				value={answer.sizeDeg.toFixed(0)}
				unit="°"
				sigma={(answer.sizeSigmaDeg ?? 0).toFixed(0)}
				size="huge"
				note="probability that it circles: {percent(answer.circling.probability)} %"
			/>
		{:else if answer.excludedAboveDeg !== null}
			<Figure
				label="Compass errors excluded above"
				value={answer.excludedAboveDeg.toFixed(0)}
				unit="°"
				size="huge"
				note="smaller ones look like this too"
			/>
		{/if}
		{#if answer.farthestM !== null}
			<Figure
				label="Farthest"
				value={toUnit(answer.farthestM, 'height', units()).toFixed(1)}
				unit={lengthUnit}
				sigma={toUnit(answer.farthestSigmaM ?? 0, 'height', units()).toFixed(1)}
				note="stood still {percent(answer.stillShare)} % of the time"
			/>
		{/if}
	</div>
	{#if answer.drift}
		<p class="mt-3 mb-0">
			Trim {Math.hypot(...answer.drift.trimMps).toFixed(1)} ± {Math.hypot(...answer.drift.trimSigmaMps).toFixed(1)} m/s with
			its nose, wind {Math.hypot(...answer.drift.windMps).toFixed(1)} ± {Math.hypot(
				...answer.drift.windSigmaMps,
			).toFixed(1)} m/s.
		</p>
	{/if}
	<div class="mt-4 flex flex-wrap gap-3">
		<Button kind="primary" onclick={onaccept}>Record it</Button>
		<Button class="min-h-14" onclick={() => work.another()}>Add another hover</Button>
		<Button kind="quiet" onclick={() => work.startOver()}>Start over</Button>
	</div>
	{#if answer.verdict === 'fail'}
		<div class="mt-4 max-w-read">
			<Caution>Land, disarm, disconnect. It does not hold its place again before this is found.</Caution>
		</div>
	{/if}
{/if}
