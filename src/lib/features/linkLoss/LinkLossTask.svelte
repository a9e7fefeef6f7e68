<script lang="ts">
	import { goto } from '$app/navigation';
	import Sheet from '$lib/features/running/Sheet.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import { saveAircraft } from '$lib/store/repository';
	import type { LossAction } from '$lib/schema/records';
	import Caution from '$lib/ui/Caution.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { keepDraft } from '$lib/ui/draft.svelte';
	import LinkLossBody from './LinkLossBody.svelte';
	import { LinkLossState } from './linkLossState.svelte';

	/** The link-loss test of a session: one entry, for the bench list and for what is due. */
	const view = getSessionView();
	const { aircraft } = $derived(view.bundle);
	const work = new LinkLossState(view.bundle.aircraft.lossAction);
	if (work.action) work.step = 'before';
	$effect(() => () => work.dispose());
	const half = keepDraft(
		`link-loss ${view.half}`,
		() => work.draft,
		(kept) => work.takeUp(kept),
	);
	const title = $derived(
		work.step === 'found' && work.finding ? work.finding.headline : `Radio off: what does ${aircraft.name} do?`,
	);

	async function keepAction(lossAction: LossAction) {
		if (aircraft.lossAction === lossAction || view.rehearsal) return;
		try {
			await saveAircraft({ ...$state.snapshot(aircraft), lossAction });
		} catch (error) {
			failed(error);
		}
	}
	async function run(): Promise<boolean> {
		const payload = work.payload(view.grade('seen'));
		if (!payload) return false;
		try {
			await view.record('bench', payload);
			half.forget();
			done('Recorded');
			return true;
		} catch (error) {
			failed(error);
			return false;
		}
	}
	async function keep() {
		if (await run()) await goto(view.href('bench'));
	}
</script>

<Sheet
	{title}
	lead="Link-loss test of {aircraft.name} on the bench"
	name="Link-loss test"
	finding={work.step === 'found' ? work.finding : null}
>
	{#snippet margin()}
		<Caution>Propellers off for every armed bench test. The maker’s manual stands above this one.</Caution>
		<h2 class="mt-5 mb-1">What it shows</h2>
		<p>
			Only the armed test shows what a lost link does to the motors. Set to return, land or hover, it needs its motors
			and lets them run: on the bench you see that it reacts, in the air, near and low, that it comes home.
		</p>
		<p class="text-small text-ink-2">Some test in the air by a switch alone: that proves the return, not the loss.</p>
	{/snippet}
	<LinkLossBody
		state={work}
		{aircraft}
		onaction={(action) => void keepAction(action)}
		keepWords="Record it"
		onkeep={() => void keep()}
		onrun={run}
	/>
</Sheet>
