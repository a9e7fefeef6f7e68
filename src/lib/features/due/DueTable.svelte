<script lang="ts">
	import WideTable from '$lib/ui/WideTable.svelte';
	import type { Snippet } from 'svelte';
	import type { SensorDue } from '$lib/core/due/due';
	import type { Sensor } from '$lib/schema/records';
	import type { Entry } from '$lib/schema/entries';
	import Button from '$lib/ui/Button.svelte';
	import MarkIcon from '$lib/ui/MarkIcon.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import { showDate } from '$lib/ui/format';
	import { MARK_OF_VERDICT } from '$lib/ui/marks';
	import { SCHOOL_NAMES } from './fleetDue';

	/** Everything that can fall due: when it was last done, the three schools side by side, and how to do it. */
	type Props = {
		list: readonly SensorDue[];
		done: ReadonlyMap<Sensor, Entry>;
		/** Null where it cannot be measured. */
		measureHref: (sensor: Sensor) => string | null;
		guideHref: (sensor: Sensor) => string;
		/** All calibrations of it on record. */
		historyHref: (sensor: Sensor) => string;
		more?: Snippet<[SensorDue]>;
	};
	let { list, done, measureHref, guideHref, historyHref, more }: Props = $props();
	let opened = $state<Sensor | null>(null);
</script>

{#snippet answer(due: boolean, by = '')}
	<span class="inline-flex items-center gap-1.5 {by ? '' : 'md:flex-col md:gap-0.5'}"
		><MarkIcon mark={due ? MARK_OF_VERDICT.caution : MARK_OF_VERDICT.pass} size={24} word={false} />{due
			? 'due'
			: 'not due'}{by}</span
	>
{/snippet}

<WideTable label="What is due">
	<table class="text-small">
		<thead>
			<tr>
				<th scope="col">what</th><th scope="col">last done</th>
				{#each list[0]?.schools ?? [] as { school } (school)}<th scope="col" class="text-center!"
						>{SCHOOL_NAMES[school]}</th
					>{/each}
				<th scope="col"><span class="sr-only">do it</span></th>
			</tr>
		</thead>
		<tbody>
			{#each list as item (item.sensor)}
				{@const last = done.get(item.sensor)}
				{@const measure = measureHref(item.sensor)}
				<tr>
					<td>
						<button
							type="button"
							class="min-h-11 text-left font-semibold text-action underline"
							aria-expanded={opened === item.sensor}
							onclick={() => (opened = opened === item.sensor ? null : item.sensor)}>{item.name}</button
						>
						{#if item.due}<p class="m-0 text-note text-ink-2">{item.chosen.reasons[0]?.text}</p>{/if}
						{#if item.notHere}<p class="m-0 text-note font-semibold text-hold">{item.notHere.text}</p>{/if}
					</td>
					<td class="text-ink-2">
						{#if last}<a href={historyHref(item.sensor)} aria-label="History: {item.name}, last {showDate(last.at)}"
								>{showDate(last.at)}</a
							>{:else}not on record{/if}
					</td>
					{#if item.schools.every(({ due }) => due === item.due)}
						<td class="bg-action-soft text-center!" colspan={item.schools.length}>
							{@render answer(item.due, ` by all ${item.schools.length} schools`)}
						</td>
					{:else}
						{#each item.schools as { school, due } (school)}
							<td class="text-center! {school === item.chosen.school ? 'bg-action-soft font-semibold' : ''}">
								{@render answer(due)}
							</td>
						{/each}
					{/if}
					<td>
						<span class="flex gap-2 md:justify-end">
							{#if measure}<Button href={measure} aria-label="Measure: {item.name}">Measure</Button>{/if}
							<Button href={guideHref(item.sensor)} aria-label="Guided: {item.name}">Guided</Button>
						</span>
					</td>
				</tr>
				{#if opened === item.sensor}
					<tr>
						<td colspan="6" class="bg-paper">
							<div class="grid gap-6 py-2 md:grid-cols-2">
								<div>
									<p class="m-0 font-semibold">What is known</p>
									<Reasons reasons={item.evidence} />
								</div>
								{@render more?.(item)}
							</div>
						</td>
					</tr>
				{/if}
			{/each}
		</tbody>
	</table>
</WideTable>
