<script lang="ts">
	import { goto } from '$app/navigation';
	import SaveDialog from '$lib/features/instruments/SaveDialog.svelte';
	import Page from '$lib/features/shell/Page.svelte';
	import type { Aircraft, LossAction } from '$lib/schema/records';
	import { saveAircraft } from '$lib/store/repository';
	import Caution from '$lib/ui/Caution.svelte';
	import { failed } from '$lib/ui/notify';
	import { keepDraft } from '$lib/ui/draft.svelte';
	import LinkLossBody from './LinkLossBody.svelte';
	import { LinkLossState } from './linkLossState.svelte';

	/** The link-loss test outside a session; kept in the bench book. */
	let { aircraft }: { aircraft: Aircraft } = $props();
	// svelte-ignore state_referenced_locally
	const work = new LinkLossState(aircraft.lossAction);
	if (work.action) work.step = 'before';
	$effect(() => () => work.dispose());
	// svelte-ignore state_referenced_locally
	const half = keepDraft(
		`link-loss ${aircraft.id}`,
		() => work.draft,
		(kept) => work.takeUp(kept),
	);
	let saving = $state(false);

	async function keepAction(lossAction: LossAction) {
		if (aircraft.lossAction === lossAction) return;
		try {
			await saveAircraft({ ...$state.snapshot(aircraft), lossAction });
		} catch (error) {
			failed(error);
		}
	}
</script>

<Page
	title={work.step === 'found' && work.finding ? work.finding.headline : `Radio off: what does ${aircraft.name} do?`}
	name="Link-loss test"
	lead="Link-loss test of {aircraft.name} on the bench"
>
	{#snippet margin()}
		<Caution>Propellers off for every armed bench test. The maker’s manual stands above this one.</Caution>
	{/snippet}
	<LinkLossBody
		state={work}
		{aircraft}
		onaction={(action) => void keepAction(action)}
		keepWords="Keep it in the record"
		onkeep={() => (saving = true)}
	/>
</Page>

<SaveDialog
	bind:open={saving}
	siteId={null}
	aircraftId={aircraft.id}
	payload={() => work.payload('seen')}
	onsaved={() => {
		half.forget();
		void goto(`/aircraft/${aircraft.id}/due`);
	}}
/>
