<script lang="ts">
	import { undoneBy } from '$lib/core/session/checklist/undoes';
	import { provedReturns } from '$lib/core/return/returnTest';
	import { wholeQuantity } from '$lib/words/units';
	import type { Aircraft } from '$lib/schema/records';
	import { live } from '$lib/store/live.svelte';
	import { entriesAbout } from '$lib/store/earlier';
	import { showDate } from '$lib/ui/format';
	import { units } from '$lib/ui/preferences.svelte';

	/** What was flown of the return since the last change: by the switch and with the radio off are different things. */
	let { aircraft }: { aircraft: Aircraft } = $props();
	const flown = live(
		async () => [
			...(await entriesAbout(aircraft.id, 'return-radio-off')),
			...(await entriesAbout(aircraft.id, 'return-switch')),
		],
		() => aircraft.id,
	);
	const since = $derived(
		aircraft.events
			.filter((event) => undoneBy(event.kind, event).has('return-switch'))
			.map(({ at }) => at)
			.toSorted()
			.at(-1) ?? null,
	);
	const proved = $derived(provedReturns(flown.current ?? [], since));
	const height = (m: number) => wholeQuantity(m, 'height', units());
	const KINDS = { 'radio-off': 'Radio off in the air', switch: 'By its switch' } as const;
</script>

{#if flown.ready}
	<ul class="m-0 list-none p-0 text-small">
		{#each ['radio-off', 'switch'] as const as trigger (trigger)}
			{@const found = proved.find((one) => one.trigger === trigger)}
			<li class="hairline py-1.5">
				<b>{KINDS[trigger]}:</b>
				{found
					? `${showDate(found.at)}, ${height(found.distanceM)} out, ${height(found.heightM)} up, ${found.by}`
					: 'not since the last change'}
			</li>
		{/each}
	</ul>
	<p class="mt-1 mb-0 text-small text-ink-2">
		{proved.length > 0
			? `Tried to ${height(Math.max(...proved.map(({ distanceM }) => distanceM)))}: further out nobody has seen it come home.`
			: 'Nobody has seen it come home since: stay where you bring it back by hand.'}
	</p>
{/if}
