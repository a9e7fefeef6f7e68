<script lang="ts">
	import { aircraftEventSchema, type Aircraft, type AircraftEvent } from '$lib/schema/records';
	import { noteEvent } from '$lib/store/repository';
	import Button from '$lib/ui/Button.svelte';
	import { showDate } from '$lib/ui/format';
	import { done, failed } from '$lib/ui/notify';
	import { EVENT_WORDS } from '$lib/core/due/rules';

	let { aircraft }: { aircraft: Aircraft } = $props();
	const KINDS = aircraftEventSchema.shape.kind.options;
	let kind = $state<AircraftEvent['kind']>('knock');
	let note = $state('');
	const events = $derived(aircraft.events.toSorted((a, b) => (a.at < b.at ? 1 : -1)));

	async function addEvent(event: SubmitEvent) {
		event.preventDefault();
		try {
			await noteEvent(aircraft.id, kind, note.trim());
			note = '';
			done('Noted; what it makes due is worked out anew, in a running session too');
		} catch (error) {
			failed(error);
		}
	}
</script>

<section>
	<h2 class="m-0 mb-2">What happened to it</h2>
	<form class="mb-3 flex flex-wrap items-end gap-3" onsubmit={addEvent}>
		<label class="grid gap-1">
			<span class="text-[15px] text-ink-2">Event</span>
			<select class="field-input" bind:value={kind}>
				{#each KINDS as value (value)}<option {value}>{EVENT_WORDS[value]}</option>{/each}
			</select>
		</label>
		<label class="grid flex-1 gap-1"
			><span class="text-[15px] text-ink-2">Note</span><input
				class="field-input"
				maxlength="400"
				bind:value={note}
			/></label
		>
		<Button type="submit">Note it</Button>
	</form>
	<ul class="m-0 list-none p-0">
		{#each events as event (event.id)}
			<li class="hairline py-2">
				<b>{EVENT_WORDS[event.kind]}</b>
				<span class="text-ink-2">{showDate(event.at)}{event.note ? ` · ${event.note}` : ''}</span>
			</li>
		{:else}
			<li class="hairline py-2 text-ink-2">
				Nothing noted. A knock, a firmware change or a long drive makes calibrations due.
			</li>
		{/each}
	</ul>
</section>
