<script lang="ts">
	import { figureWords } from '$lib/words/figures';
	import { SENSOR_RULES } from '$lib/core/due/rules';
	import { historyOf, historyTitle, STANDING_WORDS } from '$lib/core/evidence/history';
	import { INSTRUMENT_OF } from '$lib/features/due/fleetDue';
	import Page from '$lib/features/shell/Page.svelte';
	import type { Sensor } from '$lib/schema/records';
	import { live } from '$lib/store/live.svelte';
	import { findAircraft } from '$lib/store/repository';
	import { listKept, LOOKED_BACK } from '$lib/store/earlier';
	import Button from '$lib/ui/Button.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import MarkIcon from '$lib/ui/MarkIcon.svelte';
	import { formatQuantity } from '$lib/words/units';
	import { showDate } from '$lib/ui/format';
	import { units } from '$lib/ui/preferences.svelte';
	import { GRADE_WORDS, MARK_OF_VERDICT } from '$lib/ui/marks';
	import EarlierFigures from './EarlierFigures.svelte';

	/** All calibrations of one sensor of an aircraft: the old values stay at hand, and what moved is told. */
	let { id, sensor }: { id: string; sensor: Sensor } = $props();
	const aircraft = live(
		() => findAircraft(id),
		() => id,
	);
	const stored = live(
		() => listKept(id, sensor),
		() => `${id} ${sensor}`,
	);
	const kept = $derived(stored.current ?? []);
	const name = $derived(SENSOR_RULES[sensor].name);
	const title = $derived(historyTitle(kept, historyOf(kept), name));
	const instrument = $derived(INSTRUMENT_OF[sensor]);
</script>

{#if aircraft.ready && !aircraft.current}
	<Page title="This aircraft is not on this device" name="History"
		><Empty title="Nothing here"><Button href="/aircraft">All aircraft</Button></Empty></Page
	>
{:else if aircraft.current && stored.ready}
	<Page
		{title}
		name="History: {name}"
		lead="{name} of {aircraft.current.name}, {kept.length < LOOKED_BACK
			? 'every calibration on record'
			: `the newest ${LOOKED_BACK} calibrations on record`}."
	>
		{#snippet actions()}<Button href="/aircraft/{id}/due">What is due</Button>{/snippet}
		{#snippet margin()}
			<h2 class="mt-0 mb-1">What to make of it</h2>
			<p>
				A value that moved has a cause: a part, a knock, a place, the cold. One that moves every time is not held down
				by the routine, whatever the screen said.
			</p>
			<p class="text-small text-ink-2">
				Some pilots calibrate cold and swear by it: whether it helps shows in hovers, compared with <a
					href="/instruments/before-after">Before and after</a
				>.
			</p>
		{/snippet}
		{#if kept.length === 0}
			<Empty title="Nothing of this sensor is on record">
				{#if instrument}<Button href="/instruments/{instrument}">Measure it</Button>{/if}
				<Button href="/aircraft/{id}/guide/{sensor}">By its own routine</Button>
			</Empty>
		{:else}
			<EarlierFigures {kept} />
			<h2 class="mt-7 mb-1">On record, newest first</h2>
			<ul class="m-0 list-none p-0">
				{#each kept.toReversed() as entry, k (k)}
					<li class="hairline flex flex-wrap items-start gap-x-4 gap-y-1 py-2.5">
						<MarkIcon mark={MARK_OF_VERDICT[entry.verdict]} size={26} />
						<div class="min-w-0 flex-1 basis-72">
							<p class="m-0">{entry.headline}</p>
							<p class="m-0 text-note text-ink-2">
								{showDate(entry.at)} · {entry.sourceName}{entry.standing === 'rehearsed'
									? ''
									: ` · ${GRADE_WORDS[entry.grade]}`}{STANDING_WORDS[entry.standing]
									? ` · ${STANDING_WORDS[entry.standing]}`
									: ''}{entry.temperatureC === null
									? ''
									: ` · ${formatQuantity(entry.temperatureC, 'temperature', units())}`}
							</p>
							{#if entry.figures.length > 0}
								<p class="m-0 font-mono text-note text-ink-2">
									{entry.figures
										.filter(({ value }) => value !== null)
										.map(figureWords)
										.join(' · ')}
								</p>
							{/if}
						</div>
					</li>
				{/each}
			</ul>
		{/if}
	</Page>
{/if}
