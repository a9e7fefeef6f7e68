<script lang="ts">
	import Select from '$lib/ui/Select.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { goto } from '$app/navigation';
	import { estimateOnPack, flownFlights } from '$lib/core/propulsion/flownFlights';
	import { STATIONS, stationTitle } from '$lib/core/session/stations';
	import type { StationId } from '$lib/schema/records';
	import { endSession } from '$lib/store/repository';
	import Button from '$lib/ui/Button.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { getSessionView } from './sessionView.svelte';

	/** The end of a session: from then on it is only read. */
	let { settled }: { settled: boolean } = $props();
	const view = getSessionView();
	const { id } = view.bundle.session;
	const flying = $derived(
		view.state.flight.tookOff !== null && (view.state.flight.landed?.seq ?? -1) < view.state.flight.tookOff.seq,
	);

	/** The transmitter timer for the next flight on this battery, by its flights, this one included. */
	const timerMin = $derived.by(() => {
		const { pack, entries } = view.bundle;
		const own = flownFlights([{ pack, entries }]);
		return pack && own.length > 0 ? (estimateOnPack(pack, 100, [...view.flown, ...own])?.timerMin ?? null) : null;
	});

	let left = $state('');
	let leftAt = $state<StationId>('bench');
	async function leave() {
		if (left.trim() === '') return;
		try {
			await view.leave(left, leftAt);
			left = '';
			done('Left; it comes back in the next session');
		} catch (error) {
			failed(error);
		}
	}

	async function end() {
		try {
			await endSession(id);
			done('The session is ended; it is only read from now on');
			await goto(`/session/${id}/sheet`);
		} catch (error) {
			failed(error);
		}
	}
</script>

<section class="mt-6 rounded border border-ink px-5 py-4">
	<h2 class="m-0">{view.readOnly ? 'This session is ended' : 'End of the session'}</h2>
	<p class="mt-1 mb-3">
		{view.readOnly
			? 'Its sheet says what was seen, what was not, and who decided.'
			: flying
				? 'It is still flying: note the landing first.'
				: settled
					? 'Everything at Close is answered. An ended session is only read; reopening it needs a reason.'
					: 'What is not answered stays visible on the sheet.'}
	</p>
	{#if timerMin !== null && timerMin > 0}
		<p class="mt-0 mb-3">
			Transmitter timer for {view.bundle.pack?.name}: <b class="figure-mono text-head">{timerMin.toFixed(1)} min</b> from
			full; nine flights in ten last longer.
		</p>
	{/if}
	{#if !view.readOnly}
		<form
			class="mb-4 flex flex-wrap items-end gap-3"
			onsubmit={(event) => {
				event.preventDefault();
				void leave();
			}}
		>
			<div class="min-w-60 flex-1">
				<TextField
					label="Leave something for the next session"
					maxlength={200}
					placeholder="fit the new rear foam"
					bind:value={left}
				/>
			</div>
			<Select
				label="It comes back at"
				value={leftAt}
				options={STATIONS.filter(({ id }) => !['arm', 'fly', 'close'].includes(id)).map(({ id }) => ({
					value: id,
					label: stationTitle(id, view.bundle.aircraft),
				}))}
				onchange={(next) => (leftAt = next)}
			/>
			<Button type="submit" class="min-h-12" disabled={left.trim() === ''}>Leave it</Button>
		</form>
	{/if}
	<div class="flex flex-wrap gap-3">
		{#if !view.readOnly}
			<Button kind={settled ? 'primary' : 'plain'} class="min-h-14" disabled={flying} onclick={() => void end()}
				>End the session</Button
			>
		{/if}
		{#if flying && !view.readOnly}<Button kind="primary" href={view.href('fly')}>Note the landing</Button>{/if}
		<Button class="min-h-14" href="/session/{id}/sheet">Session sheet</Button>
	</div>
</section>
