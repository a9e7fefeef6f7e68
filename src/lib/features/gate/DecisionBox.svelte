<script lang="ts">
	import TextField from '$lib/ui/TextField.svelte';
	import { tick } from 'svelte';
	import { toWork } from '$lib/features/shell/toWork';
	import { plain } from '$lib/words/plain';
	import { goto } from '$app/navigation';
	import type { GateState } from '$lib/core/session/assess';
	import { limitsInForce } from '$lib/core/session/limitsInForce';
	import type { DecisionPayload } from '$lib/schema/entries';
	import Button from '$lib/ui/Button.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { showTime } from '$lib/ui/format';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';

	let { gate }: { gate: GateState } = $props();
	const view = getSessionView();
	const arm = $derived(gate.id === 'arm');

	let reason = $state('');
	let signedBy = $state(view.bundle.session.pilot);
	let missing = $state('');
	let busy = $state(false);
	const armFirst = $derived(!arm && !view.state.arm.open);
	const blocked = $derived(gate.unsettled > 0 || armFirst);
	const decided = $derived(gate.decision?.payload.kind === 'decision' ? gate.decision.payload : null);

	async function decide(decision: DecisionPayload['decision']) {
		missing = signedBy.trim() === '' ? 'A decision is signed with a name.' : '';
		if (missing || busy) return;
		busy = true;
		try {
			await view.record(
				gate.id,
				{
					kind: 'decision',
					task: arm ? 'arm' : 'flight',
					about: 'session',
					decision,
					reason: reason.trim(),
					signedBy: signedBy.trim(),
					marks: [...gate.blocking, ...gate.clear].map(({ task, mark }) => ({ task, mark })),
					limits: limitsInForce(view.facts, view.bundle.aircraft, view.bundle.session.venue),
				},
				gate.decision?.id ?? null,
			);
			reason = '';
			done(decision === 'fly' ? 'Decision recorded' : 'Held; recorded');
			if (decision === 'fly' && arm) {
				const behind = view.state.stations.find(({ id }) => id === 'response' || id === 'hover' || id === 'fly');
				await goto(view.href(behind?.id ?? 'fly'));
			} else if (decision === 'fly') {
				// The flight stands under the headline; the decision below everything that was settled.
				await tick();
				toWork(true);
			}
		} catch (error) {
			failed(error);
		} finally {
			busy = false;
		}
	}
	const words = $derived(
		!decided
			? ''
			: decided.decision === 'fly'
				? arm
					? 'To arm'
					: 'To fly'
				: arm
					? 'To hold before arming'
					: 'To hold the flight',
	);
</script>

<section id="decision" class="mt-6 scroll-mt-4 rounded border border-ink px-5 py-4">
	<h2 class="m-0">{arm ? 'Arm?' : 'Fly?'} Your decision</h2>
	{#if decided && gate.decision}
		<p class="m-0 mt-1">
			{words}, signed {decided.signedBy}, {showTime(gate.decision.at)}{decided.reason
				? `: ${plain(decided.reason)}`
				: ''}.
			{#if decided.decision === 'fly' && !gate.open}<b class="text-hold">Something has changed since: decide again.</b>
			{:else if !view.readOnly}A new decision is a new entry; this one stays.{/if}
		</p>
	{/if}
	{#if view.readOnly}
		{#if !decided}<p class="m-0 mt-1">It was not decided in this session.</p>{/if}
	{:else}
		{#if armFirst}
			<p class="mt-2 mb-0 font-semibold text-hold">The first gate, Arm, has not been answered.</p>
		{:else if blocked}
			<p class="mt-2 mb-0 font-semibold text-hold">
				{gate.unsettled === 1
					? 'One thing is open above: see it'
					: `${gate.unsettled} things are open above: see each`}, or set it aside by itself with its reason.
			</p>
		{/if}
		<div class="mt-3 grid gap-3 md:grid-cols-2">
			<TextField label="Signed by" maxlength={120} bind:value={signedBy} />
			<TextField label="Words of your own, if you like" maxlength={1000} bind:value={reason} />
		</div>
		{#if missing}<p class="m-0 mt-2 font-semibold text-hold" role="alert">{missing}</p>{/if}
		<div class="mt-4 flex flex-wrap gap-3">
			<Button kind={blocked ? 'primary' : 'plain'} class="min-h-14" disabled={busy} onclick={() => void decide('hold')}
				>{arm ? 'Hold here' : 'Hold the flight'}</Button
			>
			{#if armFirst}<Button class="min-h-14" href={view.href('arm')}>Go to Arm</Button>{/if}
			<Button
				kind={blocked ? 'plain' : 'primary'}
				class="min-h-14"
				disabled={blocked || busy}
				onclick={() => void decide('fly')}>{arm ? 'Arm' : 'Fly'}</Button
			>
		</div>
	{/if}
</section>
