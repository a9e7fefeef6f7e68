<script lang="ts">
	import { goto } from '$app/navigation';
	import type { StationId } from '$lib/schema/records';
	import { looksLikeSlip, outcomeOf } from '$lib/core/checklist/run';
	import { STATIONS, stationTitle } from '$lib/core/gate/stations';
	import { formatQuantity, fromUnit, unitSymbol } from '$lib/core/frames/units';
	import Button from '$lib/ui/Button.svelte';
	import Caution from '$lib/ui/Caution.svelte';
	import Gate from '$lib/ui/Gate.svelte';
	import Reasons from '$lib/ui/Reasons.svelte';
	import { MARK_TEXT, MARK_WORDS } from '$lib/ui/marks';
	import { done, failed } from '$lib/ui/notify';
	import { showTime } from '$lib/ui/format';
	import { units } from '$lib/ui/preferences.svelte';
	import { inField } from '$lib/features/shell/keys';
	import Sheet from '$lib/features/session/Sheet.svelte';
	import { getSessionView, OWN_PAGE } from '$lib/features/session/sessionView.svelte';
	import AsideDialog from './AsideDialog.svelte';
	import ItemAnswer from './ItemAnswer.svelte';
	import WindCard from './WindCard.svelte';

	let { station }: { station: StationId } = $props();
	const view = getSessionView();

	const states = $derived(view.items.filter(({ item }) => item.station === station));
	const stationState = $derived(view.gate.stations.find(({ id }) => id === station));
	const measured = $derived(
		(stationState?.tasks ?? []).filter(({ task }) => !states.some(({ item }) => item.id === task)),
	);
	const following = $derived(STATIONS[STATIONS.findIndex(({ id }) => id === station) + 1]);

	let picked = $state<string | null>(null);
	const firstOpen = $derived(states.find(({ mark }) => mark === 'unseen'));
	const chosen = $derived(states.find(({ item }) => item.id === picked) ?? firstOpen ?? null);
	const measureNext = $derived(measured.find(({ mark }) => mark === 'unseen'));

	let asideOf = $state<'aside' | 'failed' | null>(null);
	let busy = $state(false);
	let answer = $state<ItemAnswer>();

	const title = $derived(
		chosen
			? chosen.item.text
			: measureNext
				? measureNext.title
				: `${stationTitle(station)}: everything here is answered`,
	);
	const lead = $derived(
		`${stationTitle(station)} of ${view.bundle.aircraft.name} · ${states.filter(({ mark }) => mark !== 'unseen').length} of ${states.length} answered`,
	);

	async function accept(value: number | null, waitedS: number | null) {
		if (!chosen || busy) return;
		const { item, entry } = chosen;
		if (value !== null && looksLikeSlip(item, value)) {
			failed(`${value} ${item.limit?.unit ?? ''} cannot be meant here: check comma and unit.`);
			return;
		}
		busy = true;
		try {
			const outcome = outcomeOf(item, value, waitedS);
			await view.record(
				station,
				{ kind: 'check', task: item.id, outcome, value, unit: item.limit?.unit ?? '', waitedS, reason: '' },
				entry?.id ?? null,
			);
			picked = null;
			done(outcome === 'done' ? 'Recorded' : 'Recorded as not as it should be');
		} catch (error) {
			failed(error);
		} finally {
			busy = false;
		}
	}

	async function setAside(reason: string) {
		if (!chosen || !asideOf) return;
		const outcome = asideOf;
		const { item, entry } = chosen;
		try {
			await view.record(
				station,
				{ kind: 'check', task: item.id, outcome, value: null, unit: '', waitedS: null, reason },
				entry?.id ?? null,
			);
			picked = null;
			asideOf = null;
			done(outcome === 'aside' ? 'Set aside; it stays visible with its reason' : 'Noted');
		} catch (error) {
			failed(error);
		}
	}

	function move(by: number) {
		const at = states.findIndex(({ item }) => item.id === chosen?.item.id);
		picked = states[Math.max(0, Math.min(states.length - 1, at + by))]?.item.id ?? null;
	}

	function onkeydown(event: KeyboardEvent) {
		if (event.ctrlKey || event.metaKey || event.altKey || asideOf) return;
		const onControl = event.target instanceof HTMLElement && event.target.closest('button, a, input, textarea, select');
		if (event.key === 'ArrowDown' && !inField(event)) move(1);
		else if (event.key === 'ArrowUp' && !inField(event)) move(-1);
		else if (inField(event)) return;
		else if (event.key === 'Enter' && !onControl) {
			if (chosen) answer?.press();
			else if (measureNext) void goto(view.href(station, measureNext.task));
			else if (following) void goto(view.href(following.id));
		} else if (event.key === 'x' && chosen) asideOf = 'aside';
		else if (event.key === 'n' && chosen) asideOf = 'failed';
		else if (/^[0-9]$/.test(event.key) && chosen?.item.type === 'measure') answer?.type(event.key);
		else return;
		event.preventDefault();
	}

	const valueOf = (state: (typeof states)[number]) => {
		const { check, item } = state;
		if (!check || check.value === null) return '';
		return item.limit?.quantity
			? formatQuantity(check.value, item.limit.quantity, units())
			: `${check.value} ${check.unit}`;
	};
	const unitOf = (item: (typeof states)[number]['item']) =>
		item.limit?.quantity ? unitSymbol(item.limit.quantity, units()) : (item.limit?.unit ?? '');
	const toSi = (item: (typeof states)[number]['item'], value: number) =>
		item.limit?.quantity ? fromUnit(value, item.limit.quantity, units()) : value;
