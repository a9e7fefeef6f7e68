<script lang="ts">
	import { localDay } from '$lib/words/calendar';
	import { goto } from '$app/navigation';
	import { keptOf } from '$lib/core/evidence/kept';
	import EarlierFigures from '$lib/features/history/EarlierFigures.svelte';
	import { InstrumentState } from '$lib/features/instruments/instrumentState.svelte';
	import InstrumentView from '$lib/features/instruments/InstrumentView.svelte';
	import { gradeOfWork, toEntry } from '$lib/features/instruments/payload';
	import { findInstrument } from '$lib/instruments/catalogue';
	import { rememberedOf } from '$lib/instruments/instrument';
	import { knownFor } from '$lib/instruments/known';
	import TemperatureField from '$lib/features/measuring/TemperatureField.svelte';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import type { StationId } from '$lib/schema/records';
	import type { TestPayload } from '$lib/schema/entries';
	import { live } from '$lib/store/live.svelte';
	import { giveBack, remember } from '$lib/store/giveBack';
	import { listKept } from '$lib/store/earlier';
	import Empty from '$lib/ui/Empty.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { lastTemperature } from './lastTemperature';

	/** An instrument as a procedure of the session: its finding becomes an entry of it, beside the earlier ones. */
	let { station, id }: { station: StationId; id: string } = $props();
	const view = getSessionView();
	const { aircraft, pack, session, site } = view.bundle;
	const date = localDay(Date.now());
	// svelte-ignore state_referenced_locally
	const instrument = findInstrument(id);
	// svelte-ignore state_referenced_locally
	const work =
		instrument &&
		new InstrumentState(
			instrument,
			() => site,
			() => date,
			knownFor(id, { aircraft, pack, site, facts: view.facts }),
		);
	$effect(() => () => work?.dispose());
	let temperatureC = $state(lastTemperature(view.bundle.entries));
	const sensor = instrument?.sensor;
	const earlier = live(
		async () => (sensor ? listKept(aircraft.id, sensor) : []),
		() => sensor,
	);

	async function accept(payload: TestPayload) {
		try {
			const grade = view.grade(payload.grade ?? 'seen');
			const entry = { ...payload, grade, ...(temperatureC === null ? {} : { temperatureC }) };
			const typed = work && grade !== 'rehearsed' ? rememberedOf(work.instrument, work.values) : {};
			await view.record(station, entry, null, async () => {
				await remember(aircraft.id, id, typed);
				await giveBack(entry, session);
			});
			done('Recorded');
			// Back to where it was opened: a sensor’s of the bench is listed on a page of its own.
			await goto(payload.sensor && station === 'bench' ? view.href('bench', 'bench-due') : view.href(station));
		} catch (error) {
			failed(error);
		}
	}
	/** The finding as the history would take it, so that it stands beside the earlier ones before it is kept. */
	function withNow() {
		if (!work) return [];
		const at = new Date().toISOString();
		const payload = toEntry(work, site, gradeOfWork(work));
		const now = sensor ? keptOf({ at, payload }, sensor, at) : null;
		return now ? [...(earlier.current ?? []), { ...now, standing: 'in-force' as const, temperatureC }] : [];
	}
</script>

{#if work}
	<InstrumentView
		{work}
		{site}
		owner={view.half}
		rotors={aircraft.rotors}
		lead="{work.instrument.title} of {aircraft.name}"
		onaccept={(payload) => void accept(payload)}
	>
		{#snippet aside()}
			{#if sensor}<div class="mt-4"><TemperatureField bind:value={temperatureC} /></div>{/if}
		{/snippet}
		{#snippet beside()}
			{#if sensor && (earlier.current ?? []).length > 0}
				<h2 class="mt-6 mb-1">Beside the earlier ones</h2>
				<EarlierFigures kept={withNow()} now />
			{/if}
		{/snippet}
	</InstrumentView>
{:else}
	<Empty title="There is no such instrument"><a href={view.href('bench')}>Back to the bench</a></Empty>
{/if}
