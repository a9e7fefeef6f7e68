<script lang="ts">
	import { counted } from '$lib/words/counted';
	import { fromYawPitchRoll } from '$lib/core/frames/rotation';
	import Page from '$lib/features/shell/Page.svelte';
	import { live } from '$lib/store/live.svelte';
	import { dueDates } from '$lib/core/due/dates';
	import { dueCalendar } from '$lib/core/record/calendarFile';
	import { loadHome } from '$lib/store/home';
	import { listAircraft } from '$lib/store/tables';
	import { download } from '$lib/ui/download';
	import { showDate } from '$lib/ui/format';
	import { failed } from '$lib/ui/notify';
	import AircraftSketch from '$lib/ui/AircraftSketch.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import { KIND_WORDS } from './kindWords';

	const aircraft = live(listAircraft);
	/** Those out of use stand last. */
	const listed = $derived((aircraft.current ?? []).toSorted((a, b) => Number(!!a.retired) - Number(!!b.retired)));
	const fleet = live(loadHome);
	/** What falls due by age, of all of them, soonest first. */
	const days = $derived(
		(fleet.current?.aircraft ?? [])
			.flatMap((craft) => dueDates(craft, fleet.current?.done.get(craft.id) ?? new Map()))
			.sort((a, b) => (a.day < b.day ? -1 : 1)),
	);
	function exportCalendar() {
		try {
			download('winglogos-fleet.ics', dueCalendar(days, new Date().toISOString()), 'text/calendar');
		} catch (error) {
			failed(error);
		}
	}
	const attitude = fromYawPitchRoll(0.5, 0.1, 0);
</script>

<Page
	title={aircraft.current?.length === 1 ? 'One aircraft' : `${aircraft.current?.length ?? ''} aircraft`}
	name="Aircraft"
	lead="What each one is, its own limits, its packs, and what happened to it."
>
	{#snippet actions()}<Button kind="primary" href="/aircraft/new">Enter an aircraft</Button>{/snippet}
	{#if !aircraft.ready}
		<p role="status" class="text-ink-2">Reading…</p>
	{:else}
		<ul class="m-0 grid list-none gap-0 p-0">
			{#each listed as craft (craft.id)}
				<li class="hairline">
					<a
						href="/aircraft/{craft.id}"
						class="grid grid-cols-[90px_minmax(0,1fr)] items-center gap-4 py-3 text-inherit no-underline hover:bg-fine md:grid-cols-[90px_minmax(0,1fr)_300px]"
					>
						<AircraftSketch {attitude} rotors={craft.rotors} size={84} />
						<span>
							<span class="block text-lead font-semibold">{craft.name}</span>
							<span class="block text-ink-2">{craft.description || KIND_WORDS[craft.kind]}</span>
							{#if craft.retired}<span class="block text-aside">Out of use: {craft.retired.why}</span>{/if}
						</span>
						<span class="text-small text-ink-2 max-md:hidden">
							{KIND_WORDS[craft.kind]}<br />firmware {craft.firmware || 'not said'} · {counted(
								craft.events.length,
								'event',
							)}
						</span>
					</a>
				</li>
			{:else}
				<li>
					<Empty title="No aircraft yet"
						><p>
							A checklist, limits and records belong to an aircraft. Enter yours, or load the demo from the start page.
						</p></Empty
					>
				</li>
			{/each}
		</ul>
		{#if (aircraft.current ?? []).length > 0}
			<section class="mt-8" aria-label="Calendar of the fleet">
				<h2 class="m-0 mb-1">When what falls due</h2>
				<p class="m-0 mb-2 text-small text-ink-2">
					By age alone: what happens to an aircraft has no date. An age is set at each one’s due page.
				</p>
				<ul class="m-0 max-w-3xl list-none p-0">
					{#each days as { id, title, day, note } (id)}
						<li class="hairline flex flex-wrap gap-x-4 py-1.5">
							<span class="num w-44">{showDate(`${day}T12:00:00.000Z`)}</span>
							<span class="min-w-0 flex-1">{title} <span class="text-ink-2">{note}</span></span>
						</li>
					{:else}
						<li class="hairline py-2 text-ink-2">No aircraft has an age set.</li>
					{/each}
				</ul>
				<div class="mt-3 flex flex-wrap gap-3">
					<Button onclick={exportCalendar} disabled={days.length === 0}>Export the dates (iCalendar)</Button>
					<Button href="/tomorrow">Plan tomorrow</Button>
				</div>
			</section>
		{/if}
	{/if}
</Page>