</script>

<svelte:window {onkeydown} />

<Sheet {title} {lead} name={stationTitle(station)}>
	{#snippet margin()}
		{#if chosen?.item.caution}<Caution>{chosen.item.caution}</Caution>{/if}
		{#if chosen}
			<h2 class="mt-4 mb-2">Why</h2>
			<p class="m-0">{chosen.item.why}</p>
			{#if chosen.item.limit}
				<p class="mt-2 text-[14px] text-ink-2">
					Limit from: {chosen.item.limit.source}. The maker's manual and local rules stand above it.
				</p>
			{/if}
			<p class="mt-2 text-[14px] text-ink-2">
				If it is not as it should be, it counts as <b>{chosen.item.weight === 'hold' ? 'hold' : 'caution'}</b>.
			</p>
		{/if}
		{#each measured as task (task.task)}
			{#if task.reasons.length > 0}
				<h2 class="mt-5 mb-1">{task.title}</h2>
				<Reasons reasons={task.reasons} />
			{/if}
		{/each}
	{/snippet}

	{#if chosen}
		{#key chosen.item.id}
			<div class="mt-4 border-y border-rule py-5">
				{#if chosen.item.caution}<div class="mb-4 max-w-[60ch]"><Caution>{chosen.item.caution}</Caution></div>{/if}
				<ItemAnswer
					bind:this={answer}
					item={chosen.item}
					unit={unitOf(chosen.item)}
					{busy}
					onaccept={(value, waitedS) => accept(value === null ? null : toSi(chosen.item, value), waitedS)}
				/>
				<div class="mt-4 flex flex-wrap gap-3">
					<Button onclick={() => (asideOf = 'failed')} kbd="n">Not as it should be</Button>
					<Button onclick={() => (asideOf = 'aside')} kbd="x">Set aside</Button>
				</div>
			</div>
		{/key}
	{/if}

	<ul class="m-0 mt-2 list-none p-0">
		{#each measured as task (task.task)}
			<li class="flex items-center gap-4 border-b border-fine py-3">
				<Gate mark={task.mark} />
				<div class="min-w-0 flex-1">
					<p class="m-0 font-semibold {MARK_TEXT[task.mark]}">{task.title}</p>
					{#if task.detail}<p class="m-0 text-[15px] text-ink-2">
							{task.detail}{#if task.entry}&nbsp;{showTime(task.entry.at)}.{/if}
						</p>{/if}
				</div>
				{#if OWN_PAGE.includes(task.task)}
					<Button kind={!chosen && task === measureNext ? 'primary' : 'plain'} href={view.taskHref(task)}>
						{task.next || 'Open'}
					</Button>
				{/if}
			</li>
			{#if task.task === 'wind'}<li class="border-b border-fine py-3"><WindCard /></li>{/if}
		{/each}
		{#each states as state (state.item.id)}
			{@const current = chosen?.item.id === state.item.id}
			<li class="border-b border-fine">
				<button
					type="button"
					class="flex min-h-14 w-full items-center gap-4 py-2 text-left {current ? 'bg-action-soft' : 'hover:bg-fine'}"
					aria-current={current ? 'true' : undefined}
					onclick={() => (picked = state.item.id)}
				>
					<Gate mark={state.mark} />
					<span class="min-w-0 flex-1">
						<span class="block {current ? 'font-semibold' : ''}">{state.item.text}</span>
						{#if state.check?.reason}<span class="block text-[15px] {MARK_TEXT[state.mark]}">{state.check.reason}</span
							>{/if}
					</span>
					<span class="num pr-2 text-[14px] text-ink-2">
						{valueOf(state)}
						<span class="block font-sans">{state.mark === 'unseen' ? '' : MARK_WORDS[state.mark]}</span>
					</span>
				</button>
			</li>
		{/each}
	</ul>

	{#if !chosen && following}
		<div class="mt-5">
			<Button
				kind={measureNext ? 'plain' : 'primary'}
				href={view.href(following.id)}
				kbd={measureNext ? undefined : '↵'}
			>
				Go on to {following.title}
			</Button>
		</div>
	{/if}
</Sheet>

<AsideDialog
	open={asideOf !== null}
	title={asideOf === 'failed' ? 'What is not as it should be?' : 'Why is it set aside?'}
	action={asideOf === 'failed' ? 'Note it' : 'Set aside'}
	onclose={() => (asideOf = null)}
	onreason={setAside}
/>
