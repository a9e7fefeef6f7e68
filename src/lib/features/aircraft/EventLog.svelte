<script lang="ts">
	import Select from '$lib/ui/Select.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { aircraftEventSchema, type Aircraft, type AircraftEvent, type Component } from '$lib/schema/records';
	import { noteEvent } from '$lib/store/repository';
	import Button from '$lib/ui/Button.svelte';
	import ComponentField from '$lib/ui/ComponentField.svelte';
	import { showDate } from '$lib/ui/format';
	import { done, failed } from '$lib/ui/notify';
	import { EVENT_WORDS, eventWords } from '$lib/core/due/rules';

	let { aircraft }: { aircraft: Aircraft } = $props();
	const KINDS = aircraftEventSchema.shape.kind.options;
	let kind = $state<AircraftEvent['kind']>('knock');
	let note = $state('');
	const ofPart = $derived(kind === 'part' || kind === 'cleaned');
	let component = $state<Component | null>(null);
	const events = $derived(aircraft.events.toSorted((a, b) => (a.at < b.at ? 1 : -1)));

	async function addEvent(event: SubmitEvent) {
		event.preventDefault();
		try {
			await noteEvent(aircraft.id, { what: kind, note: note.trim(), ...(ofPart && component ? { component } : {}) });
			note = '';
			done('Event logged; checks that it affects are to do, in a running session too');
		} catch (error) {
			failed(error);
		}
	}
</script>

<section>
	<h2 class="m-0 mb-2">Events</h2>
	<form class="mb-3 flex flex-wrap items-end gap-3" onsubmit={addEvent}>
		<Select
			label="Event"
			value={kind}
			options={KINDS.map((value) => ({ value, label: EVENT_WORDS[value] }))}
			onchange={(next) => (kind = next)}
		/>
		<div class="flex-1"><TextField label="Note" maxlength={400} bind:value={note} /></div>
		{#if ofPart}<ComponentField {aircraft} {note} bind:component />{/if}
		<Button type="submit">Log event</Button>
	</form>
	<ul class="m-0 list-none p-0">
		{#each events as event, k (k)}
			<li class="hairline py-2">
				<b>{eventWords(event.kind, event)}</b>
				<span class="text-ink-2">{showDate(event.at)}{event.note ? ` · ${event.note}` : ''}</span>
			</li>
		{:else}
			<li class="hairline py-2 text-ink-2">
				No events. An impact, a firmware change or a long drive makes calibrations due.
			</li>
		{/each}
	</ul>
</section>
