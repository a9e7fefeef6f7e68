<script lang="ts">
	import Checkbox from '$lib/ui/Checkbox.svelte';
	import Quantity from '$lib/ui/Quantity.svelte';
	import { figure } from '$lib/core/figures/figure';
	import { counted } from '$lib/words/counted';
	import { untrack } from 'svelte';
	import { z } from 'zod';
	import { flightTimeLimits } from '$lib/core/propulsion/flightTimeLimits';
	import { valueOf } from '$lib/core/facts/facts';
	import { chargeWords } from '$lib/core/facts/words';
	import { estimateOnPack } from '$lib/core/propulsion/flownFlights';
	import { usualRungs, wayHomeMin, type Rung } from '$lib/core/session/rungs';
	import { comesHome } from '$lib/core/aircraft/capabilities';
	import { getSessionView } from '$lib/features/running/sessionView.svelte';
	import BatteryChoice from '$lib/features/running/BatteryChoice.svelte';
	import Later from '$lib/ui/Later.svelte';
	import Button from '$lib/ui/Button.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { keepDraft } from '$lib/ui/draft.svelte';
	import { done, failed } from '$lib/ui/notify';

	/** What is to be flown on this pack, and what of it the pack holds: by what earlier flights used, the way home included. */
	const view = getSessionView();
	const { aircraft, pack } = $derived(view.bundle);
	const kept = z.object({
		rungs: z.array(z.object({ name: z.string(), minutes: z.number(), factor: z.number(), required: z.boolean() })),
		farthestM: z.number().nullable(),
	});
	let rungs = $state<Rung[]>(untrack(() => usualRungs(view.bundle.aircraft)));
	let farthestM = $state<number | null>(null);
	let open = $state(false);
	keepDraft(
		`budget ${untrack(() => view.bundle.session.id)}`,
		() => (open ? { rungs: $state.snapshot(rungs), farthestM } : null),
		(found) => {
			const parsed = kept.safeParse(found);
			if (parsed.success) [rungs, farthestM, open] = [parsed.data.rungs, parsed.data.farthestM, true];
		},
	);

	/** Charge of the battery by its ledger, %; null where nothing says it. */
	const startPct = $derived(view.ledger?.planPct ?? null);
	const windMps = $derived(view.wind?.speedMps ?? 0);
	const homeMin = $derived(
		comesHome(aircraft) && farthestM
			? wayHomeMin(farthestM, valueOf(view.facts, 'returnSpeedMps') ?? aircraft.returnSpeedMps, windMps)
			: 0,
	);
	const all = $derived<Rung[]>([
		...rungs.filter(({ minutes }) => minutes > 0),
		...(homeMin ? [{ name: 'Way home', minutes: homeMin, factor: 1.1, required: true }] : []),
	]);
	const answer = $derived(pack && startPct !== null ? estimateOnPack(pack, startPct, view.flown, all) : null);
	const dropped = $derived(new Set(answer?.budget?.dropped ?? []));
	const head = $derived.by(() => {
		if (!pack) return 'Choose the battery: the budget depends on it';
		if (startPct === null) return `${pack.name} was flown: measure its charge first`;
		if (startPct <= flightTimeLimits.alarmPct.value) return 'The pack is at its alarm: charge it first';
		if (!answer?.budget || answer.timerMin === null) return 'No flight on record tells what a minute takes';
		if (homeMin === null) return 'Against this wind it does not come home from there';
		return answer.budget.dropped.length === 0
			? `${pack.name} holds all of it, with ${answer.budget.leftMin.toFixed(1)} minutes to spare`
			: `${pack.name} holds ${answer.budget.kept.length} of ${all.length}: the rest on another pack`;
	});
	const change = (index: number, more: Partial<Rung>) =>
		(rungs = rungs.map((r, k) => (k === index ? { ...r, ...more } : r)));

	async function record() {
		if (!answer) return;
		try {
			await view.record('plan', {
				kind: 'test',
				task: 'budget',
				grade: view.grade('told'),
				sourceName: `${counted(answer.used, 'flight')} on record`,
				headline: head,
				figures: [
					figure('timer', answer.timerMin),
					...all.map(({ name, minutes }) =>
						figure('flight-budget', Math.round(10 * minutes) / 10, {
							part: name,
							name: `${name}${dropped.has(name) ? ', not on this battery' : ''}`,
						}),
					),
				].slice(0, 40),
				verdict: homeMin === null ? 'fail' : answer.verdict,
				reasons: answer.reasons,
			});
			done('Recorded');
		} catch (error) {
			failed(error);
		}
	}
</script>

<section class="mt-6 border-t border-rule pt-4" aria-label="What this pack holds">
	<div class="flex flex-wrap items-start justify-between gap-3">
		<h2 class="m-0">{head}</h2>
		{#if pack}<Button aria-expanded={open} onclick={() => (open = !open)}
				>{open ? 'Less' : 'What is flown today'}</Button
			>{/if}
	</div>
	{#if answer && answer.timerMin !== null}
		<p class="mt-1 mb-0 text-ink-2">
			Timer {answer.timerMin.toFixed(1)} min from {view.ledger && chargeWords(view.ledger)}: nine flights in ten last
			longer. From {answer.used}
			{answer.used === 1 ? 'flight' : 'flights'} on record.
		</p>
	{:else if pack}
		<p class="mt-1 mb-0 text-ink-2">
			Measure the battery before the first and after the last flight and record takeoff and landing. The flight time is
			calculated from then on.
		</p>
	{/if}
	{#if !pack && !view.readOnly}<div class="mt-3"><BatteryChoice /></div>{/if}
	{#if open && pack}<Later>
			<ul class="m-0 mt-3 list-none p-0">
				{#each rungs as { name, minutes, required }, index (index)}
					<li class="hairline flex flex-wrap items-center gap-x-4 py-1.5 {dropped.has(name) ? 'text-hold' : ''}">
						<span class="min-w-40 flex-1 text-lead"
							>{name}{#if dropped.has(name)}<b class="ml-2">not on this pack</b>{/if}</span
						>
						<NumberField
							label="for"
							unit="min"
							min={0}
							max={120}
							value={minutes}
							onchange={(v) => change(index, { minutes: v ?? 0 })}
						/>
						<Checkbox checked={required} onchange={(on) => change(index, { required: on })} label="must be flown" />
					</li>
				{/each}
				{#if comesHome(aircraft)}
					<li class="hairline flex flex-wrap items-center gap-x-4 py-1.5 {dropped.has('Way home') ? 'text-hold' : ''}">
						<span class="min-w-40 flex-1 text-lead">
							Way home{homeMin ? `: ${homeMin.toFixed(1)} min` : ''}
							<span class="block text-small text-ink-2"
								>at its return speed, {view.wind
									? 'straight against the wind of today'
									: 'without wind: it has not been entered'}</span
							>
						</span>
						<Quantity
							label="from at most"
							of="height"
							min={0}
							max={50_000}
							value={farthestM}
							onchange={(v) => (farthestM = v)}
						/>
					</li>
				{/if}
			</ul>
			{#if answer?.budget && !view.readOnly}
				<div class="mt-3"><Button class="min-h-14" onclick={() => void record()}>Keep it in the record</Button></div>
			{/if}
		</Later>{/if}
</section>
