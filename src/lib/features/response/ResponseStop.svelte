<script lang="ts">
	import Checkbox from '$lib/ui/Checkbox.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { localDay } from '$lib/words/calendar';
	import { goto } from '$app/navigation';
	import { signOf } from '$lib/core/session/checklist/signs';
	import { taskWords } from '$lib/core/session/entryWords';
	import { checkOf } from '$lib/core/session/tasks/items';
	import { isWrongNudge, observedOf } from '$lib/core/session/tasks/responseStop';
	import InstrumentView from '$lib/features/instruments/InstrumentView.svelte';
	import { InstrumentState } from '$lib/features/instruments/instrumentState.svelte';
	import { toEntry } from '$lib/features/instruments/payload';
	import { findInstrument } from '$lib/instruments/catalogue';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import type { EventKind } from '$lib/schema/entries';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { responseValues } from './responseValues';

	/** The stop after a no-go of the armed aircraft: made safe first, then the cause, then the logged change. */
	const view = getSessionView();
	const { aircraft, site } = view.bundle;
	const STEPS = ['Throttle down', 'Disarmed', 'Battery unplugged', 'Propellers off'];
	let safe = $state(STEPS.map(() => false));
	const allSafe = $derived(safe.every(Boolean));
	const stop = $derived(view.state.record.stop);
	const nudged = $derived(stop !== null && isWrongNudge(stop));
	const found = $derived.by(() => {
		if (!stop) return '';
		const check = checkOf(stop);
		if (check) return `${taskWords(check.task, aircraft)}${check.reason ? ` (${check.reason})` : ''}`;
		return stop.payload.kind === 'test' ? stop.payload.headline : '';
	});
	const sign = $derived.by(() => {
		const check = checkOf(stop);
		if (check) return signOf(check.task, check.reason, check.odd);
		const codes = stop?.payload.kind === 'test' ? stop.payload.reasons.map(({ code }) => code) : [];
		if (codes.includes('circling-seen') || codes.includes('compass-error')) return 'circles';
		return codes.includes('no-position-hold') ? 'drifts-wind' : undefined;
	});
	const instrument = findInstrument('ground-response');
	const work =
		instrument &&
		new InstrumentState(
			instrument,
			() => site,
			() => localDay(Date.now()),
			{
				values: responseValues(aircraft, observedOf(view.state.record), view.state.record.speaking('motor-walk')),
				from: {},
			},
		);
	$effect(() => () => work?.dispose());
	$effect(() => {
		if (allSafe && nudged && work && work.phase === 'choose' && !work.finding && !work.problem) void work.work();
	});
	let mended = $state('');

	async function keepRanking() {
		if (!work?.finding) return;
		try {
			await view.record('response', toEntry(work, null, view.grade('seen')));
			done('Recorded');
		} catch (error) {
			failed(error);
		}
	}
	async function putRight(what: EventKind) {
		try {
			await view.happened(what, mended.trim() || `changed after: ${found}`.slice(0, 400));
			done('Change logged; the checks that it affects are to do again');
			await goto(view.href('arm'));
		} catch (error) {
			failed(error);
		}
	}
</script>

{#snippet change()}
	<section class="mt-6 rounded border border-ink px-5 py-4">
		<h2 class="m-0">Put right?</h2>
		<p class="mt-1 mb-3">
			The change is logged as an event. Propellers, power-up and every check that it affects are to do again.
		</p>
		<div class="mb-3 max-w-xl"><TextField label="What was changed" maxlength={400} bind:value={mended} /></div>
		<div class="flex flex-wrap gap-3">
			<Button class="min-h-14" onclick={() => void putRight('part')}>Log part or wire</Button>
			<Button class="min-h-14" onclick={() => void putRight('settings')}>Log setting</Button>
			{#if nudged}<Button kind="quiet" class="min-h-14" href={view.finderHref(sign)}>Find the cause</Button>{/if}
			{#if stop}<Button kind="quiet" class="min-h-14" href="{view.href(stop.station)}?item={checkOf(stop)?.task ?? ''}"
					>Entered by mistake</Button
				>{/if}
		</div>
	</section>
{/snippet}

{#if !stop || !work}
	<Sheet title="Nothing is stopped here" name="Stop">
		{#snippet margin()}<p class="mt-0">No problem of the armed aircraft is open.</p>{/snippet}
		<Empty title="No problem is open"><Button href={view.href('response')}>Back to the checks</Button></Empty>
	</Sheet>
{:else if !allSafe}
	<Sheet title="Stop: make it safe before anything else" lead={found} name="Stop">
		{#snippet margin()}
			<Caution>Never reach for a spinning aircraft. Never raise the throttle to see what happens.</Caution>
		{/snippet}
		<ul class="m-0 mt-4 list-none p-0">
			{#each STEPS as step, k (step)}
				<li class="hairline">
					<Checkbox bind:checked={safe[k]} label={step} class="text-step" />
				</li>
			{/each}
		</ul>
	</Sheet>
{:else if nudged}
	<InstrumentView
		{work}
		{site}
		rotors={aircraft.rotors}
		lead="What was seen of {aircraft.name} on the ground is filled in; correct it where it is not so"
		onaccept={() => void keepRanking()}
	>
		{#snippet beside()}{@render change()}{/snippet}
	</InstrumentView>
{:else}
	<Sheet title="Find the cause, then log the change" lead={found} name="Stop">
		{#snippet margin()}
			<Caution>Propellers stay off until the change is logged and the checks that it affects are done again.</Caution>
		{/snippet}
		<div class="mt-4">
			<Button kind="primary" href={view.finderHref(sign, checkOf(stop)?.task)}>Find the cause</Button>
		</div>
		{@render change()}
	</Sheet>
{/if}
