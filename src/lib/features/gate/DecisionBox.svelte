<script lang="ts">
	import { goto } from '$app/navigation';
	import type { GateState } from '$lib/core/gate/fold';
	import type { DecisionPayload } from '$lib/schema/records';
	import Button from '$lib/ui/Button.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { showTime } from '$lib/ui/format';
	import { getSessionView } from '$lib/features/session/sessionView.svelte';

	let { gate }: { gate: GateState } = $props();
	const view = getSessionView();

	let reason = $state('');
	let signedBy = $state(view.bundle.session.pilot);
	let missing = $state('');
	const open = $derived(gate.blocking.length > 0);
	const decided = $derived(gate.decision?.payload.kind === 'decision' ? gate.decision.payload : null);

	async function decide(decision: DecisionPayload['decision']) {
		missing = '';
		if (signedBy.trim() === '') missing = 'A decision is signed with a name.';
		else if (decision === 'fly' && open && reason.trim() === '')
			missing = 'With things in the way, flying needs a written reason.';
		if (missing) return;
		try {
			await view.record(
				'fly',
				{
					kind: 'decision',
					task: 'flight',
					about: 'session',
					decision,
					reason: reason.trim(),
					signedBy: signedBy.trim(),
					marks: [...gate.blocking, ...gate.clear].map(({ task, mark }) => ({ task, mark })),
				},
				gate.decision?.id ?? null,
			);
			done(decision === 'fly' ? 'Decision recorded' : 'The flight is held; recorded');
			if (decision === 'fly') await goto(view.href('close'));
		} catch (error) {
			failed(error);
		}
	}
</script>

<section class="mt-6 rounded border border-ink px-5 py-4">
	<h2 class="m-0">Your decision</h2>
	{#if decided && gate.decision}
		<p class="m-0 mt-1">
			{decided.decision === 'fly' ? 'To fly' : 'To hold the flight'}, signed {decided.signedBy}, {showTime(
				gate.decision.at,
			)}{decided.reason ? `: ${decided.reason.replace(/\.$/, '')}` : ''}. A new decision is a new entry; this one stays.
		</p>
	{/if}
	<div class="mt-3 grid gap-3 md:grid-cols-2">
		<label class="grid gap-1">
			<span class="text-[15px] text-ink-2">Signed by</span>
			<input class="field-input" maxlength="120" bind:value={signedBy} />
		</label>
		<label class="grid gap-1">
			<span class="text-[15px] text-ink-2">Reason{open ? ', needed to fly' : ''}</span>
			<input class="field-input" maxlength="1000" bind:value={reason} />
		</label>
	</div>
	{#if missing}<p class="m-0 mt-2 font-semibold text-hold" role="alert">{missing}</p>{/if}
	<div class="mt-4 flex flex-wrap gap-3">
		<Button kind={open ? 'primary' : 'plain'} class="min-h-14" onclick={() => void decide('hold')}
			>Hold the flight</Button
		>
		<Button kind={open ? 'plain' : 'primary'} class="min-h-14" onclick={() => void decide('fly')}>
			{open ? 'Fly with a written reason' : 'Fly'}
		</Button>
	</div>
</section>
