<script lang="ts">
	import { DEG } from '$lib/core/frames/angles';
	import { multiply } from '$lib/core/frames/mat3';
	import { fromYawPitchRoll, rotationZ } from '$lib/core/frames/rotation';
	import type { Held } from '$lib/core/guide/holds';
	import SourceFailure from '$lib/features/measuring/SourceFailure.svelte';
	import HandsPad from '$lib/features/measuring/HandsPad.svelte';
	import { inField, ofPage } from '$lib/features/shell/keys';
	import Aircraft3d from '$lib/ui/Aircraft3d.svelte';
	import AircraftSketch from '$lib/ui/AircraftSketch.svelte';
	import BigCue from '$lib/ui/BigCue.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Figure from '$lib/ui/Figure.svelte';
	import MarkIcon from '$lib/ui/MarkIcon.svelte';
	import Progress from '$lib/ui/Progress.svelte';
	import { showClock } from '$lib/ui/format';
	import type { HoldState } from './holdState.svelte';

	/** A procedure of holds under way: the pose wanted, the pose measured, and how long it has been still. */
	let { state: work, rotors, name }: { state: HoldState; rotors: number; name: string } = $props();

	const view = $derived(work.view);
	const holds = $derived(work.plan?.holds ?? []);
	const asked = $derived(view?.asked ?? holds[0]);
	const isIn = (id: string) => view?.accepted.some((a) => a.id === id) ?? false;
	/** Both drawings are seen a little from the side: edge on, nothing can be told. */
	const SEEN_FROM_DEG = 25;
	const measured = $derived(work.attitude && multiply(rotationZ(SEEN_FROM_DEG * DEG), work.attitude));
	const drawn = ({ yawDeg = 0, pitchDeg, rollDeg }: Held) =>
		fromYawPitchRoll((yawDeg + SEEN_FROM_DEG) * DEG, pitchDeg * DEG, rollDeg * DEG);
	const seconds = $derived((view?.heldS ?? 0).toFixed(1));

	function onkeydown(event: KeyboardEvent) {
		if (event.ctrlKey || event.metaKey || event.altKey) return;
		if (event.key === 'Escape' && work.big) work.big = false;
		else if (inField(event) && !work.big) return;
		else if (event.key === 'b') work.big = !work.big;
		else if (event.key === 'Enter' && ofPage(event)) work.finish();
		else return;
		event.preventDefault();
	}
</script>

<svelte:window {onkeydown} />

<div class="mt-4 grid gap-5 md:grid-cols-2 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)_200px]">
	<figure class="m-0">
		<figcaption class="text-small text-ink-2">Wanted: <b class="text-ink">{asked?.name ?? ''}</b></figcaption>
		<div class="grid h-52 place-items-center rounded border border-rule bg-paper">
			{#if asked}<AircraftSketch attitude={drawn(asked.pose)} {rotors} size={190} />{/if}
		</div>
	</figure>
	{#if work.recording.turnable}
		<HandsPad recording={work.recording} {rotors} />
	{:else}
		<figure class="m-0">
			<figcaption class="text-small text-ink-2">
				Measured now{#if view?.holding}: <b class="text-ink">still</b>{/if}
			</figcaption>
			<div class="grid h-52 place-items-center rounded border border-rule bg-paper">
				{#if measured}<Aircraft3d attitude={measured} {rotors} />
				{:else}<p class="m-0 px-gutter text-center text-ink-2">Nothing is read yet.</p>{/if}
			</div>
		</figure>
	{/if}
	<div>
		<Figure label="Held still" value={seconds} unit="s" size="huge" note="of {asked?.holdS ?? 0} s" />
		<Progress value={work.progress} label="{view?.accepted.length ?? 0} of {holds.length} are in" />
	</div>
</div>

<ul class="m-0 mt-5 grid list-none grid-cols-2 gap-2 p-0 sm:grid-cols-3 {holds.length > 3 ? 'lg:grid-cols-6' : ''}">
	{#each holds as hold, at (hold.id)}
		{@const done = isIn(hold.id)}
		{@const takesLater = !work.plan?.anyOrder && holds.slice(at + 1).some(({ id }) => isIn(id))}
		{@const again = takesLater ? 'Again from here' : 'Hold again'}
		<li
			class="grid content-start justify-items-center gap-1 rounded border p-2 text-center {hold.id === asked?.id
				? 'border-2 border-action'
				: 'border-rule'}"
		>
			<AircraftSketch attitude={drawn(hold.pose)} {rotors} size={70} />
			<span class="text-small">{hold.name}</span>
			<span class="flex min-h-7 items-center gap-1 text-note">
				<MarkIcon mark={done ? 'clear' : 'unseen'} size={20} />
				{done ? 'is in' : hold.id === asked?.id ? 'asked' : 'not yet'}
			</span>
			{#if done}<Button kind="quiet" onclick={() => work.again(hold.id)} aria-label="{again}: {hold.name}"
					>{again}</Button
				>{/if}
		</li>
	{/each}
</ul>

<SourceFailure recording={work.recording} />
<div class="mt-5 flex flex-wrap items-center gap-3">
	<Button kind="primary" kbd="↵" disabled={!view?.down} onclick={() => work.finish()}>Finish now</Button>
	<Button class="min-h-14" onclick={() => work.cancel()}>Cancel</Button>
	<Button kind="quiet" kbd="b" onclick={() => (work.big = true)}>Big cue</Button>
	<p class="m-0 flex-1 basis-52 text-small text-ink-2">
		{showClock(work.recording.atS)} recorded. It ends by itself when all of it is in.
	</p>
</div>

{#if work.big}
	<BigCue
		label="{work.plan?.name ?? ''} · {name}"
		clock={showClock(work.recording.atS)}
		words={work.words}
		speaks={false}
		progress={work.progress}
		figure="{seconds} s"
		wanted="of {asked?.holdS ?? 0} s still"
		onstop={() => work.finish()}
		onclose={() => (work.big = false)}
	>
		{#snippet picture()}
			{#if asked}<AircraftSketch attitude={drawn(asked.pose)} {rotors} size={220} ink="#fffdf8" nose="#f2c14e" />{/if}
		{/snippet}
	</BigCue>
{/if}
