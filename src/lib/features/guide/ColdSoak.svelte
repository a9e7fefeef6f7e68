<script lang="ts">
	import TextField from '$lib/ui/TextField.svelte';
	import { addDays, format, set } from 'date-fns';
	import { COLD_SOAK_HOURS, planColdSoak } from '$lib/core/guide/coldSoak';
	import { soakCalendar } from '$lib/core/record/calendarFile';
	import Button from '$lib/ui/Button.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import { download } from '$lib/ui/download';
	import { failed } from '$lib/ui/notify';

	/** When to put an aircraft out into the cold, so that its routine begins with a cold board. */
	let { aircraftName }: { aircraftName: string } = $props();

	const now = new Date();
	let at = $state(format(set(addDays(now, 1), { hours: 8, minutes: 0 }), "yyyy-MM-dd'T'HH:mm"));
	let hours = $state(COLD_SOAK_HOURS);
	const plan = $derived.by(() => {
		const run = new Date(at);
		return Number.isNaN(run.getTime()) ? null : planColdSoak(run.toISOString(), hours, now.toISOString());
	});

	function save() {
		if (!plan) return;
		try {
			download(`cold-start-${aircraftName}.ics`, soakCalendar(aircraftName, plan, now.toISOString()), 'text/calendar');
		} catch (error) {
			failed(error);
		}
	}
</script>

<section class="mt-5 border border-rule p-4">
	<h2 class="m-0">
		{#if plan}Put it out by {format(new Date(plan.outAt), 'EEEE HH:mm')}{:else}When shall it run?{/if}
	</h2>
	<div class="mt-3 flex flex-wrap items-end gap-5">
		<TextField label="The routine begins" type="datetime-local" bind:value={at} />
		<NumberField label="In the cold for" unit="h" min={0.5} max={48} value={hours} onchange={(v) => (hours = v ?? 2)} />
		<Button disabled={!plan || plan.verdict === 'fail'} onclick={save}>Into the calendar (iCalendar)</Button>
	</div>
	{#if plan}<div class="mt-2 max-w-xl"><Reasons reasons={plan.reasons} /></div>{/if}
</section>
