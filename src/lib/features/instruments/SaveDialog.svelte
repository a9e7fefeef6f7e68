<script lang="ts">
	import { named } from '$lib/ui/options';
	import Select from '$lib/ui/Select.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { live } from '$lib/store/live.svelte';
	import { asOne } from '$lib/store/db';
	import { giveBack } from '$lib/store/giveBack';
	import { saveToBench } from '$lib/store/repository';
	import { inUse, listAircraft } from '$lib/store/tables';
	import type { CalibrationPayload, TestPayload } from '$lib/schema/entries';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import { done, failed } from '$lib/ui/notify';
	import { prefer, preferences } from '$lib/ui/preferences.svelte';
	import TemperatureField from '../measuring/TemperatureField.svelte';

	/** Keeps a finding in the bench book of an aircraft, signed, with the temperature it was made at. */
	type Props = {
		open: boolean;
		siteId: string | null;
		payload: () => TestPayload | CalibrationPayload | null;
		/** The aircraft it belongs to, where that is known already. */
		aircraftId?: string | undefined;
		onsaved?: (() => void) | undefined;
	};
	let { open = $bindable(), siteId, payload, aircraftId: own = '', onsaved }: Props = $props();

	const all = live(async () => inUse(await listAircraft()));
	let aircraftId = $state('');
	let pilot = $state(preferences.pilot);
	let temperatureC = $state<number | null>(null);
	let missing = $state('');
	const aircraft = $derived(all.current?.find(({ id }) => id === (aircraftId || own)) ?? all.current?.[0]);

	async function save() {
		missing = !aircraft ? 'Enter an aircraft first.' : pilot.trim() === '' ? 'Say who measured it.' : '';
		if (missing || !aircraft) return;
		try {
			prefer({ pilot: pilot.trim() });
			const kept = payload();
			if (!kept) return;
			const warm = temperatureC === null ? {} : { temperatureC };
			const whole = kept.kind === 'test' ? { ...kept, ...warm } : kept;
			const { id, name } = aircraft;
			const row = $state.snapshot(aircraft);
			await asOne(async () => {
				await saveToBench(row, siteId, pilot.trim(), whole);
				await giveBack(kept, { aircraftId: id, packId: null, siteId });
			});
			done(`Saved in the bench book of ${name}`);
			open = false;
			onsaved?.();
		} catch (error) {
			failed(error);
		}
	}
</script>

<Dialog
	bind:open
	title="Keep it in an aircraft’s record"
	description="Signed and chained: it can be corrected by a later entry, not changed."
>
	<form
		class="grid gap-4"
		onsubmit={(event) => {
			event.preventDefault();
			void save();
		}}
	>
		{#if all.ready && (all.current ?? []).length === 0}
			<p class="m-0">No aircraft is on this device. <a href="/aircraft/new">Enter one</a> first.</p>
		{:else}
			<Select
				label="Aircraft"
				value={aircraft?.id}
				options={named(all.current ?? [])}
				onchange={(next) => (aircraftId = next)}
			/>
		{/if}
		<TextField label="Measured by" bind:value={pilot} maxlength={120} />
		<TemperatureField bind:value={temperatureC} />
		{#if missing}<p class="m-0 font-semibold text-hold" role="alert">{missing}</p>{/if}
		<div class="flex gap-3"><Button kind="primary" type="submit">Keep it</Button></div>
	</form>
</Dialog>
