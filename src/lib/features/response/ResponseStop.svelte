<script lang="ts">
	import { goto } from '$app/navigation';
	import { observedOf } from '$lib/core/session/tasks/responseStop';
	import InstrumentView from '$lib/features/instruments/InstrumentView.svelte';
	import { InstrumentState } from '$lib/features/instruments/instrumentState.svelte';
	import { toEntry } from '$lib/features/instruments/payload';
	import { findInstrument } from '$lib/instruments/catalogue';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { responseValues } from './responseValues';

	/** The stop after a wrong nudge: made safe first, then the ranking of faults with what was seen, then putting it right. */
	const view = getSessionView();
	const { aircraft, site } = view.bundle;
	const STEPS = ['Throttle down', 'Disarmed', 'Pack unplugged', 'Propellers off'];
	let safe = $state(STEPS.map(() => false));
	const allSafe = $derived(safe.every(Boolean));
	const instrument = findInstrument('ground-response');
	const work =
		instrument &&
		new InstrumentState(
			instrument,
			() => site,
			() => new Date().toISOString().slice(0, 10),
			{
				values: responseValues(aircraft, observedOf(view.state.record), view.state.record.speaking('motor-walk')),
				from: {},
			},
		);
	$effect(() => () => work?.dispose());
	$effect(() => {
		if (allSafe && work && work.phase === 'choose' && !work.finding && !work.problem) void work.work();
	});
	const stopped = $derived(view.state.stations.some(({ tasks }) => tasks.some(({ task }) => task === 'response-stop')));
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
	async function putRight(what: 'part' | 'settings') {
		try {
			await view.happened('unplugged', '');
			await view.happened(what, mended.trim() || 'put right after a wrong nudge');
			done('Noted; the nudges and what this may have undone are asked again');
			await goto(view.href('arm'));
		} catch (error) {
			failed(error);
		}
	}
</script>

{#if !stopped || !work}
	<Sheet title="Nothing is stopped here" name="Ground response">
		{#snippet margin()}<p class="mt-0">Every nudge so far was answered as it should be.</p>{/snippet}
		<Empty title="No nudge was wrong"><Button href={view.href('response')}>Back to the nudges</Button></Empty>
	</Sheet>
{:else if !allSafe}
	<Sheet title="Stop: make it safe before anything else" lead="A nudge was answered wrongly" name="Stop">
		{#snippet margin()}
			<Caution>Never reach for a spinning aircraft. Never raise the throttle to see what happens.</Caution>
		{/snippet}
		<ul class="m-0 mt-4 list-none p-0">
			{#each STEPS as step, k (step)}
				<li class="hairline">
					<label class="flex min-h-14 items-center gap-3 py-1.5 text-[19px]">
						<input type="checkbox" class="size-7 shrink-0 accent-(--action)" bind:checked={safe[k]} />
						{step}
					</label>
				</li>
			{/each}
		</ul>
	</Sheet>
{:else}
	<InstrumentView
		{work}
		{site}
		rotors={aircraft.rotors}
		lead="What was seen of {aircraft.name} on the ground is filled in; correct it where it is not so"
		onaccept={() => void keepRanking()}
	>
		{#snippet beside()}
			<section class="mt-6 rounded border border-ink px-5 py-4">
				<h2 class="m-0">Put right?</h2>
				<p class="mt-1 mb-3">
					What was changed is noted as an event; the nudges begin again, and so does what the change may have undone.
				</p>
				<label class="mb-3 grid max-w-xl gap-1">
					<span class="text-[15px] text-ink-2">What was changed</span>
					<input class="field-input" maxlength="400" bind:value={mended} />
				</label>
				<div class="flex flex-wrap gap-3">
					<Button class="min-h-14" onclick={() => void putRight('part')}>A propeller, motor or wire</Button>
					<Button class="min-h-14" onclick={() => void putRight('settings')}>A setting</Button>
					<Button kind="quiet" class="min-h-14" href={view.finderHref()}>It does other things too</Button>
				</div>
			</section>
		{/snippet}
	</InstrumentView>
{/if}
